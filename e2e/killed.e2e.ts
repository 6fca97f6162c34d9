import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test, type Page } from '@playwright/test'
import { beginJob, lookAround, nextKey, saved, tapDone } from './steps'

// The server dies by SIGKILL in the middle of a job. What was shown as kept or in the shop is still there, once.
const data = process.env.ISTRUZIONE_TEST_DATA ?? '.test-data'
const pidIn = (...path: string[]) => Number(readFileSync(join(data, ...path), 'utf8').split('\n')[0])

async function openJob(page: Page): Promise<string> {
  await lookAround(page, 'an installer')
  await page.goto('/plan')
  await page.getByRole('listitem').filter({ hasText: 'Panel van' }).last().getByRole('link', { name: 'Plan' }).click()
  await page.getByLabel('Bay above the glovebox').check()
  for (const facet of ['automatic', 'key', 'left']) {
    const choice = page.getByRole('radio', { name: facet, exact: true })
    if (await choice.isVisible()) await choice.check()
  }
  await page.getByRole('button', { name: 'Open the job' }).click()
  await beginJob(page)
  return page.url()
}

async function tap(page: Page): Promise<void> {
  const key = await nextKey(page)
  await tapDone(page)
  await expect(async () => expect(await nextKey(page)).not.toBe(key)).toPass()
}

const answers = (page: Page) =>
  expect(async () => expect((await page.request.get('/api/health')).ok()).toBe(true)).toPass({ timeout: 30_000 })

/** Every event of this device once, and none missing in between. */
async function nothingLostNothingTwice(page: Page, url: string): Promise<void> {
  const { events } = (await (await page.request.get(`/api/jobs/${url.split('/').at(-1)}/events`)).json()) as {
    events: { id: string; deviceId: string; seq: number }[]
  }
  expect(events.length).toBeGreaterThan(4)
  expect(new Set(events.map((event) => event.id)).size).toBe(events.length)
  const seqs = events.map((event) => event.seq).sort((a, b) => a - b)
  expect(seqs).toEqual(Array.from({ length: seqs.length }, (_, i) => seqs[0]! + i))
}

test('no event that was shown as saved or kept is lost', async ({ page }) => {
  const url = await openJob(page)
  await tap(page)
  await tap(page)
  await saved(page)

  process.kill(pidIn('app.pid'), 'SIGKILL')
  await tap(page)
  await tap(page)
  await expect(page.locator('[data-saved="kept here"]')).toBeVisible()
  const reached = await nextKey(page)
  // The browser goes too: only what is kept on the device remembers the last two taps.
  await page.goto('about:blank')
  await answers(page)
  await page.goto(url)
  await expect(async () => expect(await nextKey(page)).toBe(reached)).toPass()
  await saved(page)
  await nothingLostNothingTwice(page, url)
})

// The database dies by SIGKILL, with the server still up: the tablet goes on, and what was stored is stored.
test('the database is killed in the middle of a job: nothing is lost, nothing is twice', async ({ page }) => {
  const url = await openJob(page)
  await tap(page)
  await tap(page)
  await saved(page)
  const stored = await nextKey(page)
  process.kill(pidIn('postgres', 'postmaster.pid'), 'SIGKILL')
  await tap(page)
  await tap(page)
  const reached = await nextKey(page)
  expect(reached).not.toBe(stored)
  await answers(page)
  await saved(page)
  await page.goto(url)
  await expect(async () => expect(await nextKey(page)).toBe(reached)).toPass()
  await nothingLostNothingTwice(page, url)
})
