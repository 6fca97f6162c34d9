import { Text, View } from '@react-pdf/renderer'
import type { HandoverFacts } from '@/words/jobSheet'
import { INK, GREY, s } from './pdfStyles'
import { Screw } from './PdfPieces'

/** Cautions and lookalikes, for whoever opens it next. */
export function ForTheNext({ facts }: { facts: HandoverFacts }) {
  return (
    <View style={{ marginBottom: 8 }}>
      <Text style={s.h2}>For the next person</Text>
      {facts.cautions.map((caution, i) => (
        <View key={i} style={{ marginVertical: 2 }} wrap={false}>
          <Text
            style={{
              alignSelf: 'flex-start',
              backgroundColor: caution.severity === 'AIRBAG' ? '#fff' : INK,
              color: caution.severity === 'AIRBAG' ? INK : '#fff',
              borderWidth: 1,
              borderColor: INK,
              fontWeight: 700,
              fontSize: 8,
              paddingHorizontal: 5,
            }}
          >
            {caution.severity}
          </Text>
          <Text>{caution.sentence}</Text>
        </View>
      ))}
      {facts.lookalikes.map((screw) => (
        <View key={screw.words} style={{ flexDirection: 'row', alignItems: 'center', marginVertical: 1 }} wrap={false}>
          <Screw {...screw} />
          <Text style={[s.mono, s.bold, { marginLeft: 6, fontSize: 8.5 }]}>{screw.words}</Text>
        </View>
      ))}
    </View>
  )
}

/** Every test, with its reading and who made it. */
export function Tested({ facts }: { facts: HandoverFacts }) {
  return (
    <View style={{ marginTop: 6 }}>
      <View style={[s.h2, { flexDirection: 'row', justifyContent: 'space-between' }]}>
        <Text>Tested</Text>
        <Text style={{ fontSize: 8.5, color: GREY, fontWeight: 400 }}>
          every function of a plug that was opened, and what was added
        </Text>
      </View>
      {facts.tests.length === 0 && <Text>Nothing that has to be tested was opened.</Text>}
      {facts.tests.map((test) => (
        <View key={test.name} style={[s.row, { flexDirection: 'row' }]} wrap={false}>
          <Text style={[s.bold, { width: '22%' }]}>{test.name}</Text>
          <Text style={{ width: '33%', paddingRight: 6 }}>{test.how}</Text>
          <Text style={[s.mono, { width: '18%' }]}>{test.reading}</Text>
          <Text style={{ width: '15%', color: GREY }}>{test.who}</Text>
          <Text style={[s.bold, { width: '12%', textAlign: 'right' }]}>{test.result}</Text>
        </View>
      ))}
    </View>
  )
}

/** Who signed, as what, and when. */
export function Signed({ facts }: { facts: HandoverFacts }) {
  return (
    <View style={{ flexDirection: 'row', marginTop: 22 }} wrap={false}>
      {facts.signatures.map((signature) => (
        <View
          key={signature.as}
          style={{
            flex: 1,
            marginRight: 20,
            borderTopWidth: 1.2,
            borderTopColor: INK,
            paddingTop: 3,
            flexDirection: 'row',
            justifyContent: 'space-between',
          }}
        >
          <Text>
            <Text style={s.bold}>{signature.name}</Text>, {signature.as}
          </Text>
          <Text style={s.mono}>{signature.at}</Text>
        </View>
      ))}
    </View>
  )
}
