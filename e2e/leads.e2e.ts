import { expect, test, type Locator, type Page } from '@playwright/test'
import { deliveryVanRecord } from '../src/core/plan/leads/deliveryVanRecord.testing'
import { answerBeside, newStrip } from './stripSteps'
import { beginJob, followJob, nextKey, saved, setUpShop, someOwner, tapDone } from './steps'

/** The delivery van of the worked example, published. */
async function shopWithDeliveryVan(page: Page): Promise<void> {
  await setUpShop(page, someOwner('Long Leads'))
  await page.goto('/procedures')
  await page.getByLabel('A procedure file (.json)').setInputFiles({
    name: 'delivery-van.procedure.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(deliveryVanRecord())),
  })
  await page.waitForURL(/procedures\/[0-9a-f-]{36}/)
  await page.getByRole('button', { name: 'Publish' }).click()
  await expect(page.getByText('revision 1,')).toBeVisible()
}

type Typed = { name: string; carries: string; thick: string; supplied?: string; ends: [string, string] }
const LEADS: (Typed & { faces?: [string, string] })[] = [
  { name: 'Antenna lead', carries: 'antenna', thick: '3', supplied: '5000', ends: ['antenna', 'device'] },
  {
    name: 'Camera lead',
    carries: 'signal',
    thick: '5',
    supplied: '8000',
    ends: ['camera', 'device'],
    faces: ['24', '8'],
  },
  { name: 'Supply lead', carries: 'supply', thick: '7', ends: ['supply', 'socket'] },
]

/** A kit of three leads and one piece of work, typed into the editor. */
async function writeTheKit(page: Page): Promise<void> {
  await page.goto('/shop/kits/new')
  await page.getByLabel('Name', { exact: true }).fill('Recorder and camera')
  for (const lead of LEADS) {
    await page.getByRole('button', { name: 'Add a lead' }).click()
    await page.getByLabel('Lead', { exact: true }).last().fill(lead.name)
    await page.getByLabel('It carries').last().selectOption(lead.carries)
    await page.getByLabel('Thick (mm)').last().fill(lead.thick)
    if (lead.supplied) await page.getByLabel('Supplied (mm)').last().fill(lead.supplied)
    await page.getByLabel('One end to').last().selectOption(lead.ends[0])
    await page.getByLabel('Other end to').last().selectOption(lead.ends[1])
    if (lead.faces) {
      const [wide, high] = [page.getByLabel('Plug wide (mm)'), page.getByLabel('Plug high (mm)')]
      for (const [i, face] of lead.faces.entries()) {
        await wide.nth((await wide.count()) - 2 + i).fill(face)
        await high.nth((await high.count()) - 2 + i).fill(face)
      }
    }
  }
  await page.getByLabel('Its current (A)').last().fill('25')
  await page.getByRole('button', { name: 'Add work' }).click()
  await page.getByLabel('What is done').fill('Mount it')
  await page.getByRole('button', { name: 'Delivery van' }).click()
  await page.getByText('nothing: it is reached from outside').click()
  await page.getByRole('group', { name: 'Open for it' }).getByLabel('Radio cavity').check()
  await expect(page.getByText('Antenna lead from any antenna to any device')).toBeVisible()
  await page.getByRole('button', { name: 'Save the kit' }).click()
  await expect(page.getByText('Saved.')).toBeVisible()
}

async function planFor(page: Page, label: string): Promise<Locator> {
  await page.goto('/vehicles')
  await page.getByLabel('Fleet number or short name').fill(label)
  await page.getByLabel('Model', { exact: true }).selectOption({ label: 'Delivery van' })
  await page.getByRole('button', { name: 'Add the vehicle' }).click()
  await page.getByRole('link', { name: 'Plan a job' }).click()
  await page.getByRole('button', { name: /Recorder and camera/ }).click()
  return page.getByRole('region', { name: 'Leads' })
}

const lead = (leads: Locator, name: string) => leads.locator('[data-lead]').filter({ hasText: name })

