import type { FactCollection } from '@/core/procedure/document'
import { HOLDERS_FORM } from './fastenerForm'
import type { Group, Spec } from './formSpec'
import {
  CAUTIONS_FORM,
  CAVITIES_FORM,
  FACETS_FORM,
  FUNCTIONS_FORM,
  NEEDS_FORM,
  SETTINGS_FORM,
  VIEWS_FORM,
} from './otherForms'
import { PARTS_FORM } from './partForm'
import { TETHERS_FORM } from './plugForm'
import { WAYPOINTS_FORM, WAYS_FORM } from './wayForms'

/** The groups of fields of each kind of fact. */
export const FORMS: Record<FactCollection, readonly Group[]> = {
  parts: PARTS_FORM,
  holders: HOLDERS_FORM,
  tethers: TETHERS_FORM,
  needs: NEEDS_FORM,
  settings: SETTINGS_FORM,
  cavities: CAVITIES_FORM,
  facets: FACETS_FORM,
  functions: FUNCTIONS_FORM,
  cautions: CAUTIONS_FORM,
  waypoints: WAYPOINTS_FORM,
  ways: WAYS_FORM,
  views: VIEWS_FORM,
}

/** Fields that can be set for several rows at once. */
export const TOGETHER: Partial<Record<FactCollection, readonly Extract<Spec, { as: 'choice' }>[]>> = Object.fromEntries(
  (['parts', 'holders', 'tethers', 'cautions', 'functions'] as const).map((collection) => [
    collection,
    FORMS[collection].flatMap((group) =>
      group.specs.filter(
        (spec): spec is Extract<Spec, { as: 'choice' }> => spec.as === 'choice' && !spec.path.includes('.'),
      ),
    ),
  ]),
)

export const COLLECTION_WORDS: Record<FactCollection, { one: string; many: string }> = {
  parts: { one: 'part', many: 'Parts' },
  holders: { one: 'fastener group', many: 'Fasteners' },
  tethers: { one: 'plug or hose', many: 'Plugs' },
  needs: { one: 'need', many: 'Needs' },
  settings: { one: 'setting', many: 'Settings' },
  cavities: { one: 'cavity', many: 'Cavities' },
  facets: { one: 'facet', many: 'Facets' },
  functions: { one: 'test', many: 'Tests' },
  cautions: { one: 'caution', many: 'Cautions' },
  waypoints: { one: 'point', many: 'Points' },
  ways: { one: 'way', many: 'Ways' },
  views: { one: 'view', many: 'Views' },
}
