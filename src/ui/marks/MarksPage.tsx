import type { ReactNode } from 'react'
import { AXES } from '@/core/procedure/direction'
import { HOLDER_KINDS } from '@/core/procedure/holderKinds'
import type { Holder } from '@/core/procedure/holder'
import { LEVELS } from '@/core/procedure/levels'
import { SEVERITIES } from '@/core/procedure/severity'
import { TAB_SIDES } from '@/core/procedure/tether'
import { ScrewDrawing } from './ScrewDrawing'
import { DirectionSign } from './DirectionSign'
import { FastenerMark, shapeOf, type MarkShape } from './FastenerMark'
import { LevelMark } from './LevelMark'
import { PlugMark } from './PlugMark'
import { AirbagFlag, ClosedTick, GapSign, MayRing, ProductSign, SignalPlate, StopSign } from './Signs'
import { Tape } from './Tape'

const SIZES = [20, 32, 56] as const
const DRIVES: [MarkShape, string][] = [
  ['hex', 'hex'],
  ['hex socket', 'hex socket'],
  ['lobe', 'six-lobe'],
  ['cross', 'cross recess'],
  ['slot', 'slot'],
]

/** Every mark, state and component, in both themes and three sizes: looked at whenever one of them changes. */
export function MarksPage() {
  return (
    <div className="grid lg:grid-cols-2">
      {(['desk', 'bay'] as const).map((theme) => (
        <section key={theme} data-theme={theme} aria-label={`${theme} theme`} className="space-y-8 p-8">
          <h1 className="text-3xl">{theme === 'desk' ? 'Desk' : 'Bay'}</h1>
          <Group title="Level of a part">
            {LEVELS.map((level) => (
              <Sample key={level} name={level}>
                {SIZES.map((size) => (
                  <LevelMark key={size} level={level} size={size} />
                ))}
              </Sample>
            ))}
          </Group>
          <Group title="Fasteners, and hidden ones">
            {DRIVES.map(([shape, name]) => (
              <Shape key={name} shape={shape} name={name} />
            ))}
            {[...new Map(HOLDER_KINDS.map((kind) => [shapeOf({ kind, drives: [] } as unknown as Holder), kind]))].map(
              ([shape, kind]) => (
                <Shape key={kind} shape={shape} name={kind} />
              ),
            )}
          </Group>
          <Group title="Plugs: the thick tick is the latch side">
            {TAB_SIDES.map((tabSide) => (
              <Sample key={tabSide} name={tabSide}>
                {SIZES.map((size) => (
                  <PlugMark key={size} tether={{ kind: 'electrical', tabSide, circuit: 'audio' }} size={size} />
                ))}
              </Sample>
            ))}
            <Sample name="airbag system">
              {SIZES.map((size) => (
                <PlugMark
                  key={size}
                  tether={{ kind: 'electrical', tabSide: 'driver side', circuit: 'srs-indicator' }}
                  size={size}
                />
              ))}
            </Sample>
            <Sample name="hose, cable, strap">
              {SIZES.map((size) => (
                <PlugMark key={size} tether={{ kind: 'hose', tabSide: null, circuit: null }} size={size} />
              ))}
            </Sample>
          </Group>
          <Group title="Directions as seen from the seat, looking forward">
            {AXES.filter((axis) => axis !== 'inboard' && axis !== 'outboard').map((axis) => (
              <Sample key={axis} name={axis}>
                {SIZES.map((size) => (
                  <DirectionSign key={size} axis={axis} size={size} />
                ))}
              </Sample>
            ))}
          </Group>
          <Group title="Signs">
            <Sample name="stop">
              {SIZES.map((size) => (
                <StopSign key={size} size={size} />
              ))}
            </Sample>
            <Sample name="may come on">
              {SIZES.map((size) => (
                <MayRing key={size} size={size} />
              ))}
            </Sample>
            <Sample name="closed account">
              {SIZES.map((size) => (
                <ClosedTick key={size} size={size} />
              ))}
            </Sample>
            <Sample name="out, not back">
              {SIZES.map((size) => (
                <GapSign key={size} size={size} />
              ))}
            </Sample>
            <Sample name="the product">
              {SIZES.map((size) => (
                <ProductSign key={size} size={size} />
              ))}
            </Sample>
            <Sample name="airbag circuits only">
              <AirbagFlag />
            </Sample>
            {SEVERITIES.map((severity) => (
              <Sample key={severity} name="severity">
                <SignalPlate severity={severity} small />
                <SignalPlate severity={severity} />
              </Sample>
            ))}
          </Group>
          <Group title="Tape: on things that wear one">
            <Sample name="small, middle, large">
              <Tape label="A" size="s" />
              <Tape label="VAN 27" />
              <Tape label="BAY 2" size="l" />
            </Sample>
          </Group>
          <Group title="Lookalikes, to one scale">
            <Sample name="M4 × 16 and M4 × 25">
              <ScrewDrawing diameterMm={4} lengthMm={16} />
              <ScrewDrawing diameterMm={4} lengthMm={25} />
            </Sample>
          </Group>
          <Group title="What is tapped">
            <Sample name="next tap, and waiting">
              <button type="button" className="slab">
                Done as written
              </button>
              <button type="button" className="slab" disabled>
                Hand over
              </button>
            </Sample>
            <Sample name="beside it">
              <button type="button" className="ghost">
                Different
              </button>
              <button type="button" className="desk-button">
                Copy
              </button>
              <button type="button" className="desk-button main">
                Save
              </button>
              <button type="button" className="desk-button" disabled>
                Undo
              </button>
            </Sample>
            <Sample name="fields">
              <label className="block">
                Plate <input className="field" defaultValue="SM 1127" />
              </label>
              <label className="block">
                Wrong <input className="field" aria-invalid="true" defaultValue="" />
              </label>
            </Sample>
            <Sample name="the one sign of a screen">
              <span className="on-sign rounded p-4 text-3xl font-extrabold">9 spring clips</span>
            </Sample>
          </Group>
        </section>
      ))}
    </div>
  )
}

function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section>
      <h2 className="border-b-2 border-ink pb-1 text-lg">{title}</h2>
      <div className="mt-3 flex flex-wrap gap-x-8 gap-y-4">{children}</div>
    </section>
  )
}

function Sample({ name, children }: { name: string; children: ReactNode }) {
  return (
    <figure>
      <div className="flex flex-wrap items-center gap-3">{children}</div>
      <figcaption className="mt-1 text-[15px] text-second">{name}</figcaption>
    </figure>
  )
}

function Shape({ shape, name }: { shape: MarkShape; name: string }) {
  return (
    <Sample name={name}>
      {SIZES.map((size) => (
        <FastenerMark key={size} shape={shape} size={size} />
      ))}
      <FastenerMark shape={shape} size={32} hidden />
    </Sample>
  )
}
