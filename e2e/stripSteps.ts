import { expect, type Page } from '@playwright/test'

/** What feeds what, and what lay over what: everything else was a habit. */
const ANSWERS: [RegExp, RegExp][] = [
  [/^What is this strip for/, /^A radio$/],
  [/^Battery off/, /^All of it is so$/],
  [/hazard plug/, /^hazard$/],
  [/airbag lamp plug/, /the airbag lamp/],
  [/main plug/, /^audio$/],
  [/antenna plug/, /^antenna$/],
  [/obd plug/, /the data bus/],
  [/instruments plug/, /lamps outside, instruments/],
  [/climate plug/, /climate/],
  [/lamp plug/, /lamp/],
  [/the same screw/, /^Yes, the same$/],
  [/cluster surround come off for/, /^For the cluster$/],
  [/surround come off for/, /^For the (radio )?unit$/],
  [/come off for/, /^For nothing: just so$/],
  [/in the way of/, /^It covers its screws$/],
  [/did it have to be/, /My habit/],
]

/** Answers what is asked beside the picture; loose ends are left to whoever knows. */
export async function answerBeside(page: Page): Promise<void> {
  const question = page.getByRole('region', { name: 'Question' })
  while (await question.isVisible()) {
    const id = await question.getAttribute('data-question')
    await answer(question)
    await expect(page.locator(`[data-question="${id}"]`)).toHaveCount(0)
  }
}

export async function answer(question: ReturnType<Page['getByRole']>): Promise<void> {
  const sentence = (await question.getByRole('heading').innerText()).trim()
  const [, reply] = ANSWERS.find(([asked]) => asked.test(sentence))!
  await question.getByRole('button', { name: reply }).first().click()
  // What it came off for is told by the part first, then by how it was in the way.
  const how = question.getByRole('heading', { name: /^How was it in the way of/ })
  if (/^For the /.test(reply.source.replace('^', ''))) {
    await expect(how).toBeVisible()
    await question.getByRole('button', { name: 'It covers its screws' }).click()
  }
}

export async function newStrip(page: Page, label: string, on?: string): Promise<void> {
  await page.goto('/strips/new')
  await page.getByLabel('Fleet number').fill(label)
  if (on) await page.getByLabel('Its record').selectOption({ label: on })
  await page.getByRole('button', { name: 'Begin' }).click()
  await page.waitForURL('**/record')
}
