import { Kit } from '../shop/kit'

/** A new unit on four screws of its own. */
export const NEW_UNIT: Kit = Kit.parse({
  ...{ id: 'unit-kit', name: 'New unit', parts: [{ id: 'new-unit', name: 'New unit' }] },
  holders: [{ id: 'new-screws', kind: 'machine screw', count: 4, holds: ['new-unit'] }],
  works: [
    {
      ...{ id: 'unit-in', name: 'Unit in' },
      steps: [
        { id: 's1', act: 'fit', itemId: 'new-unit' },
        { id: 's2', act: 'fasten', itemId: 'new-screws' },
      ],
    },
  ],
})

/** It stands where the unit of the small dash was. */
export const REPLACED = { itemId: 'unit', ending: 'replaced', by: 'new-unit' }
