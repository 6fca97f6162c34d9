'use client'
import { useState, useTransition, type FormEvent } from 'react'
import { reach } from '@/client/reach'
import { TextField } from '@/ui/forms/Field'
import { QrCode } from '@/ui/paper/QrCode'
import { beginSecondFactorAction, confirmSecondFactorAction, endSecondFactorAction } from './actions'

type Begun = { address: string; backupCodes: string[] }
type Stage = 'closed' | 'password' | Begun

/**
 * A code from a phone beside the password: turned on with a first right code, turned off with the password. The page is
 * drawn anew when it has changed.
 */
export function SecondFactor({ isOn }: { isOn: boolean }) {
  const [stage, setStage] = useState<Stage>('closed')
  const [problem, setProblem] = useState<string>()
  const [pending, start] = useTransition()
  const send = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    const typed = String(new FormData(event.currentTarget).get('secret') ?? '')
    start(async () => {
      const answer = await reach(
        (): Promise<{ status: 'done' } | ({ status: 'begun' } & Begun) | { status: 'refused'; sentence: string }> => {
          if (stage !== 'password') return confirmSecondFactorAction(typed)
          return isOn ? endSecondFactorAction(typed) : beginSecondFactorAction(typed)
        },
        (sentence) => ({ status: 'refused' as const, sentence }),
      )
      setProblem(answer.status === 'refused' ? answer.sentence : undefined)
      if (answer.status === 'begun') setStage(answer)
    })
  }
  if (stage === 'closed')
    return (
      <p className="mt-2 flex flex-wrap items-center gap-3">
        <button type="button" className="jump" onClick={() => setStage('password')}>
          {isOn ? 'Ask for no code at sign-in' : 'Ask for a code at sign-in as well'}
        </button>
        <span className="text-second" role="status">
          {isOn ? 'Signing in asks for your password and a code.' : 'Signing in asks for your password alone.'}
        </span>
      </p>
    )
  return (
    <form onSubmit={send} className="mt-2 w-full max-w-xl space-y-3 border-l-8 border-petrol py-1 pl-4" noValidate>
      {stage === 'password' ? (
        <TextField
          key="password"
          label="Your password"
          name="secret"
          type="password"
          autoComplete="current-password"
          help={isOn ? undefined : 'You need a phone with an app that makes codes.'}
          problem={problem}
        />
      ) : (
        <>
          <Secrets {...stage} />
          <TextField
            key="code"
            label="The code that the app shows now"
            name="secret"
            inputMode="numeric"
            autoComplete="one-time-code"
            problem={problem}
          />
        </>
      )}
      <div className="flex gap-3">
        <button className="desk-button main" disabled={pending}>
          {pending ? 'A moment…' : stage !== 'password' ? 'Turn it on' : isOn ? 'Turn it off' : 'Go on'}
        </button>
        <button type="button" className="desk-button" onClick={() => (setStage('closed'), setProblem(undefined))}>
          Leave it
        </button>
      </div>
    </form>
  )
}

function Secrets({ address, backupCodes }: Begun) {
  const key = new URL(address).searchParams.get('secret') ?? ''
  return (
    <div className="grid gap-6 sm:grid-cols-[12rem_minmax(0,1fr)]">
      <div>
        <p className="mb-1 font-bold">1. Scan this with the app</p>
        <QrCode text={address} sizeMm={44} label="Code for the app that makes codes" />
        <p className="mt-1 text-[15px] text-second">
          or type <span className="num [overflow-wrap:anywhere]">{key.match(/.{1,4}/g)?.join(' ')}</span>
        </p>
      </div>
      <div>
        <p className="mb-1 font-bold">2. Write these down and keep them in the shop’s safe place</p>
        <p className="text-[15px] text-second">Each works once in place of a code, for the day the phone is gone.</p>
        <ul className="num mt-2 grid max-w-xs grid-cols-2 gap-x-6 whitespace-nowrap">
          {backupCodes.map((code) => (
            <li key={code}>{code}</li>
          ))}
        </ul>
      </div>
    </div>
  )
}
