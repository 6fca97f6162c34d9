'use client'
import { useState } from 'react'
import type { Hand } from '@/core/job/event'
import { STATIONS } from '@/core/procedure/stations'
import type { JobData, PlannedJob } from './useJob'

/** Who is on this job, and where each begins: the rest is shared out so that nobody sits on another's seat. */
export function PeopleDialog({
  data,
  job,
  share,
}: {
  data: JobData
  job: PlannedJob
  share: (people: Hand[]) => void
}) {
  const [people, setPeople] = useState<Hand[]>(
    job.state.people.length > 0 ? job.state.people : [{ personId: data.acting.id, station: job.request.start }],
  )
  const stations = [...new Set<string>([...STATIONS, ...data.house.stations.map(({ name }) => name)])]
  const others = data.crew.filter((person) => !people.some((hand) => hand.personId === person.id))
  const put = (personId: string, station: string) =>
    setPeople(people.map((hand) => (hand.personId === personId ? { ...hand, station } : hand)))
  return (
    <div className="space-y-4">
      <ul>
        {people.map((hand) => (
          <li key={hand.personId} className="flex flex-wrap items-center gap-3 border-b border-hair py-2">
            <b className="min-w-28 flex-1 text-xl">{data.crew.find((person) => person.id === hand.personId)?.name}</b>
            <label className="flex items-center gap-2 text-lg">
              begins at
              <select
                className="field !min-h-14 text-lg"
                value={hand.station}
                onChange={(event) => put(hand.personId, event.target.value)}
              >
                {stations.map((name) => (
                  <option key={name}>{name}</option>
                ))}
              </select>
            </label>
            <button
              type="button"
              className="ghost"
              disabled={people.length === 1}
              onClick={() => setPeople(people.filter((other) => other !== hand))}
            >
              Leaves
            </button>
          </li>
        ))}
      </ul>
      {people.length < 3 && (
        <div className="flex flex-wrap items-center gap-2">
          <span className="text-lg">With</span>
          {others.map((person) => (
            <button
              key={person.id}
              type="button"
              className="ghost text-lg"
              onClick={() =>
                setPeople([
                  ...people,
                  {
                    personId: person.id,
                    station: people.some((hand) => hand.station === 'passenger side')
                      ? 'driver side'
                      : 'passenger side',
                  },
                ])
              }
            >
              {person.name}
            </button>
          ))}
        </div>
      )}
      <button type="button" className="slab w-full !min-h-[84px] text-2xl" onClick={() => share(people)}>
        {people.length === 1 ? 'One person does it' : `Share it out over ${people.length}`}
      </button>
      <p className="text-second">
        Each works on a tablet of their own, or changes the name at the top of this one. A card can be taken over at any
        time.
      </p>
    </div>
  )
}
