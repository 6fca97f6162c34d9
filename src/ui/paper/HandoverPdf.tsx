import {
  Circle,
  Document,
  Font,
  G,
  Image,
  Line,
  Page,
  Path,
  Polygon,
  Rect,
  StyleSheet,
  Svg,
  Text,
  View,
} from '@react-pdf/renderer'
import { seededRandom, seedOfText } from '@/core/base/random'
import type { HandoverFacts } from '@/words/jobSheet'
import { codePath } from './QrCode'

/** Where the fonts that ship with the application lie; given by the server, which knows its folder. */
export type Fonts = { regular: string; bold: string; heavy: string; mono: string; monoBold: string }

let registered = false
function register(fonts: Fonts): void {
  if (registered) return
  registered = true
  Font.register({
    family: 'Read',
    fonts: [{ src: fonts.regular }, { src: fonts.bold, fontWeight: 700 }, { src: fonts.heavy, fontWeight: 800 }],
  })
  Font.register({ family: 'Count', fonts: [{ src: fonts.mono }, { src: fonts.monoBold, fontWeight: 700 }] })
  Font.registerHyphenationCallback((word) => [word])
}

const INK = '#172023'
const PETROL = '#0A5562'
const GREY = '#525E63'
// No line height on the page: with one, a footer that counts its pages is not drawn.
const s = StyleSheet.create({
  page: { paddingHorizontal: 34, paddingTop: 28, paddingBottom: 46, fontFamily: 'Read', fontSize: 9.5, color: INK },
  head: { flexDirection: 'row', alignItems: 'flex-start', marginBottom: 10 },
  title: { fontSize: 24, fontWeight: 800, lineHeight: 1 },
  fact: { width: 108, marginRight: 8, marginBottom: 3 },
  small: { fontSize: 8.5, color: GREY },
  bold: { fontWeight: 700 },
  mono: { fontFamily: 'Count' },
  banner: {
    backgroundColor: PETROL,
    color: '#fff',
    borderRadius: 3,
    paddingHorizontal: 12,
    paddingVertical: 8,
    flexDirection: 'row',
    alignItems: 'center',
    marginBottom: 12,
  },
  columns: { flexDirection: 'row' },
  left: { width: '57%', paddingRight: 18 },
  right: { width: '43%' },
  h2: {
    fontSize: 11.5,
    fontWeight: 700,
    borderBottomWidth: 1.4,
    borderBottomColor: INK,
    paddingBottom: 2,
    marginBottom: 3,
  },
  row: { borderBottomWidth: 0.6, borderBottomColor: '#B9B4A7', paddingVertical: 2.5 },
  foot: {
    position: 'absolute',
    left: 34,
    right: 34,
    bottom: 20,
    borderTopWidth: 0.8,
    borderTopColor: INK,
    paddingTop: 4,
    flexDirection: 'row',
    justifyContent: 'space-between',
    fontSize: 8.5,
  },
})

