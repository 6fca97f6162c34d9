import { Document, Page, Text, View } from '@react-pdf/renderer'
import type { QuotationFacts } from '@/words/quotationFacts'
import { Fact, Listed, Sign, TapeMark } from './PdfPieces'
import { type Fonts, GREY, INK, register, s } from './pdfStyles'

/** A quotation for the customer: what is gained, kept and lost, how long and how much, where to sign. A4. */
export function quotationSheet({ facts, fonts }: { facts: QuotationFacts; fonts: Fonts }) {
  register(fonts)
  return (
    <Document title={`Quotation ${facts.label}`} author={facts.shopName} language="en">
      <Page size="A4" style={s.page}>
        <View style={s.head}>
          <View style={{ width: 168 }}>
            <View style={{ flexDirection: 'row', alignItems: 'center', marginBottom: 8 }}>
              <Sign />
              <Text style={[s.title, { marginLeft: 6 }]}>Quotation</Text>
            </View>
            {facts.label !== '' && <TapeMark label={facts.label.toUpperCase()} />}
          </View>
          <View style={{ flex: 1, flexDirection: 'row', flexWrap: 'wrap' }}>
            <Fact name="To" value={facts.to} />
            <Fact name="Vehicle" value={facts.vehicle} />
            <Fact name="Job" value={facts.job} />
            <Fact name="On" value={facts.on} />
            <Fact name="Valid until" value={facts.validUntil} />
          </View>
        </View>
        <View style={s.banner} wrap={false}>
          <Text style={{ fontSize: 17, fontWeight: 800, flex: 1, lineHeight: 1.1 }}>{facts.total}</Text>
          <Text>{facts.time}</Text>
        </View>
        {facts.note !== '' && <Text style={{ marginBottom: 8 }}>{facts.note}</Text>}
        <View style={s.columns}>
          <View style={s.left}>
            <Lines title="Work" lines={facts.phases} total={facts.work} />
            <Lines title="Parts" lines={facts.parts} total={facts.partsTotal} />
            {facts.fasteners > 0 && <Text style={s.small}>{facts.fasteners} fasteners come with the parts.</Text>}
          </View>
          <View style={s.right}>
            <Listed title="The vehicle can do afterwards" items={facts.gained} />
            <Listed title="Works differently" items={facts.changed} />
            <Listed title="Stays, and is tested" items={facts.kept} />
            <Listed title="Can’t be done any more" items={facts.lost} />
            <Listed title="Not with this" items={facts.blocked} />
            <Listed title="Changed for good" items={facts.forGood} />
            <Text>{facts.backToFactory}</Text>
          </View>
        </View>
        {facts.options.length > 0 && <Options options={facts.options} />}
        <View style={{ marginTop: 10 }}>
          {facts.small.map((words) => (
            <Text key={words} style={s.small}>
              {words}
            </Text>
          ))}
        </View>
        <View style={{ flexDirection: 'row', marginTop: 44 }} wrap={false}>
          {['Date', 'Ordered by, signature'].map((name) => (
            <View
              key={name}
              style={{ flex: 1, marginRight: 20, borderTopWidth: 1.2, borderTopColor: INK, paddingTop: 3 }}
            >
              <Text style={s.small}>{name}</Text>
            </View>
          ))}
        </View>
        <View style={s.foot} fixed>
          <Text style={s.bold}>{facts.shopName}</Text>
          <Text style={s.mono} render={({ pageNumber, totalPages }) => `page ${pageNumber} of ${totalPages}`} />
        </View>
      </Page>
    </Document>
  )
}

function Lines({ title, lines, total }: { title: string; lines: QuotationFacts['phases']; total: string }) {
  if (lines.length === 0) return null
  return (
    <View style={{ marginBottom: 8 }}>
      <Text style={s.h2}>{title}</Text>
      {lines.map((line) => (
        <View key={line.words} style={[s.row, { flexDirection: 'row' }]} wrap={false}>
          <Text style={{ flex: 1 }}>{line.words}</Text>
          <Text style={[s.mono, { width: 70, textAlign: 'right' }]}>{line.time}</Text>
          <Text style={[s.mono, { width: 78, textAlign: 'right' }]}>{line.money}</Text>
        </View>
      ))}
      {total !== '' && (
        <View style={{ flexDirection: 'row', paddingVertical: 2.5 }}>
          <Text style={[s.bold, { flex: 1 }]}>Together</Text>
          <Text style={[s.mono, s.bold]}>{total}</Text>
        </View>
      )}
    </View>
  )
}

/** What may be taken or left while it is open, each with a box to cross. */
function Options({ options }: { options: QuotationFacts['options'] }) {
  return (
    <View style={{ marginTop: 8 }} wrap={false}>
      <View style={[s.h2, { flexDirection: 'row', justifyContent: 'space-between' }]}>
        <Text>To choose, while it is open</Text>
        <Text style={{ fontSize: 8.5, color: GREY, fontWeight: 400 }}>what each changes in the sum above</Text>
      </View>
      {options.map((option) => (
        <View key={option.words} style={[s.row, { flexDirection: 'row', alignItems: 'center' }]}>
          <View style={{ width: 9, height: 9, borderWidth: 1, borderColor: INK, marginRight: 6 }} />
          <Text style={{ flex: 1 }}>
            {option.words}
            <Text style={{ color: GREY }}>
              {option.isIn ? ', in the sum: cross to leave it out' : ', cross to add it'}
            </Text>
          </Text>
          <Text style={[s.mono, { width: 70, textAlign: 'right' }]}>{option.time}</Text>
          <Text style={[s.mono, { width: 78, textAlign: 'right' }]}>
            {option.money === '' ? '' : `${option.isIn ? '−' : '+'} ${option.money}`}
          </Text>
        </View>
      ))}
    </View>
  )
}
