import { expect, test } from '@playwright/test'
import { setUpShop, someOwner } from './steps'

test('a model is recorded line by line: chips while typing, questions before anything is taken, near misses, undo', async ({
  page,
}) => {
  await setUpShop(page, someOwner('Short Hands'))
  await page.goto('/shop/words')
  await page.getByRole('button', { name: 'Add a word' }).click()
  await page.getByLabel('We say').fill('wotsit')
  await page.getByLabel('It stands for').fill('spring clip')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Saved.')).toBeVisible()
  await page.goto('/procedures')
  await page.getByLabel('What is the model called?').fill('Tipper')
  await page.getByRole('button', { name: 'Begin the record' }).click()
  await page.waitForURL(/procedures\/[0-9a-f-]{36}/)
  const line = page.getByLabel('Say it in a line')
  const chips = page.getByRole('list', { name: 'Understood' })
  const add = page.getByRole('button', { name: 'Add', exact: true })
  const facts = async () =>
    (await (await page.request.get(`${new URL(page.url()).pathname}/export`)).json()) as {
      parts: { name: string; release: object }[]
      holders: { count: number }[]
      needs: object[]
    }

  await test.step('the first line makes the part and what covers it', async () => {
    await line.fill('bezel: 2 T20 behind liner, 9 wotsits, start lower left, pull rearward')
    await expect(chips).toContainText('9 spring clips, holds surround')
    await expect(chips).toContainText('2 T20, behind liner, holds surround')
    await expect(chips).toContainText('surround: start lower left, pull rearward')
    await line.press('Enter')
    await expect(page.getByText('It is in the draft; Undo takes it back.')).toBeVisible()
    await expect(line).toHaveValue('')
    await expect(page.getByText('about the Surround')).toBeVisible()
    const record = await facts()
    expect(record.parts.map(({ name }) => name)).toEqual(['Surround', 'Liner'])
    expect(record.holders.map(({ count }) => count)).toEqual([2, 9])
    expect(record.needs.length).toBe(1)
  })
  await test.step('forward is asked; the answer goes into the line', async () => {
    await line.fill('liner: pull forward')
    await expect(page.getByText('Forward: toward the nose, or toward you?')).toBeVisible()
    await expect(add).toBeDisabled()
    await line.press('Enter')
    await page.getByRole('button', { name: 'toward you' }).click()
    await expect(line).toHaveValue('liner: pull toward you')
    await add.click()
    await expect(line).toHaveValue('')
    expect((await facts()).parts[1]).toMatchObject({
      release: { motions: [{ move: 'pull', directions: ['rearward'] }] },
    })
  })
  await test.step('what fits nowhere holds the line up; nothing was taken meanwhile', async () => {
    await line.fill('2 T20 rearward')
    await expect(page.getByText('Not understood: “rearward”.')).toBeVisible()
    await expect(add).toBeDisabled()
    await line.press('Enter')
    await page.getByRole('button', { name: 'leave it out' }).click()
    await expect(line).toHaveValue('2 T20 ')
    await expect(add).toBeEnabled()
    expect((await facts()).holders.length).toBe(2)
  })
  await test.step('a misspelt word is the one it is nearest to; its place in the line is shown', async () => {
    await line.fill('3 clipps along the top, cuppa brewing')
    await expect(chips).toContainText('3 spring clips, top')
    const read = page.getByRole('group', { name: 'The line as it is read' })
    await expect(read.locator('[data-read="fact"]').filter({ hasText: 'clipps' })).toHaveCount(1)
    await expect(page.getByText('No fact of it: “cuppa brewing”.')).toBeVisible()
    await add.click()
    await expect(line).toHaveValue('')
    await expect.poll(async () => (await facts()).holders.length).toBe(3)
  })
  await test.step('undo takes the last line back', async () => {
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect.poll(async () => (await facts()).holders.length).toBe(2)
  })
  await test.step('what has no place says why, and the line stays', async () => {
    await line.fill('column down')
    await add.click()
    await expect(page.getByText('this record has no setting steering column with the value down')).toBeVisible()
    await expect(line).toHaveValue('column down')
  })
  await test.step('another model on the same platform begins with these facts', async () => {
    await page.goto('/procedures')
    await page.getByLabel('What is the model called?').fill('Long tipper')
    await page.getByLabel('On the same platform as').selectOption('Tipper')
    await page.getByRole('button', { name: 'Begin the record' }).click()
    await expect(page.getByRole('heading', { name: 'Long tipper' })).toBeVisible()
    const copied = await facts()
    expect(copied.parts.map(({ name }) => name)).toEqual(['Surround', 'Liner'])
    expect(copied.holders.map(({ count }) => count)).toEqual([2, 9])
  })
})