test('three leads are laid together, round what is barred, each leg is ticked, and a forgotten seal keeps the job open', async ({
  page,
}) => {
  test.setTimeout(240_000)
  page.setDefaultTimeout(20_000)
  await shopWithDeliveryVan(page)
  await writeTheKit(page)
  const leads = await planFor(page, 'Long 1')

  await test.step('the antenna lead is tucked on the passenger side, because the glovebox is open for the others', async () => {
    await expect(leads).toContainText('3 leads')
    await expect(leads).toContainText('Proven: no other layout opens and lays them in less.')
    const antenna = lead(leads, 'Antenna lead').getByRole('img', { name: /then/ })
    await expect(antenna).toHaveAttribute('aria-label', /w6, then w4, then w2$/)
    await expect(lead(leads, 'Antenna lead')).toContainText('2.82 m')
    await expect(lead(leads, 'Supply lead')).toContainText('cut 3 m')
    await expect(lead(leads, 'Camera lead')).toContainText('Coil: bumper')
  })

  await test.step('why this way: what others cost, and what bars them', async () => {
    const antenna = lead(leads, 'Antenna lead')
    await antenna.getByRole('button', { name: 'Why this way?' }).click()
    await expect(antenna.locator('[data-way="w6"]')).toContainText('without it 22 s more: w5, then w3, then w1')
    await expect(antenna.locator('[data-way="w12"]')).toContainText('it goes outside by battery')
    await expect(antenna.locator('[data-way="w5"]')).toContainText('22 s more')
  })

  await test.step('not there: the antenna lead goes by the driver side, and back again', async () => {
    const antenna = lead(leads, 'Antenna lead')
    await antenna.locator('[data-way="w6"]').getByRole('button', { name: 'not there' }).click()
    await expect(antenna.getByRole('img', { name: /w5, then w3, then w1$/ })).toBeVisible()
    await antenna.getByRole('button', { name: /^Go every way again/ }).click()
    await expect(antenna.getByRole('img', { name: /w6, then w4, then w2$/ })).toBeVisible()
  })

  await test.step('the job: legs one by one; the seal of the bulkhead is left, and the balance names it', async () => {
    await page.getByRole('button', { name: 'Open the job' }).click()
    await beginJob(page)
    const sign = page.locator('[data-next]')
    const forgotten = (key: string) => key.startsWith('work:seal.w12')
    while (!(await sign.innerText()).includes('To passenger pillar foot, w6')) {
      const key = await nextKey(page)
      if (forgotten(key!)) await page.getByRole('button', { name: 'Leave for later' }).click()
      else await tapDone(page)
      await expect(async () => expect(await nextKey(page)).not.toBe(key)).toPass({ timeout: 20_000 })
    }
    await expect(page.getByText('tape at 1.55 m sits there').first()).toBeVisible()
    await expect(page.getByTestId('done')).toContainText('Laid as written')
    const keys = await followJob(page, forgotten)
    expect(keys.some((key) => key.startsWith('work:fuse'))).toBe(true)
    await page
      .getByRole('link', { name: /Balance/ })
      .first()
      .click()
    await page.waitForURL(/balance/)
    const row = page.locator('[data-row^="lead:seal.w12"]')
    await expect(row).toContainText('Seal: w12 is not done')
    await row.getByRole('button', { name: 'Sealed, and looked at' }).click()
    await expect(row).toHaveCount(0)
    await saved(page)
  })
})

test('what a way goes by changes the layout; a lead too short is said with what it lacks', async ({ page }) => {
  test.setTimeout(120_000)
  page.setDefaultTimeout(20_000)
  await shopWithDeliveryVan(page)
  await writeTheKit(page)
  await test.step('an airbag’s path is seen across the passenger pillar: nobody lays a lead there any more', async () => {
    await page.goto('/procedures')
    await page.getByRole('link', { name: 'Delivery van', exact: true }).click()
    await page.getByRole('tab', { name: /^Ways/ }).click()
    await page.getByRole('button', { name: 'w6', exact: true }).last().click()
    const form = page.getByRole('dialog')
    await form.getByRole('button', { name: 'Add something it goes by' }).click()
    await form.getByLabel('What', { exact: true }).selectOption('airbag path')
    await form.getByLabel('It', { exact: true }).selectOption('crosses')
    await form.getByRole('button', { name: 'Save' }).click()
    await expect(form).toBeHidden()
    await page.getByRole('button', { name: 'Publish' }).click()
    await expect(page.getByText('revision 2,')).toBeVisible()
    const leads = await planFor(page, 'Long 2')
    const antenna = lead(leads, 'Antenna lead')
    await expect(antenna.getByRole('img', { name: /w5, then w3, then w1$/ })).toBeVisible()
    await antenna.getByRole('button', { name: 'Why this way?' }).click()
    await expect(antenna.locator('[data-way="w6"]')).toContainText('No lead across an airbag')
  })
  await test.step('an antenna lead of 2.5 m is too short by either side', async () => {
    await page.goto('/shop/kits')
    await page.getByRole('link', { name: /Recorder and camera/ }).click()
    await page.getByLabel('Supplied (mm)').first().fill('2500')
    await page.getByRole('button', { name: 'Save the kit' }).click()
    await expect(page.getByText('Saved.')).toBeVisible()
    await planFor(page, 'Long 3')
    const refused = page.getByRole('alert').filter({ hasText: 'There is no way for the leads.' })
    await expect(refused).toContainText('Antenna lead is 108 mm too short for the shortest way it may take.')
    await expect(refused).toContainText('Take a longer one')
  })
})

