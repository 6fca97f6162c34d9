import type { Author } from './author'
import { cavity, partAt } from './kits/pieces'

const beside = (kind: string, distanceMm: number) => ({ kind, how: 'beside', distanceMm })

/** The pickup: from behind the radio, under the sill, through the floor and along the frame to the tail. */
export function pickupWays(a: Author): void {
  a.point('pk-radio', 'behind the radio', 'centre', {
    ...{ kind: 'device', leaveMm: 250, roomMl: 120, access: [cavity('radio-cavity')] },
  })
  a.point('pk-knee', 'behind the knee panel', 'driver side')
  a.point('pk-sill', 'driver sill, rear end', 'driver side', { roomMl: 60 })
  a.point('pk-under', 'under the bed', 'outside rear', { wet: true })
  a.point('pk-tail', 'tail', 'outside rear', { kind: 'camera', wet: true, leaveMm: 150 })
  a.way('pk-cluster', 'behind the cluster', 'pk-radio>pk-knee', 600, 'driver side', [
    ['laid in', [cavity('knee-cavity')]],
  ])
  a.way('pk-along', 'along the sill', 'pk-knee>pk-sill', 1100, 'driver side', [['laid in', [partAt('sill', 'off')]]], {
    tiedTo: 'factory bundle',
  })
  a.way(
    'pk-floor',
    'through the floor',
    'pk-sill>pk-under',
    300,
    'driver side',
    [['threaded', [partAt('sill', 'off')], { tool: 'drawing rod', note: 'grommet slit above its ring' }]],
    {
      ...{ bore: { shape: 'round', diameterMm: 16 }, passes: [{ kind: 'sharp edge', how: 'crosses' }] },
      passage: { through: 'floor', kind: 'blank grommet', edge: 'metal', seal: 'grommet', dripLoop: true },
    },
  )
  a.way('pk-frame', 'along the frame', 'pk-under>pk-tail', 2600, 'outside rear', [['laid in', []]], {
    passes: [beside('hot part', 250), beside('fuel or brake line', 60)],
    tiedTo: 'bracket',
  })
}

/** The motorcycle: under the tank, to the battery under the seat, and past the steering head, where it moves. */
export function motorcycleWays(a: Author): void {
  a.point('mc-tank', 'bay under the tank cover', 'outside left', {
    ...{ kind: 'device', leaveMm: 120, roomMl: 40, access: [cavity('tank-cavity')] },
  })
  a.point('mc-battery', 'battery', 'outside left', {
    ...{ kind: 'supply', supply: { from: 'battery' }, leaveMm: 120, access: [cavity('seat-cavity')] },
  })
  a.point('mc-head', 'switched lead at the steering head', 'outside left', {
    ...{ supply: { from: 'switched', fuseA: 5 }, leaveMm: 100, access: [cavity('left-cavity')] },
  })
  a.way('mc-frame', 'along the frame under the seat', 'mc-tank>mc-battery', 500, 'outside left', [
    ['laid in', [cavity('seat-cavity')]],
  ])
  a.way(
    'mc-past',
    'past the steering head',
    'mc-tank>mc-head',
    450,
    'outside left',
    [['laid in', [cavity('left-cavity')]]],
    {
      ...{ slackMm: 80, passes: [beside('hinge', 20)], tiedTo: 'factory bundle', note: 'never pinched at full lock' },
    },
  )
}

/** The bus: from the side console up the door pillar and along the roof edge to the ceiling hatch. */
export function busWays(a: Author): void {
  a.point('bs-console', 'recorder bay', 'driver side', {
    ...{ kind: 'device', leaveMm: 300, roomMl: 400, access: [cavity('recorder-cavity')] },
  })
  a.point('bs-post', 'ticket post', 'centre')
  a.point('bs-sign', 'behind the destination sign', 'outside front')
  a.point('bs-hatch', 'ceiling hatch', 'centre', { kind: 'camera', leaveMm: 150, access: [partAt('ceiling', 'off')] })
  a.way(
    'bs-floor',
    'under the platform to the ticket post',
    'bs-console>bs-post',
    1400,
    'driver side',
    [['threaded', [cavity('recorder-cavity')], { tool: 'drawing rod' }]],
    { bore: { shape: 'slot', widthMm: 80, heightMm: 30 } },
  )
  a.way(
    'bs-up',
    'up inside the post',
    'bs-post>bs-hatch',
    2100,
    'centre',
    [['threaded', [cavity('ticket-cavity'), partAt('ceiling', 'off')]]],
    { bore: { shape: 'round', diameterMm: 32 } },
  )
  a.way('bs-screen', 'beside the windscreen', 'bs-console>bs-sign', 1700, 'driver side', [
    ['tucked', [cavity('sign-cavity')]],
  ])
  a.way(
    'bs-roof',
    'along the roof edge',
    'bs-sign>bs-hatch',
    1900,
    'centre',
    [['tucked', [partAt('ceiling', 'off')]]],
    {
      tiedTo: 'bracket',
    },
  )
}
