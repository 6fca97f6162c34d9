import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { beginJob, lookAround, nextKey, saved, tapDone } from './steps'

// The server dies by SIGKILL in the middle of a job. What was shown as kept or in the shop is still there, once.
test('no event that was shown as saved or kept is lost', async ({ page }) => {
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
  const url = page.url()
  const jobId = url.split('/').at(-1)!
  const tap = async () => {
    const key = await nextKey(page)
    await tapDone(page)
    await expect(async () => expect(await nextKey(page)).not.toBe(key)).toPass()
  }
  await tap()
  await tap()
  await saved(page)

  process.kill(Number(readFileSync(join(process.env.ISTRUZIONE_TEST_DATA ?? '.test-data', 'app.pid'), 'utf8')), 'SIGKILL')
  await tap()
  await tap()
  await expect(page.locator('[data-saved="kept here"]')).toBeVisible()
  const reached = await nextKey(page)
  // The browser goes too: only what is kept on the device remembers the last two taps.
  await page.goto('about:blank')
  await expect(async () => expect((await page.request.get('/api/health')).ok()).toBe(true)).toPass({ timeout: 30_000 })
  await page.goto(url)
  await expect(async () => expect(await nextKey(page)).toBe(reached)).toPass()
  await saved(page)

  const { events } = (await (await page.request.get(`/api/jobs/${jobId}/events`)).json()) as { events: { id: string; deviceId: string; seq: number }[] }
  expect(new Set(events.map((event) => event.id)).size).toBe(events.length)
  const seqs = events.map((event) => event.seq).sort((a, b) => a - b)
  expect(seqs).toEqual(Array.from({ length: seqs.length }, (_, i) => seqs[0]! + i))
})
