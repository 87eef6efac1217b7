import { Document, Page, StyleSheet, Text, View, renderToBuffer } from '@react-pdf/renderer';
import { partsOf, type CareLine } from '@/core/care/compose-card';
import type { IssuedCard } from '@/core/care/card-for';
import { PDF_INK, PDF_SOFT } from './fonts';
import { dayWords, gainWords, sentenceDate } from '@/core/care/card-words';

const styles = StyleSheet.create({
  page: { padding: 17, fontFamily: 'Body', fontSize: 8.7, lineHeight: 1.24, color: PDF_INK },
  shop: { fontSize: 7, color: PDF_SOFT },
  name: { fontFamily: 'Heading', fontWeight: 600, fontSize: 14, lineHeight: 1.15, marginTop: 1 },
  contents: {
    fontSize: 7,
    color: PDF_SOFT,
    paddingBottom: 4,
    marginBottom: 4,
    borderBottom: `1pt solid ${PDF_INK}`,
  },
  lead: { fontFamily: 'Heading', fontWeight: 600, fontSize: 11, marginBottom: 4 },
  line: { flexDirection: 'row', marginBottom: 2.6 },
  number: { width: 11, fontWeight: 700 },
  text: { flex: 1 },
  bold: { fontWeight: 700 },
  dates: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    marginTop: 3,
    paddingVertical: 4,
    borderTop: `0.6pt solid ${PDF_INK}`,
    borderBottom: `0.6pt solid ${PDF_INK}`,
  },
  date: { fontFamily: 'Heading', fontWeight: 600, fontSize: 10 },
  small: { fontSize: 7.6, marginTop: 3 },
  caution: { fontSize: 7.6, marginTop: 2, fontWeight: 700, color: '#8a3520' },
});

function Line({ number, line }: { number: number; line: CareLine }) {
  const gain = gainWords(line.gainDays);
  return (
    <View style={styles.line}>
      <Text style={styles.number}>{number}</Text>
      <Text style={styles.text}>
        {line.date && <Text style={styles.bold}>{dayWords(line.date)}: </Text>}
        {line.text}
        {gain && <Text style={styles.bold}> {gain}</Text>}
      </Text>
    </View>
  );
}

function CardDocument({ issued }: { issued: IssuedCard }) {
  const { card } = issued;
  const { owed, more } = partsOf(card);
  const dates = [
    ['Something to pull', card.dates.firstFade],
    [card.lead ? 'Most likely a gift until' : 'Still a gift until', card.dates.stillAGift],
    ['Last stand', card.dates.lastStand],
  ] as const;
  return (
    <Document title={`Care card: ${issued.arrangementName}`} author={issued.shopName} language="en">
      <Page size="A6" style={styles.page}>
        <Text style={styles.shop}>{issued.shopName}</Text>
        <Text style={styles.name}>{issued.arrangementName}</Text>
        <Text style={styles.contents}>{issued.contents.join(', ')}</Text>
        {card.lead && <Text style={styles.lead}>{card.lead.words}</Text>}
        {owed.map((l, i) => (
          <Line key={l.key} number={i + 1} line={l} />
        ))}
        {more.length > 0 && <Text style={styles.shop}>For longer still</Text>}
        {more.map((l, i) => (
          <Line key={l.key} number={owed.length + i + 1} line={l} />
        ))}
        {card.together && <Text style={styles.bold}>{card.together}</Text>}
        <View style={styles.dates}>
          {dates.map(([word, date]) => (
            <View key={word}>
              <Text style={styles.shop}>{word}</Text>
              <Text style={styles.date}>{dayWords(date)}</Text>
            </View>
          ))}
        </View>
        {card.rescue && (
          <Text style={styles.small}>
            {card.rescue} {card.skip}
          </Text>
        )}
        {card.cautions.map((c) => (
          <Text key={c} style={styles.caution}>
            {c}
          </Text>
        ))}
        <Text style={styles.small}>
          We promise {card.promise} from {sentenceDate(issued.date)}. Not veterinary or medical advice.
        </Text>
      </Page>
    </Document>
  );
}

/** The card as an A6 PDF, from what was issued and nothing else. */
export async function careCardPdf(issued: IssuedCard): Promise<Uint8Array<ArrayBuffer>> {
  return Uint8Array.from(await renderToBuffer(<CardDocument issued={issued} />));
}
