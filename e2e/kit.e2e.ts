import { expect, test, type Page } from '@playwright/test'
import { answerStep, beginJob, nextKey, saved, shopWithVan, tapDone } from './steps'

const aside = (page: Page) => page.getByRole('complementary', { name: 'What it comes to' })

async function writeTheKit(page: Page): Promise<void> {
  await page.goto('/shop/kits/new')
  await page.getByLabel('Name', { exact: true }).fill('Radio with a module')
  await test.step('the packing list is typed, a line each; what is unclear stays and is said', async () => {
    const list = page.getByLabel('Type what is in it, a line each')
    await list.fill(
      [
        'New unit: 4 hex 7 M4x12; plug main, lever',
        '2 x bracket: 3 PH2 M3x6',
        'Amplifier lead',
        'frame: some screws',
      ].join('\n'),
    )
    await page.getByRole('button', { name: 'Add these' }).click()
    await expect(page.getByRole('alert').filter({ hasText: 'Not clear' })).toContainText('so many each, or in all?')
    await expect(list).toHaveValue('2 x bracket: 3 PH2 M3x6\nframe: some screws')
    await list.fill('2 x bracket: 3 PH2 M3x6 each')
    await page.getByRole('button', { name: 'Add these' }).click()
    await expect(list).toHaveValue('')
    await expect(aside(page)).toContainText('3 parts, 10 fasteners, 1 plug')
  })
  await test.step('a change is taken back, and made again', async () => {
    await page.getByRole('button', { name: 'Remove Amplifier lead' }).click()
    await expect(aside(page)).toContainText('2 parts')
    await page.getByRole('button', { name: 'Take back the last change' }).click()
    await expect(aside(page)).toContainText('3 parts')
  })
  await test.step('the model it fits, then what is only for amplified vans', async () => {
    await page.getByRole('button', { name: 'Panel van' }).click()
    const lead = page.locator('[data-thing]').filter({ has: page.locator('input[value="Amplifier lead"]') })
    await lead.getByText('more of it').click()
    await lead.getByText('on every vehicle, whatever was bought').click()
    await lead.getByRole('group', { name: 'Audio: only' }).getByLabel('amplified').check()
  })
  await test.step('a module with its switches', async () => {
    await page.getByRole('button', { name: 'Add a setting' }).click()
    await page.getByLabel('What is set').fill('Switches')
    await page.getByLabel('On', { exact: true }).selectOption({ label: 'New unit' })
    await expect(aside(page)).toContainText('“Switches” has no value it should be')
    await page.getByRole('button', { name: 'Say what it should be' }).click()
    await page.getByLabel('Should be').fill('0110')
  })
  await test.step('work with its steps: all of a part by one button, a reading of its own', async () => {
    await page.getByRole('button', { name: 'Add work' }).click()
    await page.getByLabel('What is done').fill('Unit in')
    await page.getByRole('button', { name: 'Add a step' }).click()
    const first = page.locator('[data-step]').first()
    await first.getByLabel('Act').selectOption('read')
    await first.getByLabel('In words').fill('supply at the plug')
    await first.getByLabel('Unit').fill('V')
    await first.getByLabel('At least').fill('11.5')
    await first.getByLabel('At most').fill('15')
    for (const part of ['New unit', 'bracket', 'Amplifier lead'])
      await page.getByRole('button', { name: `All of ${part}` }).click()
    await expect(page.locator('[data-step]')).toHaveCount(8)
    await expect(page.getByText('Fasten 6 PH2 M3 × 6 of bracket, snug')).toBeVisible()
    await page.getByText('nothing: it is reached from outside').click()
    await page.getByRole('group', { name: 'Open for it' }).getByLabel('Radio cavity').check()
  })
  await test.step('it stands where the old unit was: its work is the way back of that one', async () => {
    await page.getByRole('button', { name: 'Add an end' }).click()
    await page.getByLabel('Thing').selectOption({ label: 'Radio unit' })
    await page.getByLabel('By', { exact: true }).selectOption({ label: 'New unit' })
    await expect(page.getByRole('group', { name: 'Of the old fasteners' })).toContainText('its own 4 hex 7')
  })
  await test.step('what the vehicle can do afterwards, with the range of its reading', async () => {
    await page.getByRole('button', { name: 'Add a function' }).click()
    await page.getByLabel('Function', { exact: true }).fill('Supply of the unit')
    await page.getByLabel('Unit of its reading').fill('V')
    await page.getByLabel('At least').last().fill('11.5')
    await page.getByLabel('At most').last().fill('15')
    await page.getByRole('group', { name: 'Can be tested after' }).getByLabel('Unit in').check()
  })
  await expect(aside(page)).toContainText('Nothing to put right')
  await page.getByRole('button', { name: 'Save the kit' }).click()
  await expect(page.getByText('Saved.')).toBeVisible()
}

/** The test of the kit, read outside its range: it fails, and asks why; it is still to be made. */
async function failItsRange(page: Page): Promise<void> {
  const done = page.getByTestId('done')
  if ((await done.getAttribute('data-asks')) === 'read') await done.click()
  await done.click()
  const reading = page.getByRole('dialog', { name: /^Test:/ })
  await reading.getByLabel(/^Reading/).fill('9')
  await expect(reading.getByRole('alert')).toContainText('9 V is outside 11.5 to 15 V: the test fails.')
  await reading.getByRole('button', { name: 'It fails: find out why' }).click()
  const why = page.getByRole('dialog', { name: 'Why did it fail?' })
  await expect(why).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(why).toBeHidden()
}

