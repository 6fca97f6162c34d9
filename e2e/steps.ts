import { panelVan } from '../src/demo/panelVan'
import { expect, type Browser, type Locator, type Page } from '@playwright/test'

/** What a person does, in few words: used by every browser test. */
export async function lookAround(page: Page, role: 'an installer' | 'a lead'): Promise<void> {
  await page.goto('/welcome')
  await page.getByRole('button', { name: `Look around as ${role}` }).click()
  await page.waitForURL('**/today')
}

export type Owner = { shop: string; name: string; username: string; password: string; pin: string }

export function someOwner(shop: string): Owner {
  return {
    shop,
    name: 'Ada',
    username: `ada_${Math.random().toString(36).slice(2, 10)}`,
    password: 'a long enough password',
    pin: '2468',
  }
}

export async function setUpShop(page: Page, owner: Owner): Promise<void> {
  await page.goto('/welcome')
  await page.getByRole('tab', { name: 'Set up my shop' }).click()
  await page.getByLabel('Name of the shop').fill(owner.shop)
  await page.getByLabel('Your name, as the crew says it').fill(owner.name)
  await page.getByLabel('User name').fill(owner.username)
  await page.getByLabel('Password').fill(owner.password)
  await page.getByLabel('PIN').fill(owner.pin)
  await page.getByRole('button', { name: 'Set up my shop' }).click()
  await page.waitForURL('**/today')
}

/** A shop of its own with the van's record, so that nothing of the demo is changed. */
export async function shopWithVan(page: Page, name: string): Promise<void> {
  await setUpShop(page, someOwner(name))
  await page.goto('/procedures')
  await page.getByLabel('A procedure file (.json)').setInputFiles({
    name: 'van.procedure.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(panelVan())),
  })
  await page.waitForURL(/procedures\/[0-9a-f-]{36}/)
  await page.getByRole('button', { name: 'Publish' }).click()
  await expect(page.getByText('revision 1,')).toBeVisible()
}

export async function signIn(page: Page, username: string, password: string): Promise<void> {
  await page.goto('/welcome')
  await page.getByRole('tab', { name: 'Sign in' }).click()
  await page.getByLabel('User name').fill(username)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.waitForURL('**/today')
}

export async function actAs(page: Page, name: string, pin: string): Promise<void> {
  await page
    .locator('header')
    .getByRole('button', { name: /, (installer|lead|owner)$/ })
    .click()
  const dialog = page.getByRole('dialog', { name: 'Who acts now?' })
  await dialog.getByRole('button', { name }).click()
  await dialog.getByLabel(`PIN of ${name}`).fill(pin)
  await dialog.getByRole('button', { name: `${name} acts` }).click()
  await expect(dialog).toBeHidden()
  await expect(page.locator('header').getByRole('button', { name: new RegExp(`^${name}, `) })).toBeVisible()
}

export async function newContextPage(browser: Browser): Promise<Page> {
  return (await browser.newContext({ reducedMotion: 'reduce' })).newPage()
}

/** The form of a fact: opened from the table of its kind, filled by labels, saved, closed. */
export async function addFact(
  page: Page,
  tab: RegExp,
  add: string,
  fill: (form: Locator) => Promise<void>,
): Promise<void> {
  await page.getByRole('tab', { name: tab }).click()
  await page.getByRole('button', { name: `Add a ${add}`, exact: true }).click()
  const form = page.getByRole('dialog')
  await fill(form)
  await form.getByRole('button', { name: `Add the ${add}` }).click()
  await expect(form).toBeHidden()
}

export async function addPart(
  page: Page,
  name: string,
  more: { fixing?: string; rests?: string; station?: string; motion?: string } = {},
): Promise<void> {
  await addFact(page, /^Parts/, 'part', async (form) => {
    await form.getByLabel('Name', { exact: true }).fill(name)
    await form.getByLabel('Worked on from').selectOption(more.station ?? 'centre')
    if (more.fixing) await form.getByLabel('Held by').selectOption(more.fixing)
    await form.getByRole('button', { name: 'Add a motion' }).click()
    if (more.motion) await form.getByLabel('Move', { exact: true }).selectOption(more.motion)
    if (more.rests) {
      await form.getByRole('button', { name: 'It may rest' }).click()
      await form.getByLabel('How', { exact: true }).selectOption(more.rests)
    }
  })
}

