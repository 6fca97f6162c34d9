import type { WorkStep } from '@/core/shop/workStep'
import type { ProcedureDocument } from '@/core/procedure/document'
import { FastenerMark, shapeOf } from '../marks/FastenerMark'
import { LineMark } from '../marks/LineMark'
import { PlugMark } from '../marks/PlugMark'

const SHAPES: Readonly<Record<WorkStep['act'], string>> = {
  fit: 'M4 20h16M12 4v12M7 11l5 5 5-5',
  fasten: 'M12 4v16M8 8l4-4 4 4',
  plug: 'M8 3v6M16 3v6M6 9h12v4a6 6 0 0 1-12 0ZM12 19v3',
  cap: 'M6 9h12v10H6ZM9 9V5h6v4M4 19h16',
  'lead through': 'M3 12h7M14 12h7M10 5v14M14 5v14',
  lay: 'M3 17c5 0 4-10 9-10s4 10 9 10M3 17v4M21 17v4',
  set: 'M12 2 22 12 12 22 2 12Z',
  read: 'M4 16a8 8 0 0 1 16 0M12 16l4-6',
  'look at': 'M2 12s4-6 10-6 10 6 10 6-4 6-10 6-10-6-10-6ZM12 9a3 3 0 1 1 0 6 3 3 0 0 1 0-6Z',
  do: 'M4 4h16v16H4Z',
}

/** The mark of a step of work: the fastener or plug it is about, else what is done. */
export function StepMarkOfWork({
  document,
  step,
  size,
}: {
  document: ProcedureDocument
  step: WorkStep
  size: number
}) {
  const holder = document.holders.find(({ id }) => id === step.itemId)
  if (holder) return <FastenerMark shape={shapeOf(holder)} hidden={false} size={size} className="shrink-0" />
  // The job's own record of it: out of a box and classified by nobody it is none of the airbag system, nor yellow.
  const plug = step.act === 'plug' ? document.tethers.find(({ id }) => id === step.itemId) : undefined
  if (plug) return <PlugMark tether={plug} size={size} className="shrink-0" />
  return <LineMark d={SHAPES[step.act]} size={size} />
}
