import { expect, test, type Page } from '@playwright/test'
import { beginJob, actAs, lookAround, nextKey, saved, shopWithVan, tapDone } from './steps'

async function planFor(page: Page, label: string): Promise<void> {
  await page.goto('/vehicles')
  await page.getByLabel('Fleet number or short name').fill(label)
  await page.getByLabel('Model', { exact: true }).selectOption({ label: 'Panel van' })
  await page.getByRole('button', { name: 'Add the vehicle' }).click()
  await page.waitForURL(/vehicles\/[0-9a-f-]{36}/)
  await page.getByRole('link', { name: 'Plan a job' }).click()
  await page.waitForURL('**/plan?vehicle=*')
}

test('house values, a station and a kit of the shop change what is planned, and a kit’s work is done at the bottom of the U', async ({
  page,
}) => {
  test.setTimeout(180_000)
  await shopWithVan(page, 'Kits and Values')

  await test.step('a wrong value is told and nothing typed is lost; a right one is kept', async () => {
    await page.goto('/shop/values')
    await page.getByLabel('A clip, out or in (s)').fill('many')
    await page.getByLabel('Any other act (s)').fill('6,5')
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('Give a number of seconds.')).toBeVisible()
    await expect(page.getByLabel('Any other act (s)')).toHaveValue('6,5')
    await page.getByLabel('A clip, out or in (s)').fill('4')
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('Saved.')).toBeVisible()
    await page.reload()
    await expect(page.getByLabel('A clip, out or in (s)')).toHaveValue('4')
    await expect(page.getByLabel('Any other act (s)')).toHaveValue('6.5')
  })

  await test.step('a station of its own, and a move that takes longer', async () => {
    await page.goto('/shop/stations')
    await page.getByRole('button', { name: 'Add a station' }).click()
    await page.getByLabel('Name', { exact: true }).fill('two-post lift')
    await page.getByLabel('bench to two-post lift, seconds').fill('45')
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('Saved.')).toBeVisible()
    await page.reload()
    await expect(page.getByLabel('bench to two-post lift, seconds')).toHaveValue('45')
  })

  await test.step('a kit with work, a function and its fit on the van', async () => {
    await page.goto('/shop/kits/new')
    await page.getByLabel('Name', { exact: true }).fill('Fit a dash recorder')
    await page.getByLabel('Type what is in it, a line each').fill('2 x recorder lead')
    await page.getByRole('button', { name: 'Add these' }).click()
    await page.getByLabel('Number', { exact: true }).fill('RL-1')
    await page.getByRole('button', { name: 'Add work' }).click()
    await page.getByLabel('What is done').fill('Mount the recorder')
    await page.getByRole('button', { name: 'Add a function' }).click()
    await page.getByLabel('Function', { exact: true }).fill('Dash recorder')
    await page.getByRole('group', { name: 'Can be tested after' }).getByLabel('Mount the recorder').check()
    await page.getByRole('button', { name: 'Panel van' }).click()
    await page.getByText('nothing: it is reached from outside').click()
    await page.getByRole('group', { name: 'Open for it' }).getByLabel('Radio cavity').check()
    await page.getByRole('button', { name: 'Save the kit' }).click()
    await expect(page.getByText('Saved.')).toBeVisible()
  })

  await test.step('the shelf: what the kit uses is listed and counted; half a lead is refused, and nothing is lost', async () => {
    await page.goto('/shop/stock')
    await page.getByRole('button', { name: 'List recorder lead' }).click()
    const there = page.getByLabel('There: recorder lead')
    await there.fill('1.5')
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.locator('[data-stock="RL-1"]').getByRole('alert')).toHaveText('A count is a whole number.')
    await expect(there).toHaveValue('1.5')
    await there.fill('3')
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('Saved.')).toBeVisible()
  })

  await test.step('it is planned, with its work and its test before trim hides it', async () => {
    await planFor(page, 'Kit 1')
    await page.getByRole('button', { name: /Fit a dash recorder/ }).click()
    await page.getByRole('radio', { name: /manual/ }).check()
    await expect(page.getByText('work: Mount the recorder')).toBeVisible()
    await expect(page.getByText(/test: .*Dash recorder/)).toBeVisible()
    await page.getByRole('button', { name: 'Open the job' }).click()
    // The box is empty: both leads lie on the shelf, so nothing is short.
    const lead = page.locator('[data-supply]').filter({ hasText: 'recorder lead' })
    await lead.getByRole('button', { name: /^One less/ }).click()
    await lead.getByRole('button', { name: /^One less/ }).click()
    await expect(lead).toContainText('2 of 2 from the shelf: 3 on the shelf')
    await expect(page.locator('[data-stop]')).toHaveCount(0)
    await lead.getByRole('button', { name: '2 taken from the shelf' }).click()
    await expect(lead).toContainText('1 on the shelf')
    await beginJob(page)
    const keys: string[] = []
    for (let key = await nextKey(page); key !== null && !key.startsWith('seat:surround'); key = await nextKey(page)) {
      keys.push(key)
      await tapDone(page)
      await expect(async () => expect(await nextKey(page)).not.toBe(key)).toPass({ timeout: 20_000 })
    }
    const work = keys.findIndex((key) => key.startsWith('work:'))
    const tested = keys.findIndex((key) => key.startsWith('test:function'))
    expect(work).toBeGreaterThan(keys.findIndex((key) => key === 'open:main' || key === 'lift:unit'))
    expect(tested).toBeGreaterThan(work)
    await saved(page)
    await page.goto('/shop/stock')
    await expect(page.getByLabel('There: recorder lead')).toHaveValue('1')
  })
})