export async function addHolder(
  page: Page,
  part: string,
  kind: string,
  count: number,
  more: { drive?: [string, string]; thread?: [number, number]; hiddenBy?: string; level?: 'free' | 'off' } = {},
): Promise<void> {
  await addFact(page, /^Fasteners/, 'fastener group', async (form) => {
    const holds = form.getByRole('group', { name: 'Holds' })
    for (const box of await holds.getByRole('checkbox').all()) if (await box.isChecked()) await box.uncheck()
    await holds.getByLabel(part, { exact: true }).check()
    await form.getByLabel('Kind').selectOption(kind)
    await form.getByLabel('Count', { exact: true }).fill(String(count))
    if (more.drive) {
      await form.getByRole('button', { name: 'Add a drive' }).click()
      await form.getByLabel('Drive', { exact: true }).selectOption(more.drive[0])
      await form.getByLabel('Size', { exact: true }).fill(more.drive[1])
    }
    if (more.thread) {
      await form.getByLabel('Thread known').check()
      await form.getByLabel('M (mm)', { exact: true }).fill(String(more.thread[0]))
      await form.getByLabel('Length (mm)').fill(String(more.thread[1]))
    }
    if (more.hiddenBy) {
      await form.getByLabel('Hidden behind').selectOption(more.hiddenBy)
      await form.getByLabel('Seen once that is').selectOption(more.level ?? 'off')
    }
  })
}

export async function addPlug(
  page: Page,
  name: string,
  part: string,
  circuit: string,
  latch: string,
  side: string,
  test: string,
): Promise<void> {
  await addFact(page, /^Plugs/, 'plug or hose', async (form) => {
    await form.getByLabel('Name', { exact: true }).fill(name)
    await form.getByLabel('Ties').selectOption({ label: part })
    await form.getByLabel('Circuit').selectOption(circuit)
    await form.getByLabel('Latch').selectOption(latch)
    await form.getByLabel('Tab faces').selectOption(side)
    await form.getByRole('group', { name: 'Functions to test afterwards' }).getByLabel(test, { exact: true }).check()
  })
}

export async function addTest(page: Page, name: string): Promise<void> {
  await addFact(page, /^Tests/, 'test', async (form) => {
    await form.getByLabel('Name', { exact: true }).fill(name)
    await form.getByLabel('Passed when').fill('it does what it should')
  })
}

export async function addNeed(page: Page, reason: string, waits: string, until: string): Promise<void> {
  await addFact(page, /^Needs/, 'need', async (form) => {
    await form.getByLabel('Reason').selectOption(reason)
    await form.getByLabel('What waits').selectOption({ label: waits })
    await form.getByLabel('Until').selectOption({ label: until })
  })
}

export async function addSetting(
  page: Page,
  name: string,
  role: string,
  values: string,
  found: string,
  ways: [string, string][],
): Promise<void> {
  await addFact(page, /^Settings/, 'setting', async (form) => {
    await form.getByLabel('Name', { exact: true }).fill(name)
    await form.getByLabel('For the rules of safety it is').selectOption(role)
    await form.getByLabel('Values').fill(values)
    await form.getByLabel('As found').fill(found)
    for (const [i, [how, to]] of ways.entries()) {
      await form.getByRole('button', { name: 'Add a way' }).click()
      await form.getByLabel('How', { exact: true }).nth(i).fill(how)
      await form.getByLabel('To value').nth(i).fill(to)
    }
  })
}

export async function addCavity(page: Page, name: string, part: string): Promise<void> {
  await addFact(page, /^Cavities/, 'cavity', async (form) => {
    await form.getByLabel('Name', { exact: true }).fill(name)
    await form.getByLabel('Part', { exact: true }).selectOption({ label: part })
  })
}

/**
 * The operation the sign asks for now ("fasten:…"), or null when there is nothing to do; in one look, as the sign may
 * go meanwhile.
 */
/** The act the sign asks for and, of a kit's work, which of its steps: "work:mount s1". */
export async function nextKey(page: Page): Promise<string | null> {
  return page.locator('[data-next]').evaluateAll(([sign]) => {
    if (!sign) return null
    return [sign.getAttribute('data-next'), sign.getAttribute('data-step')].filter(Boolean).join(' ')
  })
}

/** From the intake to the first card, where there is an intake. */
export async function beginJob(page: Page): Promise<void> {
  await page.waitForURL(/jobs\/[0-9a-f-]{36}$/)
  const begin = page.getByRole('button', { name: /^Begin the job/ })
  await expect(begin.or(page.locator('[data-next]')).first()).toBeVisible()
  if (await begin.isVisible()) await begin.click()
  await expect(page.locator('[data-next]')).toBeVisible()
}

