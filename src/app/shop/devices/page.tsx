import { listDevices } from '@/server/devices'
import { requireCrew } from '@/server/session'
import { may } from '@/server/whoAsks'
import { shopAddress } from '@/server/shopAddress'
import { AddressCard } from '@/ui/shop/AddressCard'
import { DeviceRows } from '@/ui/shop/DeviceRows'
import { clockWords, seenWords, waitingWords } from '@/words/deviceWords'
import { REFUSALS } from '@/words/refusals'
import { ShopPage } from '../ShopPage'
import { nameDeviceAction, signOutDeviceAction } from './actions'

export const metadata = { title: 'Devices' }

export default async function DevicesPage() {
  const crew = await requireCrew()
  const maySee = may(crew, 'look after devices')
  const nowMs = new Date().getTime()
  const devices = maySee ? await listDevices(crew) : []
  return (
    <ShopPage crew={crew} at="/shop/devices" title="Devices">
      {maySee ? (
        <div className="grid gap-10 lg:grid-cols-[1.5fr_1fr]">
          <DeviceRows
            devices={devices.map(({ id, name, kind, by, signedIn, lastSeen, waiting, clockAheadMs }) => ({
              ...{ id, name, kind, by, signedIn },
              seen: seenWords(lastSeen.getTime(), nowMs, crew.house.timeZone),
              waiting: waitingWords(waiting),
              clock: clockWords(clockAheadMs),
            }))}
            name={nameDeviceAction}
            signOut={signOutDeviceAction}
          />
          <AddressCard address={await shopAddress()} />
        </div>
      ) : (
        <p className="text-second">{REFUSALS.needs('lead')}</p>
      )}
    </ShopPage>
  )
}
