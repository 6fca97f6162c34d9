'use client'
import { reach } from '@/client/reach'
import { useState, useTransition, type FormEvent } from 'react'
import { SelectField, TextField } from '@/ui/forms/Field'
import { addVehicleAction, chooseProcedureAction, type VehicleAnswer } from './actions'

type Named = { id: string; name: string }

export function AddVehicle({ procedures }: { procedures: Named[] }) {
  const [answer, setAnswer] = useState<VehicleAnswer>(null)
  const [pending, start] = useTransition()
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    const data = new FormData(event.currentTarget)
    start(async () =>
      setAnswer(
        await reach(
          () =>
            addVehicleAction({
              label: data.get('label'),
              plate: data.get('plate'),
              customer: data.get('customer'),
              procedureId: data.get('procedureId') || null,
            }),
          (sentence) => ({ sentence }),
        ),
      ),
    )
  }
  return (
    <form onSubmit={submit} className="space-y-3">
      <TextField label="Fleet number or short name" name="label" required maxLength={40} placeholder="Van 31" />
      <TextField label="Plate" name="plate" maxLength={20} />
      <TextField label="Customer" name="customer" maxLength={80} />
      <SelectField label="Model" name="procedureId">
        <option value="">not known yet</option>
        {procedures.map((item) => (
          <option key={item.id} value={item.id}>
            {item.name}
          </option>
        ))}
      </SelectField>
      <p role="alert" className="min-h-6 font-semibold">
        {answer?.sentence}
      </p>
      <button className="desk-button main w-full" disabled={pending}>
        {pending ? 'Adding…' : 'Add the vehicle'}
      </button>
    </form>
  )
}

export function ChooseModel({ vehicleId, procedures }: { vehicleId: string; procedures: Named[] }) {
  const [answer, setAnswer] = useState<VehicleAnswer>(null)
  const [pending, start] = useTransition()
  return (
    <div>
      <SelectField
        label="Which model is it?"
        disabled={pending}
        defaultValue=""
        onChange={(event) =>
          start(async () =>
            setAnswer(
              await reach(
                () => chooseProcedureAction(vehicleId, event.target.value),
                (sentence) => ({ sentence }),
              ),
            ),
          )
        }
      >
        <option value="">choose…</option>
        {procedures.map((item) => (
          <option key={item.id} value={item.id}>
            {item.name}
          </option>
        ))}
      </SelectField>
      <p role="alert">{answer?.sentence}</p>
    </div>
  )
}