/** What a step of a kit's work asks: the module as it should be, or a number in the middle of its range. */
export async function answerStep(page: Page, otherwise?: string): Promise<void> {
  const dialog = page.getByRole('dialog')
  const asked = await dialog.innerText()
  const module = dialog.getByLabel('As it stands on the module, read off it')
  if (await module.isVisible()) {
    await module.fill(otherwise ?? /should be (\S+)/.exec(asked)?.[1] ?? '1')
    await dialog.getByRole('button', { name: /^It is set|^It stands so/ }).click()
  } else {
    const [, least, most] = /(-?[\d.]+) to (-?[\d.]+)/.exec(asked) ?? []
    await dialog.getByLabel(/^Reading/).fill(otherwise ?? String((Number(least ?? 12) + Number(most ?? 12)) / 2))
    await dialog.getByRole('button', { name: 'Keep it', exact: true }).click()
  }
  await expect(dialog).toBeHidden()
}

/** A place of a kit's work: everything is as it should be there. */
export async function judgePlace(page: Page): Promise<void> {
  const dialog = page.getByRole('dialog', { name: /: the place$/ })
  await expect(dialog.locator('[data-place]')).toBeVisible()
  for (const yes of await dialog.getByRole('button', { name: / Yes$/ }).all()) await yes.click()
  await dialog.getByRole('button', { name: 'The place is good: go on' }).click()
  await expect(dialog).toBeHidden()
  await expect(page.getByTestId('done')).not.toHaveAttribute('data-asks', 'place')
}

/** Confirms the card: where a caution has to be read, that comes first; a test with a reading is passed without one. */
export async function tapDone(page: Page): Promise<void> {
  const done = page.getByTestId('done')
  if ((await done.getAttribute('data-asks')) === 'read') {
    await done.click()
    await expect(done).not.toHaveAttribute('data-asks', 'read')
  }
  if ((await done.getAttribute('data-asks')) === 'place') {
    await done.click()
    await judgePlace(page)
  }
  const asks = await done.getAttribute('data-asks')
  await done.click()
  if (asks === 'step') await answerStep(page)
  if (asks === 'work') {
    const work = page.getByRole('dialog')
    await expect(work.getByRole('button', { name: /: done$/ })).toBeVisible()
    for (const agreed of await work.getByLabel('Who agreed to it').all()) await agreed.fill('Ms Reed')
    await work.getByRole('button', { name: /: done$/ }).click()
  }
  if (asks === 'reading')
    await page
      .getByRole('dialog', { name: /^Test:/ })
      .getByRole('button', { name: /^It works/ })
      .click()
}

/** Once every step is behind, the tools are counted into the bag. */
export async function toolsBack(page: Page): Promise<void> {
  const back = page.getByRole('button', { name: /tools are back$|It is back in the bag/ })
  if (await back.isVisible()) await back.click()
}

/** Taps "done as written" until nothing is left; what `leave` says yes to is left for later. */
export async function followJob(
  page: Page,
  leave: (key: string, title: string) => boolean | 'one less' = () => false,
  leaveRow?: string,
): Promise<string[]> {
  const keys: string[] = []
  await beginJob(page)
  for (let i = 0; i < 200; i++) {
    const key = await nextKey(page)
    if (key === null) {
      await toolsBack(page)
      return keys
    }
    keys.push(key)
    if (leaveRow) {
      const row = page.getByRole('button', { name: `Leave for later: ${leaveRow}` })
      if (await row.isVisible()) await row.click()
    }
    const title = (await page.locator('[data-next]').innerText()).trim()
    const leaving = leave(key, title)
    if (leaving === 'one less') {
      await page.getByRole('button', { name: 'Different' }).click()
      const dialog = page.getByRole('dialog', { name: 'Different from the record' })
      await dialog.getByRole('button', { name: 'one less' }).first().click()
      await dialog.getByRole('button', { name: 'Keep it' }).click()
    } else if (leaving) await page.getByRole('button', { name: 'Leave for later' }).click()
    else await tapDone(page)
    await expect(async () => expect(await nextKey(page)).not.toBe(key)).toPass({ timeout: 20_000 })
  }
  throw new Error('The job did not come to an end within 200 taps.')
}

export async function saved(page: Page): Promise<void> {
  await expect(page.locator('[data-saved="in the shop"]')).toBeVisible({ timeout: 20_000 })
}

/** A picture as a camera would make it, drawn by the browser itself. */
export async function photo(page: Page): Promise<{ name: string; mimeType: string; buffer: Buffer }> {
  const bytes = await page.evaluate(async () => {
    const canvas = document.createElement('canvas')
    ;[canvas.width, canvas.height] = [1200, 800]
    const paint = canvas.getContext('2d')!
    paint.fillStyle = '#456'
    paint.fillRect(0, 0, 1200, 800)
    const blob = await new Promise<Blob>((done) => canvas.toBlob((made) => done(made!), 'image/jpeg'))
    return [...new Uint8Array(await blob.arrayBuffer())]
  })
  return { name: 'dash.jpg', mimeType: 'image/jpeg', buffer: Buffer.from(bytes) }
}
