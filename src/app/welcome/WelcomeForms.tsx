'use client'
import { reach } from '@/client/reach'
import { useRouter } from 'next/navigation'
import { useState, useTransition, type FormEvent } from 'react'
import { TextField } from '@/ui/forms/Field'
import { lookAroundAs, setUpMyShop, type FormAnswer } from './actions'

const unreachable = (sentence: string): FormAnswer => ({ fields: {}, sentence })
type Way = 'look' | 'sign in' | 'set up'

/** The three ways in: look around the demo, sign in to one's shop, set up a new one. */
export function WelcomeForms({ demo, setup }: { demo: boolean; setup: 'open' | 'code' | 'closed' }) {
  const [way, setWay] = useState<Way>(demo ? 'look' : 'sign in')
  const ways: [Way, string][] = [
    ...(demo ? ([['look', 'Look around']] as [Way, string][]) : []),
    ['sign in', 'Sign in'],
    ...(setup === 'closed' ? [] : ([['set up', 'Set up my shop']] as [Way, string][])),
  ]
  return (
    <section aria-label="Begin" className="lg:border-l-2 lg:border-ink lg:pl-10">
      <div role="tablist" aria-label="How to begin" className="mb-6 flex flex-wrap gap-x-6 border-b-2 border-ink">
        {ways.map(([value, name]) => (
          <button
            key={value}
            role="tab"
            type="button"
            aria-selected={way === value}
            onClick={() => setWay(value)}
            className={`-mb-[2px] border-b-4 pb-1 text-lg ${way === value ? 'border-petrol font-bold' : 'border-transparent text-second hover:text-ink'}`}
          >
            {name}
          </button>
        ))}
      </div>
      {way === 'look' && <LookAround />}
      {way === 'sign in' && <SignIn />}
      {way === 'set up' && <SetUp asksCode={setup === 'code'} />}
    </section>
  )
}

function LookAround() {
  const [answer, setAnswer] = useState<FormAnswer>(null)
  const [pending, start] = useTransition()
  const go = (role: 'installer' | 'lead') =>
    start(async () => setAnswer(await reach(() => lookAroundAs(role), unreachable)))
  return (
    <div className="space-y-4">
      <p className="text-lg">
        Saltmarsh Fleet Electronics is invented, with vans, a pickup, a patrol motorcycle and a small bus in its bays.
        Nothing you do there reaches anybody.
      </p>
      <button
        type="button"
        className="slab w-full !min-h-20 text-xl"
        disabled={pending}
        onClick={() => go('installer')}
      >
        Look around as an installer
      </button>
      <button
        type="button"
        className="desk-button w-full !min-h-14 text-lg"
        disabled={pending}
        onClick={() => go('lead')}
      >
        Look around as a lead
      </button>
      <p role="alert" className="font-semibold">
        {pending ? 'Opening the demo…' : answer?.sentence}
      </p>
    </div>
  )
}

/** Posts to the sign-in library; what it says, or why it can't be reached. */
async function post(path: string, body: object): Promise<{ ok: boolean; needsCode: boolean; trouble: string }> {
  try {
    const response = await fetch(`/api/auth/${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    const said = (await response.json().catch(() => null)) as { message?: string; twoFactorRedirect?: boolean } | null
    const wait = said?.message ?? 'Too many tries. Wait a minute, then try again.'
    return {
      ok: response.ok,
      needsCode: said?.twoFactorRedirect === true,
      trouble: response.ok ? '' : response.status === 429 ? wait : 'wrong',
    }
  } catch {
    return { ok: false, needsCode: false, trouble: 'The shop can’t be reached. Check the network and try again.' }
  }
}

function SignIn() {
  const [trouble, setTrouble] = useState('')
  const [busy, setBusy] = useState(false)
  const [needsCode, setNeedsCode] = useState(false)
  const router = useRouter()
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    setBusy(true)
    const data = new FormData(event.currentTarget)
    const code = String(data.get('code') ?? '').replace(/\s/g, '')
    const answer = needsCode
      ? await post(/^\d{6}$/.test(code) ? 'two-factor/verify-totp' : 'two-factor/verify-backup-code', { code })
      : await post('sign-in/username', {
          username: String(data.get('username')).trim(),
          password: data.get('password'),
        })
    if (answer.ok && !answer.needsCode) {
      router.replace('/today')
      router.refresh()
      return
    }
    setNeedsCode(needsCode || answer.needsCode)
    const wrong = needsCode
      ? 'That is not the code. Wait for the next one, or use one that was written down.'
      : 'User name or password is wrong. Check both and try again.'
    setTrouble(answer.trouble === 'wrong' ? wrong : answer.trouble)
    setBusy(false)
  }
  return (
    <form onSubmit={submit} className="space-y-4">
      {needsCode ? (
        <TextField
          key="code"
          label="Code from your phone"
          name="code"
          autoComplete="one-time-code"
          autoFocus
          required
          help="Six digits, or one of the codes that were written down."
        />
      ) : (
        <>
          <p className="text-second">
            One person signs the tablet in; after that a tap on the name and a PIN change who acts.
          </p>
          <TextField label="User name" name="username" autoComplete="username" required />
          <TextField label="Password" name="password" type="password" autoComplete="current-password" required />
        </>
      )}
      <p role="alert" className="min-h-6 font-semibold">
        {trouble}
      </p>
      <button className="slab w-full" disabled={busy}>
        {busy ? 'Signing in…' : 'Sign in'}
      </button>
    </form>
  )
}

function SetUp({ asksCode }: { asksCode: boolean }) {
  const [answer, setAnswer] = useState<FormAnswer>(null)
  const [pending, start] = useTransition()
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    // The shop stands where the tablet does that sets it up; the house values can say otherwise.
    const { timeZone } = Intl.DateTimeFormat().resolvedOptions()
    const input = { ...Object.fromEntries(new FormData(event.currentTarget)), timeZone }
    start(async () => setAnswer(await reach(() => setUpMyShop(input), unreachable)))
  }
  const problem = (field: string) => answer?.fields[field]
  return (
    <form onSubmit={submit} className="space-y-3" noValidate>
      <TextField label="Name of the shop" name="shopName" problem={problem('shopName')} />
      <TextField label="Your name, as the crew says it" name="ownerName" problem={problem('ownerName')} />
      <TextField
        label="User name"
        name="username"
        autoComplete="username"
        problem={problem('username')}
        help="Letters, digits, dot and underscore."
      />
      <TextField
        label="Password"
        name="password"
        type="password"
        autoComplete="new-password"
        problem={problem('password')}
        help="At least ten characters."
      />
      <TextField
        label="PIN"
        name="pin"
        type="password"
        inputMode="numeric"
        autoComplete="off"
        problem={problem('pin')}
        help="Four to eight digits, for changing who acts on a shared tablet."
      />
      {asksCode && (
        <TextField
          label="Set-up code"
          name="code"
          autoComplete="off"
          problem={problem('code')}
          help="Printed where bin/start runs: whoever runs this installation has it."
        />
      )}
      <p role="alert" className="min-h-6 font-semibold">
        {answer?.sentence}
      </p>
      <button className="slab w-full" disabled={pending}>
        {pending ? 'Setting up…' : 'Set up my shop'}
      </button>
    </form>
  )
}
