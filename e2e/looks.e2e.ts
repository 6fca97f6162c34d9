import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { lookAround } from './steps'

/** Every view, with one address of the demo where it needs one. */
async function views(page: Page): Promise<string[]> {
  const first = async (path: string, selector: string) => {
    await page.goto(path)
    return (await page.locator(selector).first().getAttribute('href'))!
  }
  const procedure = await first('/procedures', 'a[href^="/procedures/"]')
  const vehicle = await first('/vehicles', 'a[href^="/vehicles/"]')
  const strip = await first('/today', 'main h2 a[href$="/record"]')
  const job = await first('/today', 'main h2 a[href^="/jobs/"]:not([href$="/record"])')
  const planned = await first('/today', 'section[aria-label^="Moto 7"] h2 a')
  return [
    '/today',
    '/procedures',
    procedure,
    '/plan',
    `/plan?vehicle=${vehicle.split('/')[2]}`,
    '/vehicles',
    vehicle,
    '/crew',
    '/shop/rules',
    '/shop/values',
    '/shop/kits',
    '/shop/kits/new',
    '/shop/tools',
    '/shop/stations',
    '/shop/devices',
    '/trust',
    '/marks',
    '/strips/new',
    strip,
    job,
    `${job}/balance`,
    `${job}/handover`,
    `${job}/labels`,
    `${job}/tag`,
    `${job}/leads`,
    '/figures',
    planned,
  ]
}

/** What axe calls serious on the page as it stands. `rules`: only these. */
async function seriousOn(page: Page, rules: string[] = []): Promise<string[]> {
  // No page has frames: axe need not open another page to put results of frames together.
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] })
  if (rules.length > 0) axe.withRules(rules)
  const { violations } = await axe.analyze()
  return violations
    .filter((violation) => violation.impact === 'serious' || violation.impact === 'critical')
    .map(
      (violation) =>
        `${violation.id}: ${violation.nodes
          .map((node) => node.target.join(' '))
          .slice(0, 3)
          .join(' | ')}`,
    )
}

// Each view is opened once and looked at in every way: by axe, in the colours of the other theme, and at 200 % zoom.
// Two halves of the views, so that both workers have one.
for (const half of [0, 1])
  test(`every view: axe finds nothing serious in either theme, and 200 % zoom pushes nothing off the side (half ${half + 1})`, async ({
    page,
  }) => {
    test.setTimeout(300_000)
    const look = async (path: string) => {
      await page.setViewportSize({ width: 1280, height: 800 })
      await page.goto(path)
      // Live pages never fall silent: what is looked at stands once the page has drawn itself.
      await page.locator('main').first().waitFor()
      await page.waitForTimeout(150)
      expect([path, await seriousOn(page)]).toEqual([path, []])
      // A theme is one attribute of the page's outermost element, and changes colours alone.
      const theme = await page.evaluate(() => {
        const page = document.querySelector<HTMLElement>('[data-theme]')!
        page.dataset.theme = page.dataset.theme === 'bay' ? 'desk' : 'bay'
        return page.dataset.theme
      })
      expect([path, theme, await seriousOn(page, ['color-contrast'])]).toEqual([path, theme, []])
      await page.setViewportSize({ width: 640, height: 400 })
      const wide = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      )
      expect([path, wide <= 1]).toEqual([path, true])
    }
    if (half === 0) await look('/welcome')
    await lookAround(page, 'a lead')
    for (const path of (await views(page)).filter((_, i) => i % 2 === half)) await look(path)
  })

test.describe('on a tablet of the bay, by touch', () => {
  test.use({ viewport: { width: 1024, height: 768 }, hasTouch: true })
  test('the next tap and the undo are large enough and in sight', async ({ page }) => {
    await lookAround(page, 'an installer')
    await page.getByRole('link', { name: 'Van 27', exact: true }).tap()
    await page.waitForURL('**/jobs/*')
    const done = page.getByTestId('done')
    if ((await done.innerText()).startsWith('I have read it')) await done.tap()
    await expect(done).toContainText('Done as written')
    for (const button of await page.locator('main button:visible').all()) {
      const box = (await button.boundingBox())!
      expect([await button.innerText(), box.height >= 50]).toEqual([await button.innerText(), true])
    }
    const box = (await done.boundingBox())!
    expect(box.height).toBeGreaterThanOrEqual(84)
    expect(box.y + box.height).toBeLessThanOrEqual(768)
    const key = await page.locator('[data-next]').getAttribute('data-next')
    await done.tap()
    await expect(page.getByRole('button', { name: /^Undo/ })).toBeVisible()
    await page.getByRole('button', { name: /^Undo/ }).tap()
    await expect(page.locator('[data-next]')).toHaveAttribute('data-next', key!)
  })
})
