'use client'
import { useRouter } from 'next/navigation'
import { useState, useTransition } from 'react'
import { reach } from '../../client/reach'
import { Dialog } from './Dialog'

export type ActingPerson = { id: string; name: string; role: string }
export type ChangeActing = (input: {
  crewId: string
  pin: string
}) => Promise<{ status: 'done' } | { status: 'wrong'; sentence: string }>

/** Who acts now. A tap on the name, another name, a short PIN: checked on the server, and written on every event. */
export function ActingButton({
  acting,
  crew,
  change,
  large = false,
}: {
  acting: ActingPerson
  crew: ActingPerson[]
  change: ChangeActing
  large?: boolean
}) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        aria-haspopup="dialog"
        className={`rounded border-2 border-transparent px-2 text-left hover:border-untravelled ${large ? 'min-h-14' : 'min-h-9'}`}
      >
        <span className="font-bold">{acting.name}</span>
        <span className={`text-second ${large ? 'sr-only sm:not-sr-only' : ''}`}>, {acting.role}</span>
      </button>
      <Dialog title="Who acts now?" open={open} onClose={() => setOpen(false)}>
        <ChangeForm acting={acting} crew={crew} change={change} onDone={() => setOpen(false)} />
      </Dialog>
    </>
  )
}

function ChangeForm({
  acting,
  crew,
  change,
  onDone,
}: {
  acting: ActingPerson
  crew: ActingPerson[]
  change: ChangeActing
  onDone: () => void
}) {
  const [person, setPerson] = useState<ActingPerson | null>(null)
  const [pin, setPin] = useState('')
  const [trouble, setTrouble] = useState('')
  const [pending, start] = useTransition()
  const router = useRouter()
  const send = () =>
    start(async () => {
      const outcome = await reach(
        () => change({ crewId: person!.id, pin }),
        (sentence) => ({ status: 'wrong' as const, sentence }),
      )
      if (outcome.status === 'done') {
        router.refresh()
        onDone()
      } else {
        setTrouble(outcome.sentence)
        setPin('')
      }
    })
  if (!person)
    return (
      <ul className="grid grid-cols-2 gap-3">
        {crew.map((someone) => (
          <li key={someone.id}>
            <button type="button" onClick={() => setPerson(someone)} className="ghost w-full flex-col !gap-0">
              <span className="text-lg font-bold">{someone.name}</span>
              <span className="text-sm text-second">{someone.id === acting.id ? 'acts now' : someone.role}</span>
            </button>
          </li>
        ))}
      </ul>
    )
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        send()
      }}
      className="space-y-4"
    >
      <label className="block">
        <span className="mb-1 block font-semibold">PIN of {person.name}</span>
        <input
          autoFocus
          type="password"
          inputMode="numeric"
          autoComplete="off"
          pattern="\d{4,8}"
          maxLength={8}
          value={pin}
          onChange={(event) => setPin(event.target.value.replace(/\D/g, ''))}
          className="field num !min-h-14 text-2xl tracking-[0.4em]"
          aria-describedby="pin-trouble"
        />
      </label>
      <p id="pin-trouble" role="alert" className="min-h-6 font-semibold">
        {trouble}
      </p>
      <div className="flex gap-3">
        <button type="button" className="ghost" onClick={() => setPerson(null)}>
          Back
        </button>
        <button type="submit" className="slab flex-1" disabled={pending || pin.length < 4}>
          {pending ? 'Checking…' : `${person.name} acts`}
        </button>
      </div>
    </form>
  )
}
