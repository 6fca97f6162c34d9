import type { Stock } from '@/core/shop/stock'
import type { Kit } from '@/core/shop/kit'
import type { Tool } from '@/core/shop/tool'
import { ShopRules } from '@/core/vehicle/rule'
import { cameraKit } from './kits/cameraAndRelay'
import { radioLooseKit } from './kits/radioLoose'
import { radioLeadKit } from './kits/radioLead'
import { radioSwapKit } from './kits/radioSwap'
import { recorderKit } from './kits/recorder'
import { roofCameraKit } from './kits/roofCamera'
import { signKit } from './kits/signAndAudio'
import { trackerKit } from './kits/tracker'

/** What Saltmarsh adds of its own: a rule learnt the hard way, and one built-in rule taken more seriously. */
export const DEMO_RULES: ShopRules = ShopRules.parse({
  raised: { cold: 'WARNING' },
  added: [
    {
      id: 'own-painted-hands',
      severity: 'NOTICE',
      sentence: 'Gloves off, hands wiped: this face is painted.',
      remedy: 'Tape above and below before the pry tool.',
      origin: 'This shop.',
      effect: 'cautions',
      at: { acts: ['release'], painted: true },
      while: [],
    },
  ],
})

export const DEMO_TOOLS: Tool[] = [
  ['pry tool', '', 4, 'each bag'],
  ['hex 7 nut driver', 'hex 7', 3, 'each bag'],
  ['hex 8 nut driver', 'hex 8', 2, 'wall'],
  ['hex 10 ratchet', 'hex 10', 2, 'wall'],
  ['T20 driver', 'six-lobe T20', 3, 'each bag'],
  ['PH2 driver', 'cross PH2', 3, 'each bag'],
  ['coax release key', '', 1, 'drawer 3'],
].map(([name, head, count, kept], i) => ({
  id: `tool-${i + 1}`,
  name: String(name),
  head: String(head),
  count: Number(count),
  kept: String(kept),
}))

/** What lies on the shelves, counted a few days before the demo begins. */
export function demoStock(nowMs: number): Stock {
  const countedAt = new Date(nowMs - 3 * 86_400_000).toISOString()
  return [
    { partNumber: 'SF-R42', name: 'Recorder lead', place: 'shelf B', counted: 2, orderAt: 1 },
    { partNumber: 'SF-R43', name: 'Microphone', place: 'shelf B', counted: 1, orderAt: 1 },
    { partNumber: 'SF-U21', name: 'Amplifier lead', place: 'shelf C', counted: 1, orderAt: 1 },
    { partNumber: 'SF-U22', name: 'Speaker lead', place: 'shelf C', counted: 3, orderAt: 1 },
    { partNumber: 'SF-T21', name: 'Tracker lead, fused', place: 'shelf B', counted: 4, orderAt: 2 },
    { partNumber: 'SF-K11', name: 'Camera lead, 3 m', place: 'shelf D', counted: 1, orderAt: null },
    { partNumber: 'SF-C01', name: 'Cable ties', place: 'drawer 2', counted: 180, orderAt: 50 },
    { partNumber: 'SF-C03', name: 'Adhesive pads', place: 'drawer 2', counted: 16, orderAt: 20 },
  ].map((item) => ({ ...item, countedAt }))
}

/** What this crew calls things. */
export const DEMO_WORDS = [
  { word: 'wotsit', means: 'spring clip' },
  { word: 'bin lid', means: 'glovebox' },
]

/** The kits, each with its fit on the models it meets. `models`: procedure ids by the demo's short names. */
export function demoKits(models: Record<string, string>): Kit[] {
  const { van, moto, pickup, bus } = models as Record<'van' | 'moto' | 'pickup' | 'bus', string>
  return [
    recorderKit(van),
    radioSwapKit(van),
    radioLooseKit(van),
    trackerKit(moto, van),
    cameraKit(pickup),
    roofCameraKit(bus),
    signKit(bus),
    radioLeadKit(van, moto),
  ]
}
