'use client'
import { reach } from '@/client/reach'
import { useState, useTransition, type FormEvent } from 'react'
import { TextField } from '@/ui/forms/Field'
import { changePasswordAction, changePinAction, resetPasswordAction, resetPinAction, type CrewAnswer } from './actions'

const refusedBecause = (sentence: string): CrewAnswer => ({ status: 'refused', sentence })

/** What a secret is called, and what its fields ask of a browser. */
const SECRETS = {
  PIN: { help: 'Four to eight digits.', inputMode: 'numeric', autoComplete: 'off' },
  password: { help: 'At least ten characters.', inputMode: 'text', autoComplete: 'new-password' },
} as const
type Secret = keyof typeof SECRETS

/** The own PIN and, for who signed this device in, the own password. */
export function OwnSecrets({ hasPassword }: { hasPassword: boolean }) {
  return (
    <div className="flex flex-col items-start gap-2">
      <SecretForm secret="PIN" asks save={(now, next) => changePinAction({ now, next })} opener="Change my PIN" />
      {hasPassword && (
        <SecretForm
          secret="password"
          asks
          save={(now, next) => changePasswordAction({ now, next })}
          opener="Change my password"
          about="Your other devices are signed out then."
        />
      )}
    </div>
  )
}

/** For the owner: a new PIN or password for somebody who has forgotten theirs. */
export function ResetSecrets({ crewId, name, signsIn }: { crewId: string; name: string; signsIn: boolean }) {
  return (
    <>
      <SecretForm secret="PIN" save={(_, next) => resetPinAction(crewId, next)} opener="new PIN" of={name} />
      {signsIn && (
        <SecretForm
          secret="password"
          save={(_, next) => resetPasswordAction(crewId, next)}
          opener="new password"
          of={name}
          about={`Every device that ${name} signed in is signed out then.`}
        />
      )}
    </>
  )
}

/** Opened by a button; `asks`: for the one of now as well. What was typed stays when it is refused. */
function SecretForm({
  secret,
  asks = false,
  save,
  opener,
  of,
  about,
}: {
  secret: Secret
  asks?: boolean
  save: (now: string, next: string) => Promise<CrewAnswer>
  opener: string
  of?: string
  about?: string
}) {
  const [isOpen, setOpen] = useState(false)
  const [answer, setAnswer] = useState<CrewAnswer | null>(null)
  const [pending, start] = useTransition()
  const { help, ...input } = SECRETS[secret]
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    const data = new FormData(event.currentTarget)
    start(async () => {
      const outcome = await reach(() => save(String(data.get('now') ?? ''), String(data.get('next'))), refusedBecause)
      setAnswer(outcome)
      if (outcome.status === 'done') setOpen(false)
    })
  }
  if (!isOpen)
    return (
      <span className="inline-flex items-center gap-3">
        <button type="button" className="jump" onClick={() => setOpen(true)}>
          {opener}
        </button>
        {answer?.status === 'done' && <span role="status">The {secret} is changed.</span>}
      </span>
    )
  return (
    <form onSubmit={submit} className="w-full max-w-sm space-y-3 border-l-8 border-petrol py-1 pl-4" noValidate>
      {asks && <TextField label={`Your ${secret} now`} name="now" type="password" {...input} autoComplete="off" />}
      <TextField
        label={of ? `New ${secret} for ${of}` : `Your new ${secret}`}
        name="next"
        type="password"
        help={about ? `${help} ${about}` : help}
        problem={answer?.status === 'refused' ? answer.sentence : undefined}
        {...input}
      />
      <div className="flex gap-3">
        <button className="desk-button main" disabled={pending}>
          {pending ? 'Changing…' : `Change the ${secret}`}
        </button>
        <button type="button" className="desk-button" onClick={() => setOpen(false)}>
          Leave it
        </button>
      </div>
    </form>
  )
}
