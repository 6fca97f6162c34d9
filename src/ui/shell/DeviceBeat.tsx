'use client'
import Link from 'next/link'
import { createContext, useContext, useEffect, useState, type ReactNode } from 'react'
import { tellDevice } from '@/client/deviceBeat'
import { PLAIN_HTTP } from '@/words/trustWords'

type ThisDevice = { deviceId: string; name: string } | null
const Device = createContext<ThisDevice>(null)

/** Which device this is, once the shop has said so. */
export function useThisDevice(): ThisDevice {
  return useContext(Device)
}

const BEAT_MS = 60_000

/** Tells the shop once a minute, while somebody looks, that this device is there. Shows what its address lacks. */
export function DeviceBeat({ shopId, children }: { shopId: string; children: ReactNode }) {
  const [device, setDevice] = useState<ThisDevice>(null)
  useEffect(() => {
    let gone = false
    const tell = async () => {
      if (window.document.hidden) return
      const told = await tellDevice(shopId)
      if (told && !gone) setDevice(told)
    }
    void tell()
    const timer = setInterval(() => void tell(), BEAT_MS)
    return () => {
      gone = true
      clearInterval(timer)
    }
  }, [shopId])
  return <Device value={device}>{children}</Device>
}

/** One sentence on what does not work where this page came over plain http. */
export function PlainHttp() {
  const [isPlain, setPlain] = useState(false)
  // eslint-disable-next-line react-hooks/set-state-in-effect -- only the browser knows by which address it came
  useEffect(() => setPlain(!window.isSecureContext), [])
  return isPlain ? (
    <p role="note" className="no-print border-b-2 border-ink bg-sheet px-6 py-2 text-[15px]">
      {PLAIN_HTTP}
    </p>
  ) : null
}

/** Asks for the name of a device that has none, once it is known. */
export function NameThisDevice() {
  const device = useThisDevice()
  return device?.name === '' ? (
    <p className="no-print mt-8 text-second">
      This device has no name yet: what is done on it can’t be told from what is done elsewhere.{' '}
      <Link className="jump" href="/shop/devices">
        Name it
      </Link>
    </p>
  ) : null
}