test('a kit is written, its box is one short, a sign is not enough, the decision on the way drops a branch, and its account closes', async ({
  page,
}) => {
  test.setTimeout(240_000)
  page.setDefaultTimeout(15_000)
  await shopWithVan(page, 'Kits and Boxes')
  await writeTheKit(page)

  await test.step('signs make it likely: one is 0.90, two 0.988, three are enough to count as told', async () => {
    await page.goto('/vehicles')
    await page.getByLabel('Fleet number or short name').fill('Box 1')
    await page.getByLabel('Model', { exact: true }).selectOption({ label: 'Panel van' })
    await page.getByRole('button', { name: 'Add the vehicle' }).click()
    await page.getByRole('link', { name: 'Plan a job' }).click()
    await page.getByRole('button', { name: /Radio with a module/ }).click()
    const signs = page.locator('[data-signs]')
    await page.getByLabel(/four speakers/).check()
    await expect(signs).toHaveText(/amplified: 0\.90, to be verified once the radio unit is off/)
    await page.getByLabel(/subwoofer/).check()
    await expect(signs).toHaveText(/0\.988, to be verified/)
    await page.getByLabel(/badge/).check()
    await expect(signs).toHaveText(/0\.999, enough to count as told/)
    await page.getByLabel(/badge/).uncheck()
    await page.getByRole('radio', { name: /manual/ }).check()
    await expect(page.locator('[data-decides="audio"]')).toContainText('Or look first')
    await page.getByRole('button', { name: 'Open the job' }).click()
  })

  await test.step('the box: one screw short, where the job would stop, one from the shelf', async () => {
    await page.getByRole('button', { name: 'All as listed' }).click()
    const screws = page.locator('[data-supply]').filter({ hasText: 'New unit, hex 7' })
    await screws.getByRole('button', { name: /^One less/ }).click()
    await expect(page.locator('[data-stop]')).toContainText('the job stops at “Unit in”')
    await expect(page.locator('[data-stop]')).toContainText('may not be used')
    await screws.getByRole('button', { name: '1 from the shelf' }).click()
    await expect(page.locator('[data-stop]')).toHaveCount(0)
  })

  await test.step('the way in, told plain there: nothing of the amplifier is left to do', async () => {
    await beginJob(page)
    for (let key = await nextKey(page); key !== 'work' && !key!.startsWith('work:'); key = await nextKey(page)) {
      if (key === 'decide:audio') await page.getByRole('button', { name: /^plain/ }).click()
      else await tapDone(page)
      await expect(async () => expect(await nextKey(page)).not.toBe(key)).toPass({ timeout: 20_000 })
    }
    await expect(page.getByRole('list', { name: 'Steps of this work' })).not.toContainText('Amplifier lead')
  })

  await test.step('a reading out of its range is a failure; a module read otherwise is kept, and set right', async () => {
    const done = page.getByTestId('done')
    if ((await done.getAttribute('data-asks')) === 'read') await done.click()
    await done.click()
    const dialog = page.getByRole('dialog')
    await dialog.getByLabel(/^Reading/).fill('9')
    await expect(dialog.getByRole('alert')).toContainText('9 V is outside 11.5 to 15 V: it fails.')
    await expect(dialog.getByRole('button', { name: 'Keep it', exact: true })).toBeDisabled()
    await dialog.getByRole('button', { name: 'Keep it as a note' }).click()
    await done.click()
    await answerStep(page, '12.4')
    await done.click()
    await dialog.getByLabel(/^As it stands/).fill('0100')
    await expect(dialog.getByRole('alert')).toContainText('That is not 0110.')
    await dialog.getByRole('button', { name: 'It stands so all the same' }).click()
    await expect(done).toContainText('Plugged, and tried')
  })

  await test.step('to the end: the balance holds the module open until it agrees', async () => {
    let failed = 0
    const keys: string[] = []
    for (let i = 0; i < 80; i++) {
      const key = await nextKey(page)
      if (key === null) break
      keys.push(key)
      if (key.startsWith('test:function') && failed++ === 0) await failItsRange(page)
      await tapDone(page)
      await expect(async () => expect(await nextKey(page)).not.toBe(key)).toPass({ timeout: 20_000 })
    }
    expect(failed).toBe(1)
    // The old unit is neither placed nor screwed down beside the new one.
    expect(keys).toContain('place:surround')
    expect(keys.filter((key) => /^(place|seat):unit$|^fasten:unit-/.test(key))).toEqual([])
    await page
      .getByRole('link', { name: /Balance/ })
      .first()
      .click()
    await page.waitForURL(/balance/)
    const module = page.locator('[data-row^="module:"]')
    await expect(module).toContainText('It should be 0110.')
    await module.getByRole('button', { name: 'It is 0110' }).click()
    await expect(module).toHaveCount(0)
    await expect(page.locator('[data-row^="supply:"], [data-row^="plug:"]')).toHaveCount(0)
    await expect(page.getByText('4 of 4 fitted')).toBeVisible()
    // Four screws of the old unit are in the hand: they go somewhere.
    await page.locator('[data-row="holder:unit-hex7"]').getByRole('button', { name: /stock/ }).click()
    await expect(page.locator('[data-row^="holder:"], [data-row^="part:"]')).toHaveCount(0)
    await saved(page)
  })

  await test.step('the list of what brings it into service: its module as it was read, the test still to be made', async () => {
    await page.goto(page.url().replace('/balance', '/commissioning'))
    await expect(page.locator('[data-commissioned="true"]')).toContainText(['Switches'])
    await expect(page.locator('[data-commissioned="true"]').first()).toContainText('0110, no photo')
  })
})
