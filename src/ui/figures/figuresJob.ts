/** A job as the figures show it; `doneWords` null: it is still open. */
export type FiguresJob = {
  id: string
  label: string
  title: string
  kind: 'job' | 'strip'
  doneWords: string | null
  workedMin: number
  forecastMin: number | null
  benchMin: number
  benchForecastMin: number | null
  clipsUndone: number
  clipsBroken: number
  openRows: number
}
