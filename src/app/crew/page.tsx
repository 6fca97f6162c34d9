import { AIRBAG_CIRCUITS } from '@/core/shop/rights'
import Link from 'next/link'
import { DeskPage } from '@/app/DeskPage'
import { signOut } from '@/app/welcome/actions'
import { listCrew } from '@/server/crew'
import { asksForCode } from '@/server/secondFactor'
import { requireCrew } from '@/server/session'
import { may } from '@/server/whoAsks'
import { setAuthorisedAction } from '@/app/shop/actions'
import { AuthorisedBox } from '@/ui/shop/AuthorisedBox'
import { ShopTabs } from '@/ui/shop/ShopTabs'
import { AddPerson, RemoveDemo, RetireButton } from './CrewForms'
import { SecondFactor } from './SecondFactor'
import { OwnSecrets, ResetSecrets } from './SecretForms'

export const metadata = { title: 'Shop' }

export default async function CrewPage() {
  const crew = await requireCrew()
  const people = await listCrew(crew)
  const asked = await asksForCode(crew)
  const owner = may(crew, 'bring people in and let them go')
  return (
    <DeskPage crew={crew} at="/crew">
      <ShopTabs at="/crew" />
      <div className="grid gap-10 px-6 py-6 lg:grid-cols-[1fr_340px]">
        <section>
          <h1 className="text-3xl">{crew.shopName}</h1>
          <h2 className="mt-6 border-b-2 border-ink pb-1 text-xl">Crew</h2>
          <ul>
            {people.map((person) => (
              <li key={person.id} className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-hair py-2">
                <span className="w-40 font-bold">{person.name}</span>
                <span className="w-24">{person.role}</span>
                {person.active && (
                  <AuthorisedBox
                    name={person.name}
                    authorised={person.authorised.includes(AIRBAG_CIRCUITS)}
                    may={owner}
                    save={setAuthorisedAction.bind(null, person.id)}
                  />
                )}
                <span className="flex-1 text-second">
                  {person.active ? (person.signsIn ? 'signs tablets in' : 'acts by PIN') : 'has left'}
                </span>
                {owner && person.active && person.id !== crew.acting.id && (
                  <>
                    <ResetSecrets crewId={person.id} name={person.name} signsIn={person.signsIn} />
                    <RetireButton crewId={person.id} name={person.name} />
                  </>
                )}
              </li>
            ))}
          </ul>
          <p className="mt-3 max-w-2xl text-[15px] text-second">
            “Airbag circuits”: trained and authorised under local rules. Opening or closing a circuit that fires an
            airbag is refused to anybody else.{owner ? '' : ' The owner sets it.'}
          </p>
          <h2 className="mb-2 mt-8 border-b-2 border-ink pb-1 text-xl">Yours, {crew.acting.name}</h2>
          <OwnSecrets
            hasPassword={
              crew.acting.id === crew.signedIn.id && people.some(({ id, signsIn }) => id === crew.acting.id && signsIn)
            }
          />
          {asked !== null && !crew.isDemo && <SecondFactor key={`${asked}`} isOn={asked} />}
          <form action={signOut} className="mt-6">
            <button className="desk-button">Sign this tablet out</button>
          </form>
          <p className="mt-6">
            <Link className="jump" href="/marks">
              Every mark, state and component
            </Link>
          </p>
        </section>
        <section className="space-y-8">
          {owner ? (
            <div>
              <h2 className="mb-3 border-b-2 border-ink pb-1 text-xl">Add somebody</h2>
              <AddPerson />
            </div>
          ) : (
            <p className="text-second">Only the owner brings people in. Tap the name at the top to change who acts.</p>
          )}
          {crew.isDemo && may(crew, 'remove the demo') && (
            <div>
              <h2 className="mb-3 border-b-2 border-ink pb-1 text-xl">This is the demo</h2>
              <RemoveDemo />
            </div>
          )}
        </section>
      </div>
    </DeskPage>
  )
}