test('three ways are recorded in a strip by a few taps, airbags asked each time', async ({ page }) => {
  test.setTimeout(120_000)
  page.setDefaultTimeout(15_000)
  await setUpShop(page, someOwner('Ways Caught'))
  await newStrip(page, 'Sweeper 2')
  for (const words of ['knee panel: 2 hex 10, pull toward you', 'knee panel off']) {
    await page.getByLabel('Say it in a line').fill(words)
    await page.getByLabel('Say it in a line').press('Enter')
    await expect(page.getByLabel('Say it in a line')).toHaveValue('')
    await answerBeside(page)
  }
  const way = async (from: string, to: string, length: string, hazards: [string, string][], known = false) => {
    await page.getByRole('group', { name: 'Catch' }).getByRole('button', { name: 'Way' }).click()
    const sheet = page.getByRole('dialog', { name: 'A way for a lead' })
    for (const point of [from, to]) {
      const offered = sheet.getByRole('button', { name: point, exact: true })
      if (await offered.isVisible()) await offered.click()
      else {
        await sheet.getByLabel('Another point').fill(point)
        await sheet.getByRole('button', { name: 'Take' }).first().click()
      }
    }
    if (known) await sheet.getByLabel('It is measured, along the bed of the lead').check()
    await sheet.getByRole('button', { name: length, exact: true }).click()
    await sheet.getByRole('button', { name: 'Laid in' }).click()
    await expect(sheet.getByRole('heading', { name: /Airbags first/ })).toBeVisible()
    for (const [hazard, how] of hazards) {
      await sheet.getByRole('button', { name: hazard, exact: true }).click()
      await sheet.getByRole('button', { name: how, exact: true }).click()
    }
    await sheet.getByRole('button', { name: /^Looked all along/ }).click()
    await sheet.getByRole('button', { name: /^(That is it|Nothing)/ }).click()
    await expect(sheet).toBeHidden()
  }
  await way('behind the radio', 'behind the knee panel', '60 cm', [['steering column', 'Beside, 60 mm']], true)
  await way('behind the knee panel', 'pillar foot', '40 cm', [])
  // The third one in a line: what it leaves out is asked, airbags always.
  await page.getByRole('group', { name: 'Catch' }).getByRole('button', { name: 'Way' }).click()
  const sheet = page.getByRole('dialog', { name: 'A way for a lead' })
  await sheet.getByLabel('The way in a line').fill('pillar foot to pillar head, 80 cm, tucked, up the pillar')
  await sheet.getByLabel('The way in a line').press('Enter')
  await sheet.getByRole('button', { name: 'airbag path', exact: true }).click()
  await sheet.getByRole('button', { name: 'Across it', exact: true }).click()
  await sheet.getByRole('button', { name: /^Looked all along/ }).click()
  await sheet.getByRole('button', { name: /^(That is it|Nothing)/ }).click()
  await expect(sheet).toBeHidden()
  await saved(page)
  // Back at the desk they stand in the model's own record.
  await page.goto('/procedures')
  await page.getByRole('link', { name: /Sweeper 2/ }).click()
  await page.getByRole('tab', { name: /^Ways/ }).click()
  await expect(page.getByRole('row').filter({ hasText: 'up the pillar' })).toContainText('across an airbag path')
  await expect(page.getByRole('row').filter({ hasText: 'behind the radio to behind the knee panel' })).toContainText(
    '600 mm',
  )
})
