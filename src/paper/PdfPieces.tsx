import { Circle, G, Line, Path, Polygon, Rect, Svg, Text, View } from '@react-pdf/renderer'
import { seededRandom, seedOfText } from '@/core/base/random'
import type { HandoverFacts } from '@/words/jobSheet'
import { codePath } from './codePath'
import { INK, PETROL, s } from './pdfStyles'

export function Fact({ name, value }: { name: string; value: string }) {
  return (
    <View style={s.fact}>
      <Text style={s.small}>{name}</Text>
      <Text style={s.bold}>{value}</Text>
    </View>
  )
}

export function Listed({ title, items }: { title: string; items: readonly string[] }) {
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
export function Opened({ facts }: { facts: HandoverFacts }) {
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

export function Sign() {
  return (
    <Svg width={34} height={34} viewBox="0 0 32 32">
      <Path d="M6 4v12a9 9 0 0 0 18 0v-4" fill="none" stroke={PETROL} strokeWidth={6} />
      <Circle cx="24" cy="6.5" r="3.6" fill="#fff" stroke={INK} strokeWidth={2.6} />
    </Svg>
  )
}

/** The strip of tape the vehicle wears, as an ink outline with torn ends. */
export function TapeMark({ label }: { label: string }) {
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

export function Code({ text, size }: { text: string; size: number }) {
  const { d, size: squares } = codePath(text)
  return (
    <Svg width={size} height={size} viewBox={`-2 -2 ${squares + 4} ${squares + 4}`}>
      <Path d={d} fill="#000" />
    </Svg>
  )
}

/** A screw 1:1. */
export function Screw({ diameterMm, lengthMm }: { diameterMm: number; lengthMm: number }) {
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
