import type { Collection, FactCollection, ProcedureDocument } from '@/core/procedure/document'
import { mayRestFree } from '@/core/procedure/resting'
import { holderKindWords, itemWords, threadWords, ownerWords } from '@/words/items'
import { motionsWords } from '@/words/operations'
import { needWords } from '@/words/needWords'
import { accessInWords, layingWords, passedWords } from '@/words/wayWords'

type Columns = { heads: string[]; rows: { id: string; cells: string[] }[] }

/** What a table of facts shows: a head and the cells of each row, as words. */
export function factRows(document: ProcedureDocument, collection: FactCollection): Columns {
  return COLUMNS[collection](document, (id) => itemWords(document, id))
}

type Columned = (document: ProcedureDocument, name: (id: string) => string) => Columns

const COLUMNS: Readonly<Record<FactCollection, Columned>> = {
  parts: (document) => ({
    heads: ['Part', 'From', 'Held by', 'Comes off', 'Rests'],
    rows: document.parts.map((part) => ({
      id: part.id,
      cells: [part.name, part.station, part.fixing, motionsWords(part), mayRestFree(part) ? part.rests[0]!.how : 'no'],
    })),
  }),
  holders: (document, name) => ({
    heads: ['Of', 'Kind', 'Count', 'Thread', 'Hidden behind'],
    rows: document.holders.map((holder) => ({
      id: holder.id,
      cells: [
        holder.holds.map(name).join(', '),
        holderKindWords(holder),
        String(holder.count),
        threadWords(holder),
        document.needs
          .flatMap((need) =>
            need.reason === 'covers' && need.dependent.id === holder.id && need.needs.kind === 'part'
              ? [`${name(need.needs.partId)} (${need.needs.level})`]
              : [],
          )
          .join(', '),
      ],
    })),
  }),
  tethers: (document, name) => ({
    heads: ['Plug', 'Of', 'Circuit', 'Latch', 'Tab', 'Tests'],
    rows: document.tethers.map((tether) => ({
      id: tether.id,
      cells: [
        tether.name,
        ownerWords(document, tether),
        tether.circuit ?? tether.kind,
        tether.latch ?? '',
        tether.tabSide ?? '',
        tether.functions.map(name).join(', '),
      ],
    })),
  }),
  needs: (document) => ({
    heads: ['What waits', 'Until', 'Reason'],
    rows: document.needs.map((need) => {
      const words = needWords(document, need)
      return { id: need.id, cells: [words.waits, words.until, need.reason] }
    }),
  }),
  settings: (document) => ({
    heads: ['Setting', 'As found', 'Values', 'Ways'],
    rows: document.settings.map((setting) => ({
      id: setting.id,
      cells: [
        setting.name,
        setting.asFound,
        setting.values.join(', '),
        setting.methods.map((method) => `${method.to}: ${method.name}`).join('; '),
      ],
    })),
  }),
  cavities: (document, name) => ({
    heads: ['Cavity', 'Opens with'],
    rows: document.cavities.map((cavity) => ({
      id: cavity.id,
      cells: [
        cavity.name,
        cavity.openings
          .map((opening) => opening.parts.map((part) => `${name(part.partId)} ${part.level}`).join(' and '))
          .join(', or '),
      ],
    })),
  }),
  facets: (document, name) => ({
    heads: ['Facet', 'Choices', 'Told'],
    rows: document.facets.map((facet) => ({
      id: facet.id,
      cells: [
        facet.name,
        facet.choices.map((choice) => choice.name).join(', '),
        facet.toldFrom ? `once ${name(facet.toldFrom.partId)} is ${facet.toldFrom.level}` : 'from outside',
      ],
    })),
  }),
  functions: (document) => ({
    heads: ['Test', 'Passed when', 'Power'],
    rows: document.functions.map((item) => ({ id: item.id, cells: [item.name, item.how, item.power] })),
  }),
  cautions: (document, name) => ({
    heads: ['Severity', 'Sentence', 'Bites at'],
    rows: document.cautions.map((caution) => ({
      id: caution.id,
      cells: [caution.severity, caution.sentence, `${name(caution.at.itemId)}, ${caution.at.act}`],
    })),
  }),
  waypoints: (document) => ({
    heads: ['Point', 'For', 'From', 'Open for it', 'Ways'],
    rows: document.waypoints.map((point) => ({
      id: point.id,
      cells: [
        point.name,
        point.wet ? `${point.kind}, wet` : point.kind,
        point.station,
        accessInWords(document, point.access),
        String(document.ways.filter(({ from, to }) => from === point.id || to === point.id).length),
      ],
    })),
  }),
  ways: (document, name) => ({
    heads: ['Way', 'From', 'To', 'Length', 'How, and what is open', 'Goes by'],
    rows: document.ways.map((way) => ({
      id: way.id,
      cells: [
        way.name,
        name(way.from),
        name(way.to),
        `${way.lengthMm} mm${way.lengthKnown === 'estimated' ? ', about' : ''}`,
        way.layings.map((laying) => layingWords(document, laying)).join(', or '),
        way.never !== '' ? `never: ${way.never}` : passedWords(way),
      ],
    })),
  }),
  views: (document) => ({
    heads: ['View', 'Size', 'Parts drawn'],
    rows: document.views.map((view) => ({
      id: view.id,
      cells: [
        view.name,
        `${view.widthMm} × ${view.heightMm} mm`,
        String(document.parts.filter((part) => part.outline?.viewId === view.id).length),
      ],
    })),
  }),
}

/** What goes with an item, in words, so that no fact is left pointing nowhere. */
export function goesWithWords(document: ProcedureDocument, collection: Collection, id: string): string {
  const name = itemWords(document, id)
  switch (collection) {
    case 'needs':
      return `the need “${
        needWords(
          document,
          document.needs.find((need) => need.id === id)!,
        ).waits
      }”`
    case 'tethers':
      return `plug ${name}`
    case 'cavities':
      return `the cavity ${name}`
    case 'cautions':
      return 'a caution'
    case 'ways':
      return `the way ${name}`
    default:
      return name
  }
}
