'use client'
import { Monitor, Smartphone, Tablet } from 'lucide-react'
import { useState } from 'react'
import { TextField } from '../forms/Field'
import { useThisDevice } from '../shell/DeviceBeat'
import { useSaving, type Saved } from './useSaving'

type Row = {
  id: string
  name: string
  kind: 'tablet' | 'phone' | 'computer'
  by: string
  signedIn: boolean
  seen: string
  waiting: string
  clock: string
}

const ICONS = { tablet: Tablet, phone: Smartphone, computer: Monitor }

/** Every device that has signed in: what it is called, when it was seen, what waits on it; and how to sign it out. */
export function DeviceRows({
  devices,
  name,
  signOut,
}: {
  devices: Row[]
  name: (deviceId: string, name: string) => Promise<Saved>
  signOut: (deviceId: string) => Promise<Saved>
}) {
  const here = useThisDevice()
  return (
    <section>
      <h2 className="border-b-2 border-ink pb-1 text-xl">Signed in here</h2>
      {devices.length === 0 && <p className="py-3 text-second">No device has said yet that it is there.</p>}
      <ul>
        {devices.map((device) => (
          <DeviceItem
            key={device.id}
            device={device}
            isHere={here?.deviceId === device.id}
            name={name}
            signOut={signOut}
          />
        ))}
      </ul>
    </section>
  )
}

function DeviceItem({
  device,
  isHere,
  name,
  signOut,
}: {
  device: Row
  isHere: boolean
  name: (deviceId: string, name: string) => Promise<Saved>
  signOut: (deviceId: string) => Promise<Saved>
}) {
  const [said, setSaid] = useState(device.name)
  const [sure, setSure] = useState(false)
  const naming = useSaving()
  const leaving = useSaving()
  const Icon = ICONS[device.kind]
  return (
    <li className="space-y-2 border-b border-hair py-3" data-device={device.id}>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <Icon size={28} aria-hidden className="shrink-0" />
        <b className="text-lg">{device.name || `A ${device.kind} without a name`}</b>
        {isHere && <span className="font-bold">this device</span>}
        <span className="text-second">
          signed in by {device.by}, {device.seen}
        </span>
      </div>
      <p className={device.clock ? 'font-bold' : 'text-second'}>
        {[device.waiting, device.clock].filter(Boolean).join('; ')}
      </p>
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          naming.save(() => name(device.id, said))
        }}
      >
        <TextField
          label="What the crew calls it"
          value={said}
          maxLength={40}
          placeholder="Bay 2 tablet"
          problem={naming.failed ? naming.said : undefined}
          onChange={(event) => setSaid(event.target.value)}
        />
        <button className="desk-button" disabled={naming.pending || said.trim() === device.name}>
          Keep the name
        </button>
        {!device.signedIn ? (
          <span className="min-h-11 py-2.5 text-second">signed out</span>
        ) : sure ? (
          <button type="button" className="desk-button" onClick={() => leaving.save(() => signOut(device.id))}>
            Yes, sign {device.name || 'it'} out
          </button>
        ) : (
          <button type="button" className="desk-button" onClick={() => setSure(true)}>
            Sign it out
          </button>
        )}
      </form>
      {leaving.failed && <p role="alert">{leaving.said}</p>}
    </li>
  )
}