/** The hand-over sheet for the vehicle file and the customer: black and one petrol on white, A4, made on the server. */
export function HandoverPdf({
  facts,
  photos,
  fonts,
}: {
  facts: HandoverFacts
  photos: readonly { data: Buffer; words: string }[]
  fonts: Fonts
}) {
  register(fonts)
  return (
    <Document title={`Hand-over ${facts.label}`} author={facts.shopName} language="en">
      <Page size="A4" style={s.page}>
        <View style={s.head}>
          <View style={{ width: 168 }}>
            <View style={{ flexDirection: 'row', alignItems: 'center', marginBottom: 8 }}>
              <Sign />
              <Text style={[s.title, { marginLeft: 6 }]}>Hand-over</Text>
            </View>
            <TapeMark label={facts.label.toUpperCase()} />
          </View>
          <View style={{ flex: 1, flexDirection: 'row', flexWrap: 'wrap' }}>
            <Fact name="Vehicle" value={facts.vehicle} />
            <Fact name="Done" value={facts.done} />
            <Fact name="Customer" value={facts.customer} />
            <Fact name="On" value={facts.on} />
            <Fact name="By" value={facts.by} />
          </View>
          <Code text={facts.code} size={68} />
        </View>
        <View style={s.banner}>
          <Text style={{ fontSize: 17, fontWeight: 800, flex: 1, lineHeight: 1.1 }}>{facts.verdict}</Text>
          {facts.counts.map((count) => (
            <View key={count.words} style={{ marginLeft: 12 }}>
              <Text style={{ fontFamily: 'Count', fontSize: 11, fontWeight: 700 }}>{count.of}</Text>
              <Text style={{ fontSize: 8.5 }}>{count.words}</Text>
            </View>
          ))}
        </View>
        <View style={s.columns}>
          <View style={s.left}>
            <Text style={s.h2}>What was opened</Text>
            <Opened facts={facts} />
          </View>
          <View style={s.right}>
            <Listed title="Replaced and left out" items={facts.replaced} />
            <Listed title="Changed for good" items={facts.changed} />
            <Listed title="Open, and accepted" items={facts.accepted} />
            {facts.cautions.length + facts.lookalikes.length > 0 && (
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
                  <View
                    key={screw.words}
                    style={{ flexDirection: 'row', alignItems: 'center', marginVertical: 1 }}
                    wrap={false}
                  >
                    <Screw {...screw} />
                    <Text style={[s.mono, s.bold, { marginLeft: 6, fontSize: 8.5 }]}>{screw.words}</Text>
                  </View>
                ))}
              </View>
            )}
          </View>
        </View>
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
        <Text style={{ marginTop: 6 }}>
          <Text style={s.bold}>Left with: </Text>
          {facts.asLeft}.
        </Text>
        {facts.asFound !== '' && (
          <Text>
            <Text style={s.bold}>Found with: </Text>
            {facts.asFound}.
          </Text>
        )}
        <Listed title="Notes" items={facts.notes} />
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
        {facts.photos.length > photos.length && (
          <Text style={{ marginTop: 8 }}>
            {facts.photos.length - photos.length} more of its photos are kept with the job: some may still be on a
            tablet.
          </Text>
        )}
        {photos.length > 0 && (
          <View style={{ marginTop: 14 }} break={photos.length > 2}>
            <Text style={s.h2}>Photos</Text>
            <View style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
              {photos.map((photo, i) => (
                <View key={i} style={{ width: '33%', padding: 4 }} wrap={false}>
                  {/* This is the PDF's own image: it takes no words. */}
                  {/* eslint-disable-next-line jsx-a11y/alt-text */}
                  <Image src={photo.data} style={{ width: '100%', maxHeight: 130, objectFit: 'contain' }} />
                  <Text style={s.small}>{photo.words}</Text>
                </View>
              ))}
            </View>
          </View>
        )}
        <View style={s.foot} fixed>
          <Text style={s.bold}>{facts.shopName}</Text>
          <Text>The whole account: scan the code</Text>
          <Text
            style={s.mono}
            render={({ pageNumber, totalPages }) => `${facts.foot}, page ${pageNumber} of ${totalPages}`}
          />
        </View>
      </Page>
    </Document>
  )
}

function Fact({ name, value }: { name: string; value: string }) {
  return (
    <View style={s.fact}>
      <Text style={s.small}>{name}</Text>
      <Text style={s.bold}>{value}</Text>
    </View>
  )
}

function Listed({ title, items }: { title: string; items: readonly string[] }) {
  if (items.length === 0) return null
  return (
    <View style={{ marginBottom: 8 }}>
      <Text style={s.h2}>{title}</Text>
      {items.map((words, i) => (
        <Text key={i} style={s.row}>
          {words}
        </Text>
      ))}
    </View>
  )
}

/** The U as it was travelled: each part on its way out on the left, back on the right. */
function Opened({ facts }: { facts: HandoverFacts }) {
  return (
    <View>
      {facts.opened.map((part) => (
        <View key={part.name} style={{ flexDirection: 'row', alignItems: 'stretch' }} wrap={false}>
          <Rail mark={part.level === 'off' ? 'off' : 'free'} />
          <View style={{ flex: 1, paddingHorizontal: 6, paddingVertical: 3 }}>
            <Text style={s.bold}>{part.name}</Text>
            <Text style={s.small}>
              {[part.what, part.level === 'free' ? 'stayed on its leads' : ''].filter(Boolean).join(', ')}
            </Text>
          </View>
          <Rail mark={part.back ? 'back' : 'off'} />
        </View>
      ))}
      <View
        style={{
          borderWidth: 5,
          borderColor: PETROL,
          borderTopWidth: 0,
          borderBottomLeftRadius: 14,
          borderBottomRightRadius: 14,
          marginHorizontal: 6.5,
          paddingVertical: 5,
          paddingHorizontal: 16,
        }}
      >
        <Text>{[...facts.work, 'tested'].join(', ')}</Text>
      </View>
      {facts.opened.length === 0 && <Text>Nothing was taken off.</Text>}
    </View>
  )
}

