import { Path, Svg, Text, View } from '@react-pdf/renderer'
import type { HandoverFacts } from '@/words/jobSheet'
import { Listed } from './PdfPieces'
import { INK, s } from './pdfStyles'

/** What the customer was shown, what is left, and their hand. */
export function WithCustomer({ said }: { said: HandoverFacts['withCustomer'] }) {
  const { shown, missing, later, leftSet, places } = said
  return (
    <View style={{ marginTop: 6 }}>
      <Listed title="Left set" items={leftSet} />
      <Listed title="Placed" items={places} />
      <Listed title="Wanted, and not there" items={missing} />
      <Listed title="Left for later" items={later} />
      {shown && (
        <View wrap={false}>
          <Text style={s.h2}>Shown to the customer</Text>
          <Text>{[...shown.what, ...shown.points].join(', ')}.</Text>
          <View style={{ width: 220, marginTop: 4 }}>
            {shown.strokes === '' ? <View style={{ height: 44 }} /> : <Strokes path={shown.strokes} />}
            <View style={{ borderTopWidth: 1.2, borderTopColor: INK, paddingTop: 3 }}>
              <Text>
                <Text style={s.bold}>{shown.by}</Text>, was shown, {shown.at}
              </Text>
            </View>
          </View>
        </View>
      )}
    </View>
  )
}

/** A signature as it was drawn, fitted into its field. */
function Strokes({ path }: { path: string }) {
  const numbers = (path.match(/\d+/g) ?? []).map(Number)
  const xs = numbers.filter((_, i) => i % 2 === 0)
  const ys = numbers.filter((_, i) => i % 2 === 1)
  const [left, top] = [Math.min(...xs) - 4, Math.min(...ys) - 4]
  const [width, height] = [Math.max(...xs) + 4 - left, Math.max(...ys) + 4 - top]
  return (
    <Svg width={200} height={44} viewBox={`${left} ${top} ${width} ${height}`}>
      <Path d={path} fill="none" stroke={INK} strokeWidth={2} />
    </Svg>
  )
}
