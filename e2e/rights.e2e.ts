import { expect, test, type Page } from '@playwright/test'
import { readFileSync } from 'node:fs'
import { everyAction } from './everyAction'
import { actAs, someOwner, type Owner } from './steps'

type Who = 'an installer' | 'a lead' | 'the owner'
/**
 * Written out a second time, by hand, with arguments of each: who is the least that an action is done for. What is
 * not done then is refused for another reason, or done.
 */
const LEAST: Record<string, Exclude<Who, 'an installer'>> = {
  publishAction: 'a lead',
  saveKitAction: 'a lead',
  removeKitAction: 'a lead',
  saveHouseAction: 'a lead',
  saveStockAction: 'a lead',
  saveToolsAction: 'a lead',
  saveWordsAction: 'a lead',
  nameDeviceAction: 'a lead',
  signOutDeviceAction: 'a lead',
  settleNoteAction: 'a lead',
  declineAction: 'a lead',
  saveRulesAction: 'the owner',
  addPersonAction: 'the owner',
  retireAction: 'the owner',
  setAuthorisedAction: 'the owner',
  resetPinAction: 'the owner',
  resetPasswordAction: 'the owner',
}
/** Anybody of the crew, or anybody at all; or refused for what it is about, whoever asks. */
const ANYBODY = [
  ...['signOut', 'setUpMyShop', 'lookAroundAs', 'changeWhoActs', 'changePasswordAction', 'changePinAction'],
  ...['handOver', 'openJob', 'createProcedureAction', 'importProcedureAction', 'editDraftAction', 'newStripAction'],
  ...['addVehicleAction', 'chooseProcedureAction', 'removeDemoAction'],
  ...['beginSecondFactorAction', 'confirmSecondFactorAction', 'endSecondFactorAction'],
]
/** A page that has the action: another one would not know it. */
const PAGE_OF: Record<string, (made: { procedure: string }) => string> = {
  publishAction: ({ procedure }) => procedure,
  settleNoteAction: ({ procedure }) => procedure,
  declineAction: ({ procedure }) => procedure,
  nameDeviceAction: () => '/shop/devices',
  signOutDeviceAction: () => '/shop/devices',
}
const NOBODY = '00000000-0000-4000-8000-000000000000'

function argumentsOf(action: string, made: { procedure: string; job: string }): unknown[] {
  const [procedureId, jobId] = [made.procedure, made.job].map((path) => path.split('/')[2])
  const kit = { id: NOBODY, name: 'Box', works: [] }
  const byAction: Record<string, unknown[]> = {
    publishAction: [procedureId, ''],
    saveKitAction: [{ kit, version: 7 }],
    removeKitAction: [NOBODY],
    saveHouseAction: [{}, {}],
    saveStockAction: [[], []],
    saveToolsAction: [[], []],
    saveWordsAction: [[], []],
    saveRulesAction: [{}, {}],
    nameDeviceAction: [NOBODY, 'Bay 2'],
    signOutDeviceAction: [NOBODY],
    settleNoteAction: [jobId, NOBODY],
    declineAction: [jobId, { kind: 'proposal declined', collection: 'holders', itemId: 'h', field: 'count' }],
    addPersonAction: [{ name: 'Owner’s only', role: 'installer', pin: '9999', login: null }],
    retireAction: [NOBODY],
    setAuthorisedAction: [NOBODY, []],
    resetPinAction: [NOBODY, '9999'],
    resetPasswordAction: [NOBODY, 'a long enough password'],
  }
  return byAction[action]!
}

/** The application's actions by name, as the build lists them. */
function builtActions(): Map<string, string> {
  const folder = process.env.ISTRUZIONE_BUILD_DIR ?? '.next-test'
  const list = JSON.parse(readFileSync(`${folder}/server/server-reference-manifest.json`, 'utf8')) as {
    node: Record<string, { exportedName: string }>
  }
  return new Map(Object.entries(list.node).map(([id, { exportedName }]) => [exportedName, id]))
}

async function addToCrew(page: Page, name: string, role: string, pin: string): Promise<void> {
  await page.goto('/crew')
  await page.getByLabel('Name, as the crew says it').fill(name)
  await page.getByRole('combobox').selectOption({ label: role })
  await page.getByLabel('PIN').fill(pin)
  await page.getByRole('button', { name: 'Add to the crew' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: name })).toContainText('acts by PIN')
}