function Rail({ mark }: { mark: 'off' | 'free' | 'back' }) {
  return (
    <View style={{ width: 18, position: 'relative', alignItems: 'center' }}>
      <View style={{ position: 'absolute', top: 0, bottom: 0, left: 6.5, width: 5, backgroundColor: PETROL }} />
      <Svg width={16} height={16} viewBox="0 0 24 24" style={{ marginTop: 3 }}>
        <Circle cx="12" cy="12" r="10" fill={mark === 'back' ? INK : '#fff'} stroke={INK} strokeWidth={3} />
        {mark === 'back' && <Path d="m6.5 12.4 3.8 3.8L17.6 8.6" fill="none" stroke="#fff" strokeWidth={3} />}
        {mark === 'free' && <Path d="M12 3.5a8.5 8.5 0 0 1 0 17z" fill={INK} />}
      </Svg>
    </View>
  )
}

function Sign() {
  return (
    <Svg width={34} height={34} viewBox="0 0 32 32">
      <Path d="M6 4v12a9 9 0 0 0 18 0v-4" fill="none" stroke={PETROL} strokeWidth={6} />
      <Circle cx="24" cy="6.5" r="3.6" fill="#fff" stroke={INK} strokeWidth={2.6} />
    </Svg>
  )
}

/** The strip of tape the vehicle wears, as an ink outline with torn ends. */
function TapeMark({ label }: { label: string }) {
  const random = seededRandom(seedOfText(label))
  const width = Math.max(40, 11 * label.length + 22)
  const torn = (x: number, out: 1 | -1) =>
    Array.from({ length: 6 }, (_, i) => `${(x + out * (i % 2 ? random.next() * 3 : 0)).toFixed(1)},${(26 / 5) * i + 1}`)
  return (
    <View style={{ width, height: 28 }}>
      <Svg width={width} height={28} viewBox={`0 0 ${width} 28`} style={{ position: 'absolute' }}>
        <Polygon
          points={[...torn(4, -1), ...torn(width - 4, 1).reverse()].join(' ')}
          fill="#fff"
          stroke={INK}
          strokeWidth={1}
        />
      </Svg>
      <Text
        style={{
          fontFamily: 'Count',
          fontWeight: 700,
          fontSize: 15,
          textAlign: 'center',
          marginTop: 4.5,
          lineHeight: 1.2,
        }}
      >
        {label}
      </Text>
    </View>
  )
}

function Code({ text, size }: { text: string; size: number }) {
  const { d, size: squares } = codePath(text)
  return (
    <Svg width={size} height={size} viewBox={`-2 -2 ${squares + 4} ${squares + 4}`}>
      <Path d={d} fill="#000" />
    </Svg>
  )
}

/** A screw 1:1. */
function Screw({ diameterMm, lengthMm }: { diameterMm: number; lengthMm: number }) {
  const mm = 72 / 25.4
  const [head, wide] = [diameterMm * 0.7, diameterMm * 1.75]
  return (
    <Svg
      width={(head + lengthMm + 1) * mm}
      height={(wide + 1) * mm}
      viewBox={`-0.5 -0.5 ${head + lengthMm + 1} ${wide + 1}`}
    >
      <G>
        <Rect x={0} y={0} width={head} height={wide} fill="none" stroke={INK} strokeWidth={0.35} />
        <Rect
          x={head}
          y={(wide - diameterMm) / 2}
          width={lengthMm}
          height={diameterMm}
          fill="none"
          stroke={INK}
          strokeWidth={0.35}
        />
        {Array.from({ length: Math.floor(lengthMm / 1.4) }, (_, i) => (
          <Line
            key={i}
            x1={head + 0.6 + i * 1.4}
            x2={head + 1.2 + i * 1.4}
            y1={(wide - diameterMm) / 2}
            y2={(wide + diameterMm) / 2}
            stroke={INK}
            strokeWidth={0.22}
          />
        ))}
      </G>
    </Svg>
  )
}
