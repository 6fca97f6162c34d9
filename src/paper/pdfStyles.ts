import { z } from 'zod'
import { Font, StyleSheet } from '@react-pdf/renderer'

/** Where the fonts that ship with the application lie; given by the server, which knows its folder. */
/** Where the files of the fonts are. */
export const Fonts = z.object({
  regular: z.string(),
  bold: z.string(),
  heavy: z.string(),
  mono: z.string(),
  monoBold: z.string(),
})
export type Fonts = z.infer<typeof Fonts>

let registered = false
export function register(fonts: Fonts): void {
  if (registered) return
  registered = true
  Font.register({
    family: 'Read',
    fonts: [{ src: fonts.regular }, { src: fonts.bold, fontWeight: 700 }, { src: fonts.heavy, fontWeight: 800 }],
  })
  Font.register({ family: 'Count', fonts: [{ src: fonts.mono }, { src: fonts.monoBold, fontWeight: 700 }] })
  Font.registerHyphenationCallback((word) => [word])
}

export const INK = '#172023'
export const PETROL = '#0A5562'
export const GREY = '#525E63'
// No line height on the page: with one, a footer that counts its pages is not drawn.
export const s = StyleSheet.create({
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