async function everybody(page: Page, owner: Owner) {
  const made = await everyAction(page, owner)
  await addToCrew(page, 'Cilla', 'lead', '2222')
  await addToCrew(page, 'Dag', 'installer', '3333')
  return { ...made, origin: new URL(page.url()).origin }
}

const PINS = { 'the owner': ['Ada', '2468'], 'a lead': ['Cilla', '2222'], 'an installer': ['Dag', '3333'] } as const
const RANK: Who[] = ['an installer', 'a lead', 'the owner']

test('who acts decides, by PIN: action by action, and kind by kind of what is written into a job', async ({ page }) => {
  test.setTimeout(180_000)
  const made = await everybody(page, someOwner('Who May'))
  const actions = builtActions()
  // A new action has to be put into one of the two lists.
  expect([...actions.keys()].sort()).toEqual([...Object.keys(LEAST), ...ANYBODY].sort())
  const log = async () =>
    (await (await page.request.get(`/api${made.job}/events`)).json()) as {
      events: { personId: string }[]
      acting: { id: string; name: string }
    }
  // The owner signed this device in.
  const ada = (await log()).events[0]!.personId
  for (const who of RANK) {
    await page.goto('/today')
    await actAs(page, PINS[who][0], PINS[who][1])
    for (const [action, least] of Object.entries(LEAST)) {
      const said = await calls(page, actions.get(action)!, action, made)
      const isDenied = /This needs (a lead|the owner)|Only a lead decides this/.test(said)
      expect([who, action, isDenied]).toEqual([who, action, RANK.indexOf(who) < RANK.indexOf(least)])
    }
    const { acting } = await log()
    const onlyTheShop = ['handed over', 'reopened']
    const decided = ['note settled', 'proposal declined', 'row accepted']
    const not = who === 'an installer' ? [...decided, ...onlyTheShop] : onlyTheShop
    expect([who, ...(await notTaken(page, made, acting))]).toEqual([who, ...not.sort()])
    if (who !== 'an installer') continue
    // While an installer has it, nothing is decided or signed in the name of who signed it in.
    const later = [...decided, 'countersigned'].map((kind) => `${kind}, later`)
    expect(await notTaken(page, made, { id: ada, name: 'Ada' })).toEqual([...later, ...onlyTheShop].sort())
  }
  await page.goto('/shop/access')
  for (const line of [
    'Dag tried to publish a record and may not',
    'Cilla tried to change a rule of safety and may not',
    'Dag acts, by PIN',
    'Dag tried to write “note settled” into a job and may not',
  ])
    await expect(page.getByText(line)).toBeVisible()
})

type Made = { origin: string; procedure: string; job: string }

/** Calls an action as its page would; the answer is the page's own and not an error. */
async function calls(page: Page, id: string, action: string, made: Made): Promise<string> {
  const answer = await page.request.post(`${made.origin}${PAGE_OF[action]?.(made) ?? '/crew'}`, {
    headers: { 'next-action': id, origin: made.origin, 'content-type': 'text/plain;charset=UTF-8' },
    data: JSON.stringify(argumentsOf(action, made)),
    maxRedirects: 0,
  })
  expect([action, answer.status(), answer.headers()['x-nextjs-action-not-found']]).toEqual([action, 200, undefined])
  return answer.text()
}

/** One of every kind of event there is. */
const samples = new Map(
  readFileSync('src/core/job/corpus/v3.jsonl', 'utf8')
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as { what: { kind: string } })
    .map((event) => [event.what.kind, event]),
)

/** Which kinds are not taken from this device in the name of this person, and which only later. */
async function notTaken(page: Page, made: Made, { id, name }: { id: string; name: string }): Promise<string[]> {
  const events = [...samples.values()].map((event) => ({
    ...event,
    id: crypto.randomUUID(),
    jobId: made.job.split('/')[2],
    personId: id,
    corrects: null,
    what: event.what.kind === 'countersigned' ? { ...event.what, name } : event.what,
  }))
  const answer = await page.request.post(`${made.origin}/api${made.job}/events`, {
    headers: { origin: made.origin },
    data: { events, each: true },
  })
  expect(answer.status()).toBe(200)
  const { refused } = (await answer.json()) as { refused: { eventId: string; forGood: boolean }[] }
  const kindOf = (eventId: string) => events.find((event) => event.id === eventId)!.what.kind
  return refused.map(({ eventId, forGood }) => `${kindOf(eventId)}${forGood ? '' : ', later'}`).sort()
}
