'use client'
import { Bar, BarChart, CartesianGrid, Legend, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts'
import type { FiguresJob } from './figuresJob'

/** Minutes worked beside minutes forecast, job by job. The table beneath says the same in numbers. */
export function MinutesChart({ jobs }: { jobs: readonly FiguresJob[] }) {
  return (
    <div className="h-64 overflow-hidden" aria-hidden="true">
      <ResponsiveContainer width="100%" height="100%">
        <BarChart
          accessibilityLayer={false}
          data={jobs.map((job) => ({ label: job.label, worked: job.workedMin, forecast: job.forecastMin }))}
          margin={{ top: 8, right: 8, bottom: 0, left: 0 }}
        >
          <CartesianGrid vertical={false} stroke="var(--hair)" />
          <XAxis
            dataKey="label"
            tick={{ fill: 'var(--ink)', fontSize: 14 }}
            axisLine={{ stroke: 'var(--ink)' }}
            tickLine={false}
          />
          <YAxis
            unit=" min"
            width={64}
            tick={{ fill: 'var(--second)', fontSize: 13 }}
            axisLine={false}
            tickLine={false}
          />
          <Tooltip
            cursor={{ fill: 'var(--tint)' }}
            contentStyle={{ background: 'var(--sheet)', border: '2px solid var(--ink)', color: 'var(--ink)' }}
          />
          <Legend formatter={(name: string) => <span style={{ color: 'var(--ink)' }}>{name}</span>} />
          <Bar
            dataKey="forecast"
            name="forecast, by the house’s estimates"
            fill="var(--tint)"
            stroke="var(--petrol)"
            strokeWidth={2}
            isAnimationActive={false}
          />
          <Bar dataKey="worked" name="worked, by the log" fill="var(--petrol)" isAnimationActive={false} />
        </BarChart>
      </ResponsiveContainer>
    </div>
  )
}
