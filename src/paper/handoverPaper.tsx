import { Document, Image, Page, Text, View } from '@react-pdf/renderer'
import type { HandoverFacts } from '@/words/jobSheet'
import { type Fonts, register, s } from './pdfStyles'
import { Fact, Listed, Opened, Sign, TapeMark, Code } from './PdfPieces'
import { WithCustomer } from './WithCustomer'
import { ForTheNext, Signed, Tested } from './PdfSections'

type Paper = {
  facts: HandoverFacts & { leftOut: readonly string[] }
  photos: readonly { data: Buffer; words: string }[]
  fonts: Fonts
}

/** The hand-over sheet for the vehicle file and the customer: black and one petrol on white, A4, made on the server. */
export function handoverPaper({ facts, photos, fonts }: Paper) {
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
            {facts.cautions.length + facts.lookalikes.length > 0 && <ForTheNext facts={facts} />}
          </View>
        </View>
        <Tested facts={facts} />
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
        <WithCustomer said={facts.withCustomer} />
        <Listed title="Notes" items={facts.notes} />
        {facts.leftOut.length > 0 && (
          <Text style={[s.bold, { marginTop: 6 }]}>
            Not on this sheet, and kept with the job: {facts.leftOut.join(', ')}.
          </Text>
        )}
        <Signed facts={facts} />
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
