'use client'
import { useState } from 'react'
import { resultOfTest } from '@/core/job/resultOfTest'
import type { VehicleFunction } from '@/core/procedure/vehicleFunction'
import { rangeWords } from '@/words/workStepWords'

/** A test with a reading: the number, then it works; outside where it has to lie it has failed. */
export function ReadingForm({
  asked,
  keep,
  fails,
}: {
  asked: Pick<VehicleFunction, 'readingUnit' | 'least' | 'most'>
  keep: (reading: string) => void
  fails: (reading: string) => void
}) {
  const [value, setValue] = useState('')
  const { readingUnit: unit, least, most } = asked
  const range = least === null && most === null ? '' : rangeWords({ unit, least, most })
  const reading = value.trim() === '' ? '' : `${value.trim()} ${unit}`
  const failed = resultOfTest(asked, { result: 'passed', reading }) === 'failed'
  return (
    <form
      className="space-y-4"
      onSubmit={(event) => {
        event.preventDefault()
        if (failed) fails(reading)
        else keep(reading)
      }}
    >
      <label className="block">
        <span className="mb-1 block text-lg font-semibold">
          Reading, in {unit}
          {range && `: ${range}`}
        </span>
        <input
          autoFocus
          inputMode="decimal"
          className="field num !min-h-14 text-3xl"
          maxLength={12}
          value={value}
          onChange={(event) => setValue(event.target.value)}
        />
      </label>
      {failed && (
        <p role="alert" className="text-lg font-bold">
          {reading} is outside {range}: the test fails.
        </p>
      )}
      <button className="slab w-full !min-h-[84px] text-2xl">
        {failed ? 'It fails: find out why' : value.trim() === '' ? 'It works, no reading' : 'It works'}
      </button>
    </form>
  )
}
