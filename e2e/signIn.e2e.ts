import { expect, test, type Page } from '@playwright/test'
import { createHmac } from 'node:crypto'
import { setUpShop, signIn, someOwner, type Owner } from './steps'

/** The code of this half minute, as RFC 6238 makes it (from memory): the standard, not the sign-in library. */
function codeNow(secret: string, steps = 0): string {
  const bits = [...secret]
    .map((c) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(c).toString(2).padStart(5, '0'))
    .join('')
  const key = Buffer.from(bits.match(/.{8}/g)!.map((byte) => parseInt(byte, 2)))
  const counter = Buffer.alloc(8)
  counter.writeBigUInt64BE(BigInt(Math.floor(Date.now() / 30_000) + steps))
  const mac = createHmac('sha1', key).update(counter).digest()
  const at = mac[19]! & 15
  return String((mac.readUInt32BE(at) & 0x7fffffff) % 1_000_000).padStart(6, '0')
}

async function signOut(page: Page): Promise<void> {
  await page.goto('/crew')
  await page.getByRole('button', { name: 'Sign this tablet out' }).click()
  await page.waitForURL('**/welcome')
}

async function password(page: Page, { username, password }: Owner): Promise<void> {
  await page.getByRole('tab', { name: 'Sign in' }).click()
  await page.getByLabel('User name').fill(username)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Sign in' }).click()
}

test('an owner who wants it is asked for a code as well; a code that was written down works once', async ({ page }) => {
  const owner = someOwner('Two Locks')
  await setUpShop(page, owner)
  await page.goto('/crew')
  await page.getByRole('button', { name: 'Ask for a code at sign-in as well' }).click()
  await page.getByLabel('Your password').fill('not my password')
  await page.getByRole('button', { name: 'Go on' }).click()
  await expect(page.getByText('That is not your password now.')).toBeVisible()
  await page.getByLabel('Your password').fill(owner.password)
  await page.getByRole('button', { name: 'Go on' }).click()
  const typed = page.getByText('or type').locator('span')
  const secret = (await typed.innerText()).replace(/\s/g, '')
  const written = await page.locator('form ul li').allInnerTexts()
  expect(written.length).toBeGreaterThanOrEqual(8)
  await page.getByLabel('The code that the app shows now').fill('000000')
  await page.getByRole('button', { name: 'Turn it on' }).click()
  await expect(page.getByText('That is not the code.')).toBeVisible()
  await page.getByLabel('The code that the app shows now').fill(codeNow(secret))
  await page.getByRole('button', { name: 'Turn it on' }).click()
  await expect(page.getByText('Signing in asks for your password and a code.')).toBeVisible()

  await signOut(page)
  await password(page, owner)
  await expect(page.getByLabel('Code from your phone')).toBeVisible()
  // Half of it opens nothing.
  expect((await page.request.get('/today', { maxRedirects: 0 })).status()).toBe(307)
  await page.getByLabel('Code from your phone').fill('123456')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByText('That is not the code.')).toBeVisible()
  await page.getByLabel('Code from your phone').fill(codeNow(secret))
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.waitForURL('**/today')

  for (const works of [true, false]) {
    await signOut(page)
    await password(page, owner)
    await page.getByLabel('Code from your phone').fill(written[0]!)
    await page.getByRole('button', { name: 'Sign in' }).click()
    if (works) await page.waitForURL('**/today')
    else await expect(page.getByText('That is not the code.')).toBeVisible()
  }
  await page.getByLabel('Code from your phone').fill(written[1]!)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.waitForURL('**/today')
  await page.goto('/crew')
  await page.getByRole('button', { name: 'Ask for no code at sign-in' }).click()
  await page.getByLabel('Your password').fill(owner.password)
  await page.getByRole('button', { name: 'Turn it off' }).click()
  await expect(page.getByText('Signing in asks for your password alone.')).toBeVisible()
  await page.goto('/shop/access')
  await expect(page.getByText('Ada asks for a code at sign-in from now on')).toBeVisible()
  await signOut(page)
  await signIn(page, owner.username, owner.password)
})

test('a name is slowed after five wrong passwords, and the owner sees them', async ({ page }) => {
  const owner = someOwner('Slow Lock')
  await setUpShop(page, owner)
  await signOut(page)
  const tries = { ...owner, password: 'a wrong password' }
  for (let i = 0; i < 5; i++) {
    await password(page, tries)
    await expect(page.getByRole('alert').filter({ hasText: 'is wrong' })).toBeVisible()
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeEnabled()
  }
  await password(page, owner)
  await expect(page.getByText('Too many tries. Wait')).toBeVisible()
  await page.waitForTimeout(5500)
  await password(page, owner)
  await page.waitForURL('**/today')
  await page.goto('/shop/access')
  await expect(page.getByText('A wrong password was tried for Ada')).toHaveCount(5)
})
