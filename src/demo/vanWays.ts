import type { Author } from './author'
import { cavity, partAt } from './kits/pieces'
import { vanDash } from './drawings/vanDash'
import { spots } from './drawings/pen'

const { pen } = vanDash()
const at = (...points: [number, number][]) => spots('dash', ...pen.all(...points))
const beside = (kind: string, distanceMm: number) => ({ kind, how: 'beside', distanceMm })

/** Where leads can lie in the panel van: behind the dash, up the driver’s pillar, under the dash top. */
export function vanWays(a: Author): void {
  a.point('p-radio', 'behind the radio', 'centre', {
    ...{ kind: 'device', leaveMm: 250, roomMl: 150, access: [cavity('radio-cavity')] },
    positions: at([634, 380]),
  })
  a.point('p-knee', 'behind the knee panel', 'driver side', { positions: at([414, 505]), roomMl: 80 })
  a.point('p-fuse', 'fuse box', 'driver side', {
    ...{ kind: 'supply', supply: { from: 'fuse box', fuseA: 10 }, leaveMm: 150, access: [cavity('knee-cavity')] },
    positions: at([330, 500]),
  })
  a.point('p-foot', 'driver pillar foot', 'driver side', { positions: at([300, 420]) })
  a.point('p-head', 'driver pillar head', 'driver side', {
    ...{ kind: 'microphone', leaveMm: 100, access: [cavity('pillar-cavity')] },
    positions: at([268, 250]),
  })
  a.point('p-glove', 'behind the glovebox', 'passenger side', { positions: at([816, 435]), roomMl: 300 })
  a.point('p-spare', 'spare fuse behind the glovebox', 'passenger side', {
    ...{ kind: 'supply', supply: { from: 'spare fuse', fuseA: 15 }, leaveMm: 150, access: [cavity('glove-cavity')] },
    positions: at([880, 450]),
  })
  a.point('p-top', 'under the dash top', 'centre', {
    ...{ kind: 'antenna', leaveMm: 100, access: [cavity('radio-cavity')] },
    positions: at([634, 290]),
  })
  a.way(
    'v-cluster',
    'behind the cluster',
    'p-radio>p-knee',
    600,
    'driver side',
    [['laid in', [cavity('knee-cavity')]]],
    {
      passes: [beside('steering column', 60)],
      positions: at([560, 430], [480, 470]),
    },
  )
  a.way(
    'v-heater',
    'over the heater box',
    'p-radio>p-glove',
    500,
    'passenger side',
    [['laid in', [cavity('glove-cavity')]]],
    {
      passes: [beside('actuator', 40)],
      positions: at([720, 400]),
    },
  )
  a.way(
    'v-fuse',
    'along the maker’s loom to the fuse box',
    'p-knee>p-fuse',
    250,
    'driver side',
    [['laid in', [cavity('knee-cavity')]]],
    {
      tiedTo: 'factory bundle',
    },
  )
  a.way(
    'v-spare',
    'to the spare fuse',
    'p-glove>p-spare',
    200,
    'passenger side',
    [['laid in', [cavity('glove-cavity')]]],
    {
      tiedTo: 'factory bundle',
    },
  )
  a.way('v-foot', 'to the pillar foot', 'p-knee>p-foot', 350, 'driver side', [['laid in', [cavity('knee-cavity')]]], {
    passes: [beside('pedal', 150)],
  })
  a.way(
    'v-pillar',
    'up the driver’s pillar',
    'p-foot>p-head',
    700,
    'driver side',
    [['laid in', [cavity('pillar-cavity')]]],
    {
      ...{ passes: [beside('airbag module', 80), beside('airbag lead', 30)], tiedTo: 'bracket' },
      positions: at([284, 330]),
    },
  )
  a.way('v-across', 'along the dash top behind the glass', 'p-top>p-head', 900, 'driver side', [['tucked', []]], {
    passes: [{ kind: 'airbag path', how: 'crosses' }],
    positions: at([450, 270]),
  })
  a.way('v-top', 'up behind the radio', 'p-radio>p-top', 300, 'centre', [['laid in', [cavity('radio-cavity')]]])
  a.way('v-upper', 'behind the panel above the glovebox', 'p-glove>p-top', 450, 'passenger side', [
    ['laid in', [partAt('upper', 'off')]],
  ])
}
