import { QrCode } from '../paper/QrCode'
import { fingerprintLines } from '@/words/trustWords'

type Address = { origin: string; isLocal: boolean; trust: { address: string; fingerprint: string } | null }

/** How another device comes here: the address and its code, what to compare, or how to be reachable at all. */
export function AddressCard({ address: { origin, isLocal, trust } }: { address: Address }) {
  return (
    <section>
      <h2 className="border-b-2 border-ink pb-1 text-xl">Another device</h2>
      {isLocal ? (
        <p className="py-3">
          Istruzione listens on this machine only. To bring it to the bays, end it and start it with{' '}
          <code className="num">bin/start --shop-network</code>.
        </p>
      ) : (
        <div className="space-y-4 py-3">
          <p>
            Scan this with its camera, or type{' '}
            <b className="num [overflow-wrap:anywhere]">{trust ? trust.address : origin}</b>
            {trust ? '. It says in three sentences how the device learns to trust this shop’s own certificate.' : '.'}
          </p>
          <QrCode
            text={trust ? trust.address : origin}
            sizeMm={48}
            label={`Code for ${trust ? trust.address : origin}`}
          />
          <p>
            From then on: <b className="num [overflow-wrap:anywhere]">{origin}</b>
          </p>
          {trust && <Fingerprint text={trust.fingerprint} />}
        </div>
      )}
    </section>
  )
}

/** Read by two people to each other: the same here and on the new device, else somebody is in between. */
export function Fingerprint({ text }: { text: string }) {
  return (
    <div>
      <p className="font-bold">Fingerprint of the certificate, to compare</p>
      {fingerprintLines(text).map((line) => (
        <p key={line} className="num">
          {line}
        </p>
      ))}
    </div>
  )
}
