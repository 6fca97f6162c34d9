/** How a field of a fact is entered. Paths are those of the document ("release.start"). */
export type Spec =
  | {
      as: 'text' | 'long' | 'texts'
      path: string
      label: string
      help?: string
      required?: boolean
      suggest?: readonly string[]
    }
  | { as: 'number'; path: string; label: string; unit?: string; nullable?: boolean; help?: string }
  | { as: 'choice'; path: string; label: string; options: readonly string[]; empty?: string; help?: string }
  | { as: 'station' | 'stations'; path: string; label: string; empty?: string }
  | { as: 'choices'; path: string; label: string; options: readonly string[] }
  | { as: 'yes' | 'photo'; path: string; label: string }
  | { as: 'item' | 'items'; path: string; label: string; of: ItemKind; empty?: string; help?: string }
  | { as: 'rows'; path: string; label: string; blank: object; specs: readonly Spec[]; add: string; ids?: boolean }
  | { as: 'maybe'; path: string; label: string; blank: object; specs: readonly Spec[] }
  | { as: 'points'; path: string; label: string; help?: string }
  | { as: 'when' | 'access' | 'bore'; path: string; label: string }
  | { as: 'waits' | 'needs'; path: string; label: string }

export type ItemKind = 'waypoints' | 'parts' | 'holders' | 'tethers' | 'functions' | 'views' | 'settings' | 'anything'
export type Group = { title: string; specs: readonly Spec[]; folded?: boolean }

export const LEVELS_ASKED = ['free', 'off'] as const
export const LEVELS_OPENED = ['eased', 'free', 'off'] as const
export const WHEN: Group = {
  title: 'Only on some builds',
  folded: true,
  specs: [{ as: 'when', path: 'when', label: 'Exists only on' }],
}
export const NOTE: Spec = { as: 'long', path: 'note', label: 'Note' }
export const POSITIONS: Spec = {
  as: 'rows',
  path: 'positions',
  label: 'Marks on the map, in millimetres of the view',
  add: 'Add a mark',
  blank: { viewId: '', x: 0, y: 0 },
  specs: [
    { as: 'item', path: 'viewId', label: 'View', of: 'views' },
    { as: 'number', path: 'x', label: 'From the left', unit: 'mm' },
    { as: 'number', path: 'y', label: 'From the top', unit: 'mm' },
  ],
}
