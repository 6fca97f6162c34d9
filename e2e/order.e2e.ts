import { expect, test, type Page } from '@playwright/test'
import { panelVan } from '../src/demo/panelVan'
import { trapsNeed } from '../src/core/procedure/need'
import { lookAround, setUpShop, someOwner } from './steps'

async function importVan(page: Page, document: object): Promise<void> {
  await page.goto('/procedures')
  await page.getByLabel('A procedure file (.json)').setInputFiles({
    name: 'van.procedure.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(document)),
  })
  await page.waitForURL(/procedures\/[0-9a-f-]{36}/)
}

test('the order as a drawing and as a list: layers, the reason on every link, how many strips agree, by goal and build', async ({
  page,
}) => {
  await lookAround(page, 'a lead')
  await page.goto('/procedures')
  await page.getByRole('link', { name: 'Panel van', exact: true }).click()
  await page.getByRole('tab', { name: 'Order' }).click()
  const drawing = page.getByTestId('order-graph')
  await expect(drawing.getByText('Centre surround')).toBeVisible()
  await expect(drawing.getByText('covers its 2 T20')).toBeVisible()
  await expect(drawing.getByText('3 of 3 strips').first()).toBeVisible()
  await expect(drawing.locator('.react-flow__edge-path')).toHaveCount(3)
  await expect(drawing.getByText('A-pillar trim')).toHaveCount(0)

  await test.step('everything that comes off; a pick in the drawing is the picked part', async () => {
    await page.getByLabel(/^For/).selectOption('')
    // Too large to be read in its pane, so that it opens as the list; the drawing is there for whoever wants it.
    await expect(page.getByTestId('order-list')).toContainText('A-pillar trim')
    await page.getByRole('button', { name: 'drawing', exact: true }).click()
    await expect(drawing.getByText('A-pillar trim')).toBeVisible()
    await drawing.getByText('Grab handle', { exact: true }).click()
    await expect(
      page.getByRole('complementary', { name: 'The picked part' }).getByRole('heading', { name: 'Grab handle' }),
    ).toBeVisible()
  })
  await test.step('the list says the same, and is reached by keys', async () => {
    await page.getByLabel(/^For/).selectOption({ label: 'Radio cavity' })
    await page.getByRole('button', { name: 'list', exact: true }).press('Enter')
    const list = page.getByTestId('order-list')
    await expect(list.getByRole('heading')).toHaveText(['Outermost: nothing comes before these', 'Layer 2', 'Layer 3'])
    await expect(list).toContainText('after Climate panel: covers its 2 T20 (agreed by 3 of 3 strips)')
    await list.getByRole('button', { name: 'Radio unit' }).press('Enter')
    await expect(
      page.getByRole('complementary', { name: 'The picked part' }).getByRole('heading', { name: 'Radio unit' }),
    ).toBeVisible()
  })
  await test.step('an order the strips agree on is kept as observed, called a habit, and both are taken back', async () => {
    await page.getByLabel(/^For/).selectOption('')
    const learnt = page.getByRole('region', { name: 'Order learnt from strips' })
    const row = (standing: string) =>
      learnt.locator(`[data-standing="${standing}"]`).filter({ hasText: 'Grab handle before Door seal' })
    await row('new').getByRole('button', { name: 'Keep as observed' }).click()
    await row('observed').getByRole('button', { name: 'It is a habit' }).click()
    await expect(row('habit')).toContainText('seen on')
    for (const left of ['observed', 'new']) {
      await page.getByRole('button', { name: 'Undo', exact: true }).click()
      await expect(row(left)).toBeVisible()
    }
  })
})

test('the check is live: a certain problem is mended by one tap, and undone by one', async ({ page }) => {
  const van = panelVan()
  await setUpShop(page, someOwner('Check and Mend'))
  await importVan(page, { ...van, needs: [...van.needs, trapsNeed('extra', 'liner', 'cover', 'free')] })
  const problem = page.locator('[data-problem="may not rest"]')
  await expect(problem).toContainText('it may not rest there')
  await problem.getByRole('button', { name: 'Ask for off' }).click()
  await expect(problem).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(problem).toHaveCount(1)
  await page.getByRole('tab', { name: 'Order' }).click()
  await expect(page.getByText('No job on this model has taken anything off yet.')).toBeVisible()
})
