import { shopAddress } from '@/server/shopAddress'
import { ProductSign } from '@/ui/marks/Signs'
import { Fingerprint } from '@/ui/shop/AddressCard'
import { TRUST_STEPS } from '@/words/trustWords'

export const metadata = { title: 'Trust this shop' }

/** What a device needs before it opens the shop's encrypted address: no sign-in, and nothing of the shop is shown. */
export default async function TrustPage() {
  const { origin, trust } = await shopAddress()
  return (
    <div data-theme="desk" className="min-h-dvh">
      <main className="mx-auto max-w-3xl px-6 py-8">
        <div className="flex items-center gap-3">
          <ProductSign size={44} />
          <h1 className="text-3xl">Trust this shop’s own certificate</h1>
        </div>
        {trust ? <Steps origin={origin} fingerprint={trust.fingerprint} /> : <NoneHere />}
      </main>
    </div>
  )
}

function NoneHere() {
  return (
    <p className="mt-6 text-xl">
      This installation has no certificate of its own. Start it with{' '}
      <code className="num">bin/start --shop-network</code>.
    </p>
  )
}

function Steps({ origin, fingerprint }: { origin: string; fingerprint: string }) {
  return (
    <>
      <p className="mt-4 text-lg">
        Once for each device. Then it opens <b className="num [overflow-wrap:anywhere]">{origin}</b> without a warning,
        and nobody on this network can read along.
      </p>
      <div className="mt-5 flex flex-wrap gap-3">
        <a className="slab" href="/trust/certificate" download>
          Download the certificate
        </a>
        <a className="ghost" href={origin}>
          It is installed: open Istruzione
        </a>
      </div>
      <div className="mt-6 border-l-8 border-petrol py-1 pl-4">
        <Fingerprint text={fingerprint} />
        <p className="text-second">
          It must be what the machine that runs Istruzione shows, and the page <b>Devices</b>. If it is not, stop here.
        </p>
      </div>
      {TRUST_STEPS.map(({ device, sentences }) => (
        <section key={device} className="mt-6">
          <h2 className="border-b-2 border-ink pb-1 text-xl">{device}</h2>
          <ol className="list-decimal space-y-1 py-2 pl-6 text-lg">
            {sentences.map((sentence) => (
              <li key={sentence}>{sentence}</li>
            ))}
          </ol>
        </section>
      ))}
    </>
  )
}
