'use client'
import { reach } from '@/client/reach'
import { useState, useTransition, type FormEvent } from 'react'
import { SelectField, TextField } from '@/ui/forms/Field'
import { addPersonAction, removeDemoAction, retireAction, type CrewAnswer } from './actions'

const refusedBecause = (sentence: string): CrewAnswer => ({ status: 'refused', sentence })

export function AddPerson() {
  const [answer, setAnswer] = useState<CrewAnswer | null>(null)
  const [signsIn, setSignsIn] = useState(false)
  const [made, setMade] = useState(0)
  const [pending, start] = useTransition()
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    const data = new FormData(event.currentTarget)
    start(async () => {
      const person = {
        name: data.get('name'),
        role: data.get('role'),
        pin: data.get('pin'),
        login: signsIn ? { username: data.get('username'), password: data.get('password') } : null,
      }
      const outcome = await reach(() => addPersonAction(person), refusedBecause)
      setAnswer(outcome)
      if (outcome.status === 'done') {
        setMade(made + 1)
        setSignsIn(false)
      }
    })
  }
  const fields = answer?.status === 'refused' ? (answer.fields ?? {}) : {}
  return (
    <form key={made} onSubmit={submit} className="space-y-3" noValidate>
      <TextField label="Name, as the crew says it" name="name" problem={fields.name} />
      <SelectField label="Role" name="role" help="Leads publish procedures; the owner also brings people in.">
        <option>installer</option>
        <option>lead</option>
        <option>owner</option>
      </SelectField>
      <TextField
        label="PIN"
        name="pin"
        type="password"
        inputMode="numeric"
        autoComplete="off"
        problem={fields.pin}
        help="Four to eight digits."
      />
      <label className="flex items-center gap-3">
        <input
          type="checkbox"
          className="size-5 accent-[var(--petrol)]"
          checked={signsIn}
          onChange={(event) => setSignsIn(event.target.checked)}
        />
        Signs tablets in
      </label>
      {signsIn && (
        <>
          <TextField label="User name" name="username" autoComplete="off" problem={fields.username} />
          <TextField
            label="Password"
            name="password"
            type="password"
            autoComplete="new-password"
            problem={fields.password}
            help="At least ten characters."
          />
        </>
      )}
      <p role="alert" className="min-h-6 font-semibold">
        {answer?.status === 'refused' ? answer.sentence : answer ? 'Added.' : ''}
      </p>
      <button className="desk-button main w-full" disabled={pending}>
        {pending ? 'Adding…' : 'Add to the crew'}
      </button>
    </form>
  )
}

export function RetireButton({ crewId, name }: { crewId: string; name: string }) {
  const [answer, setAnswer] = useState<CrewAnswer | null>(null)
  const [sure, setSure] = useState(false)
  const [pending, start] = useTransition()
  return (
    <>
      <button
        type="button"
        className="jump"
        disabled={pending}
        onClick={() =>
          sure ? start(async () => setAnswer(await reach(() => retireAction(crewId), refusedBecause))) : setSure(true)
        }
      >
        {sure ? `Yes, ${name} has left` : 'has left'}
      </button>
      {answer?.status === 'refused' && <span role="alert"> {answer.sentence}</span>}
    </>
  )
}

export function RemoveDemo() {
  const [sure, setSure] = useState(false)
  const [answer, setAnswer] = useState<CrewAnswer | null>(null)
  const [pending, start] = useTransition()
  return (
    <div className="space-y-3">
      <p>
        The demo shop with its crew, procedures, vehicles and jobs is removed in one act, and this tablet is signed out.
        It does not come back by itself.
      </p>
      {!sure ? (
        <button type="button" className="desk-button" onClick={() => setSure(true)}>
          Remove the demo
        </button>
      ) : (
        <div className="flex gap-3">
          <button type="button" className="desk-button" onClick={() => setSure(false)}>
            Keep it
          </button>
          <button
            type="button"
            className="desk-button main"
            disabled={pending}
            onClick={() => start(async () => setAnswer(await reach(() => removeDemoAction(), refusedBecause)))}
          >
            {pending ? 'Removing…' : 'Yes, remove all of it'}
          </button>
        </div>
      )}
      {answer?.status === 'refused' && (
        <p role="alert" className="font-semibold">
          {answer.sentence}
        </p>
      )}
    </div>
  )
}