test('rules: a built-in one can be raised and not lowered, an own one is shown as a sentence before it is kept', async ({
  page,
}) => {
  test.setTimeout(180_000)
  await shopWithVan(page, 'Rules of ours')
  await page.goto('/shop/rules')
  const lever = page.locator('[data-rule="lever-out"]')
  await expect(lever.getByRole('option')).toHaveText(['raised to DANGER', 'raised to WARNING', 'CAUTION (built in)'])
  await expect(page.locator('[data-rule="srs-firing-power"]').getByRole('option')).toHaveCount(1)
  await lever.getByRole('combobox').selectOption('WARNING')
  await expect(page.getByText('Saved.')).toBeVisible()

  await page.getByRole('button', { name: 'Add a rule' }).click()
  const form = page.getByRole('dialog')
  await form.getByLabel('What it says').fill('Nothing is lifted away with the parking brake off.')
  await form.getByLabel('It', { exact: true }).selectOption({ label: 'refuses the act' })
  await form.getByLabel('moving a part').uncheck()
  await form.getByLabel('lifting away').check()
  await form.getByLabel('While this setting').selectOption('parking brake')
  await form.getByRole('button', { name: 'Save the rule' }).click()
  await expect(form.getByRole('alert')).not.toBeEmpty()
  await form.getByLabel('is at none of these values').fill('on')
  await expect(form.getByText('Refuses lifting away while the parking brake is not on.')).toBeVisible()
  await form.getByRole('button', { name: 'Save the rule' }).click()
  await expect(form).toBeHidden()
  await page.reload()
  await expect(lever.getByRole('combobox')).toHaveValue('WARNING')
  await expect(page.getByText('Nothing is lifted away with the parking brake off.')).toBeVisible()
})

test('an installer sees the shop’s rules and kits and changes none of them', async ({ page }) => {
  await lookAround(page, 'an installer')
  await page.goto('/shop/rules')
  await expect(page.getByRole('button', { name: 'Add a rule' })).toBeDisabled()
  await page.goto('/shop/kits')
  await expect(page.getByText('A lead adds kits.')).toBeVisible()
  await page.goto('/shop/values')
  await expect(page.getByRole('button', { name: 'Save' })).toBeDisabled()
})

test('the power gate: battery off only after its preparations, then the smallest set to put back, in order', async ({
  page,
}) => {
  test.setTimeout(180_000)
  await shopWithVan(page, 'Gate')
  await planFor(page, 'Gate 1')
  await page.getByLabel('Radio cavity').check()
  await page.getByRole('radio', { name: /automatic/ }).check()
  await page.getByText('battery off first').click()
  await page.getByRole('button', { name: 'Open the job' }).click()
  await beginJob(page)

  await expect(page.locator('[data-refusal="battery-preparations"]')).toBeVisible()
  await expect(page.getByTestId('done')).toBeDisabled()
  for (const words of [
    'security codes known',
    'media ejected',
    'windows and seats where they are wanted',
    'keys outside',
    'electric latches open',
  ])
    await page.getByLabel(words).check()
  await page.getByRole('button', { name: 'All seen to' }).click()
  await expect(page.locator('[data-refusal]')).toHaveCount(0)

  for (let key = await nextKey(page); key !== 'undo:unit-hex7'; key = await nextKey(page)) {
    await tapDone(page)
    await expect(async () => expect(await nextKey(page)).not.toBe(key)).toPass({ timeout: 20_000 })
  }
  await expect(page.locator('[data-lamp="ignition"]')).toHaveAttribute('data-allowed', 'false')
  await page.keyboard.press('p')
  const gate = page.getByRole('dialog', { name: 'May it be switched on?' })
  await expect(gate.getByText('Ignition stays off')).toBeVisible()
  const rows = gate.getByRole('listitem').filter({ has: page.getByRole('button') })
  await expect(rows).toHaveCount(2)
  await expect(rows.nth(0)).toContainText(
    'Bring the centre surround near its place, held or on a cloth, and plug airbag lamp',
  )
  await expect(rows.nth(1)).toContainText('Battery on')
  await rows.nth(0).getByRole('button', { name: 'It is plugged' }).click()
  await expect(rows).toHaveCount(1)
  await rows.getByRole('button', { name: 'It is on' }).click()
  await expect(gate.getByText('Ignition may come on')).toBeVisible()

  await gate.getByRole('tab', { name: 'Use it unfinished?' }).click()
  await expect(gate.getByText('Not as it stands')).toBeVisible()
  await expect(gate.getByText('Climate panel is loose.')).toBeVisible()
  await expect(gate.getByText(/Plug hazard/i)).toBeVisible()
  await expect(gate.getByText(/missing: Rubber liner/)).toBeVisible()
  await page.keyboard.press('Escape')
  await saved(page)
})

test('who is not authorised for airbag circuits is told so by the owner’s list', async ({ page }) => {
  await lookAround(page, 'a lead')
  await page.goto('/crew')
  await expect(page.getByLabel('Ines is trained and authorised for airbag circuits')).not.toBeChecked()
  await expect(page.getByLabel('Pavel is trained and authorised for airbag circuits')).toBeChecked()
  await expect(page.getByLabel('Ines is trained and authorised for airbag circuits')).toBeDisabled()
  await actAs(page, 'Sunniva', '6666')
  await expect(page.getByLabel('Ines is trained and authorised for airbag circuits')).toBeEnabled()
})
