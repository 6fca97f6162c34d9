import type { WorkStep } from '@/core/shop/workStep'
import type { Holder } from '@/core/procedure/holder'
import type { Tether } from '@/core/procedure/tether'
import { FastenerMark, shapeOf } from '../marks/FastenerMark'
import { LineMark } from '../marks/LineMark'
import { PlugMark } from '../marks/PlugMark'
import type { KitThingsOfJob } from './kitOfJob'

const SHAPES: Readonly<Record<WorkStep['act'], string>> = {
  fit: 'M4 20h16M12 4v12M7 11l5 5 5-5',
  fasten: 'M12 4v16M8 8l4-4 4 4',
  plug: 'M8 3v6M16 3v6M6 9h12v4a6 6 0 0 1-12 0ZM12 19v3',
  'lead through': 'M3 12h7M14 12h7M10 5v14M14 5v14',
  set: 'M12 2 22 12 12 22 2 12Z',
  read: 'M4 16a8 8 0 0 1 16 0M12 16l4-6',
  'look at': 'M2 12s4-6 10-6 10 6 10 6-4 6-10 6-10-6-10-6ZM12 9a3 3 0 1 1 0 6 3 3 0 0 1 0-6Z',
  do: 'M4 4h16v16H4Z',
}

/** The mark of a step of work: the fastener or plug it is about, else what is done. */
export function StepMarkOfWork({ kit, step, size }: { kit: KitThingsOfJob; step: WorkStep; size: number }) {
  const holder = kit.holders.find(({ id }) => id === step.itemId)
  if (holder)
    return <FastenerMark shape={shapeOf(holder as unknown as Holder)} hidden={false} size={size} className="shrink-0" />
  const plug = kit.plugs.find(({ id }) => id === step.itemId)
  if (plug && step.act === 'plug')
    return <PlugMark tether={plug as unknown as Tether} size={size} className="shrink-0" />
  return <LineMark d={SHAPES[step.act]} size={size} />
}
