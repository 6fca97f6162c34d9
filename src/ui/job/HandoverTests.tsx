'use client'
import { useState } from 'react'
import { wallMsOf } from '@/core/base/clock'
import { testsOwed, type OwedTest } from '@/core/job/terms'
import { ClosedTick, StopSign } from '../marks/Signs'
import { Dialog } from '../shell/Dialog'
import { nameOf } from './nameOf'
import { TestFailed } from './TestFailed'
import type { JobData, LiveJob } from './useJob'
import { resultOfTest } from '@/core/job/resultOfTest'
import { dateWords } from '@/words/dates'
import { testWithWords } from '@/words/functionWords'
import { rangeWords } from '@/words/workStepWords'

/** Every function of a plug that was opened, and what the kit added: passed or failed, with a reading. */
export function HandoverTests({ data, job }: { data: JobData; job: LiveJob }) {
  const owed = testsOwed(job.document, job.state, job.terms)
  return (
    <section>
      <h2 className="flex justify-between border-b-2 border-ink pb-1 text-2xl">
        Tests{' '}
        <span className="text-lg font-normal text-second">
          every function of a plug that was opened, and what was added
        </span>
      </h2>
      {owed.length === 0 && <p className="py-3 text-lg text-second">Nothing that has to be tested was opened.</p>}
      <ul>
        {owed.map((item) => (
          <TestRow key={item.id} item={item} data={data} job={job} />
        ))}
      </ul>
    </section>
  )
}

function TestRow({ item, data, job }: { item: OwedTest; data: JobData; job: LiveJob }) {
  const functionId = item.id
  const test = job.state.tests.get(functionId)
  const [reading, setReading] = useState('')
  const [why, setWhy] = useState(false)
  const done = data.handedOver && job.state.handedOver !== null
  const said = reading.trim() ? `${reading.trim()} ${item.readingUnit}`.trim() : ''
  const record = (result: 'passed' | 'failed') =>
    job.record([{ kind: 'tested', functionId, result, reading: said, note: '' }])
  // Outside its range it has failed, whoever says that it passed.
  const outside = resultOfTest(item, { result: 'passed', reading: said }) === 'failed'
  const range = item.least === null && item.most === null ? '' : rangeWords({ ...item, unit: item.readingUnit })
  return (
    <li
      className="grid grid-cols-1 items-center gap-x-4 gap-y-2 border-b border-hair py-3 md:grid-cols-[1fr_auto_auto]"
      id={`test:${functionId}`}
      data-test={functionId}
    >
      <div>
        <p className="flex items-center gap-3 text-[22px] font-bold">
          {test?.result === 'passed' && <ClosedTick size={26} />}
          {test?.result === 'failed' && <StopSign size={28} />}
          {item.name}
        </p>
        <p className="text-[17px] text-second">
          {item.how}
          {item.power !== 'none' && ` (needs ${item.power})`}
          {item.testWith && item.testWith.length > 0 && `, ${testWithWords(item.testWith)}`}
          {(item.warmUpS ?? 0) > 0 && `, give it ${item.warmUpS} s`}
          {range && `, ${range}`}
          {outside && <b className="block text-ink">{`${said} is outside ${range}: it fails.`}</b>}
          {job.state.workedBefore.get(functionId)?.works === false && '. It did not work before we began.'}
          {test &&
            `. ${[`${test.result} ${test.reading}`.trim(), nameOf(data, test.personId), dateWords(wallMsOf(test.at), 'clock', data.house.timeZone)].join(', ')}`}
        </p>
      </div>
      {done ? (
        <span />
      ) : item.readingUnit ? (
        <label className="flex items-center gap-2">
          <span className="sr-only">Reading of {item.name}</span>
          <input
            className="field num !min-h-14 w-24 text-xl"
            inputMode="decimal"
            maxLength={12}
            value={reading}
            onChange={(event) => setReading(event.target.value)}
          />
          <span>{item.readingUnit}</span>
        </label>
      ) : (
        <span />
      )}
      {/* Once it is handed over, a tap here would open the vehicle's account again. */}
      <div className={`gap-2 ${done ? 'hidden' : 'flex'}`}>
        <button type="button" className="slab" disabled={outside} onClick={() => record('passed')}>
          Passed
        </button>
        <button type="button" className="ghost" onClick={() => (record('failed'), setWhy(true))}>
          Failed
        </button>
        <Dialog title={`${item.name}: why did it fail?`} open={why} onClose={() => setWhy(false)} wide>
          <TestFailed job={job} functionId={functionId} close={() => setWhy(false)} />
        </Dialog>
      </div>
    </li>
  )
}
