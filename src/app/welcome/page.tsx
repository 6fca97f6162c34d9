import { redirect } from 'next/navigation'
import { currentCrew } from '@/server/session'
import { mayLookAround } from '@/server/demoSignIn'
import { env } from '@/server/env'
import { ProductSign } from '@/ui/marks/Signs'
import { Alive } from '@/ui/shell/Alive'
import { PlainHttp } from '@/ui/shell/DeviceBeat'
import { WelcomeForms } from './WelcomeForms'

export default async function Welcome() {
  if (await currentCrew()) redirect('/today')
  return (
    <div data-theme="desk" className="min-h-dvh">
      <PlainHttp />
      <main className="mx-auto grid max-w-6xl gap-x-14 gap-y-8 px-6 py-10 lg:grid-cols-[1.1fr_1fr]">
        <section>
          <div className="flex items-center gap-3">
            <ProductSign size={52} />
            <h1 className="text-4xl">Istruzione</h1>
          </div>
          <p className="mt-6 max-w-[34rem] text-2xl leading-snug">
            How a vehicle comes apart, and goes back with nothing left over.
          </p>
          <p className="mt-4 max-w-[34rem] text-lg text-second">
            Somebody strips a model once and states what holds, covers and ties each panel. From those facts Istruzione
            computes the way in and the way out for your goal and your build, leads the next crew through it, and counts
            everything back.
          </p>
          <HowItGoes />
          <p className="mt-8 max-w-[34rem] border-t-2 border-ink pt-3 text-second">
            Work on airbag circuits is for people trained and authorised under local rules. High voltage is never
            planned here. The maker’s data and local rules go before anything on these screens.
          </p>
        </section>
        <Alive>
          <WelcomeForms demo={await mayLookAround()} setup={env().ISTRUZIONE_SETUP} />
        </Alive>
      </main>
    </div>
  )
}

/** The U in small: in on the left, the cavity below, out on the right. */
function HowItGoes() {
  const rows = [
    ['Rubber liner', true],
    ['Climate panel', true],
    ['Centre surround', false],
  ] as const
  return (
    <div aria-hidden="true" className="mt-8 max-w-[26rem]">
      <div className="flex justify-between text-sm font-bold text-second">
        <span>↓ way in</span>
        <span>way out ↑</span>
      </div>
      <div className="relative mt-1 rounded-b-[36px] border-8 border-t-0 border-petrol pb-6">
        {rows.map(([name, back]) => (
          <div key={name} className="relative flex items-center gap-3 px-5 py-2">
            <span className="absolute -left-[17px] size-6 rounded-full border-4 border-ink bg-ground" />
            <span className="font-semibold">{name}</span>
            <span className="h-[3px] flex-1 bg-ink" />
            {!back && <span className="h-4 w-[3px] bg-ink" />}
            <span
              className={`absolute -right-[17px] size-6 rounded-full border-4 border-ink ${back ? 'bg-ink' : 'bg-ground'}`}
            />
          </div>
        ))}
        <div className="absolute -bottom-[15px] left-1/2 size-5 -translate-x-1/2 bg-ink" />
      </div>
    </div>
  )
}
