import { Document, Page, StyleSheet, Text, View, renderToBuffer } from '@react-pdf/renderer';
import { dayWords } from '@/core/calendar/format-date';
import { partsOf, type SpokenCard } from '@/core/care/compose-card';
import type { CardPaper } from '@/core/labels/printing';
import type { IssuedCard } from '@/core/care/card-for';
import { PDF_BODY, PDF_HEADING, PDF_INK, PDF_SOFT } from './fonts';
import { gainWords, sentenceDate } from '@/core/care/card-words';
import { languageOf, localeOf, type LanguageTag } from '@/core/words/catalogues';
import { m } from '@/core/words/message';
import { say } from '@/core/words/say';

/** How a card is set; everything on it gives way together where it is long. */
const stylesAt = (scale: number) =>
  StyleSheet.create({
    page: { padding: 17, fontFamily: PDF_BODY, fontSize: 8.7 * scale, lineHeight: 1.24, color: PDF_INK },
    shop: { fontSize: 7 * scale, color: PDF_SOFT },
    name: {
      fontFamily: PDF_HEADING,
      fontWeight: 600,
      fontSize: 14 * scale,
      lineHeight: 1.15,
      marginTop: 1 * scale,
    },
    contents: {
      fontSize: 7 * scale,
      color: PDF_SOFT,
      paddingBottom: 4 * scale,
      marginBottom: 4 * scale,
      borderBottom: `1pt solid ${PDF_INK}`,
    },
    lead: { fontFamily: PDF_HEADING, fontWeight: 600, fontSize: 11 * scale, marginBottom: 4 * scale },
    line: { flexDirection: 'row', marginBottom: 2.6 * scale },
    number: { width: 11, fontWeight: 700 },
    text: { flex: 1 },
    bold: { fontWeight: 700 },
    dates: {
      flexDirection: 'row',
      justifyContent: 'space-between',
      marginTop: 3 * scale,
      paddingVertical: 4 * scale,
      borderTop: `0.6pt solid ${PDF_INK}`,
      borderBottom: `0.6pt solid ${PDF_INK}`,
    },
    date: { fontFamily: PDF_HEADING, fontWeight: 600, fontSize: 10 * scale },
    small: { fontSize: 7.6 * scale, marginTop: 3 * scale },
    caution: { fontSize: 7.6 * scale, marginTop: 2 * scale, fontWeight: 700, color: '#8a3520' },
  });
type Styles = ReturnType<typeof stylesAt>;

interface LineProps {
  readonly number: number;
  readonly line: SpokenCard['lines'][number];
  readonly tag: LanguageTag;
  readonly styles: Styles;
}

function Line({ number, line, tag, styles }: LineProps) {
  const gain = gainWords(line.gainDays);
  return (
    <View style={styles.line}>
      <Text style={styles.number}>{number}</Text>
      <Text style={styles.text}>
        {line.date && <Text style={styles.bold}>{dayWords(line.date, localeOf(tag))}: </Text>}
        {line.text}
        {gain && <Text style={styles.bold}> {say(gain, tag)}</Text>}
      </Text>
    </View>
  );
}

/** A card, and the paper its printer holds. */
export interface PrintedCard {
  readonly issued: IssuedCard;
  readonly paper: CardPaper;
}

/** In points; four by six inches for printers that have it. */
const PAPERS: Readonly<Record<CardPaper, 'A6' | [number, number]>> = { A6: 'A6', '4x6': [288, 432] };

function CardDocument({ issued, scale, paper }: PrintedCard & { readonly scale: number }) {
  const styles = stylesAt(scale);
  const { card } = issued;
  const { owed, more } = partsOf(card);
  const tag = issued.language ?? 'en';
  const locale = localeOf(tag);
  const foot = { promise: card.promise, date: sentenceDate(issued.date, locale) };
  const dates = [
    [say(m('card.first-fade'), tag), card.dates.firstFade],
    [say(m(card.lead ? 'card.likely-gift' : 'card.still-gift'), tag), card.dates.stillAGift],
    [say(m('card.last-stand'), tag), card.dates.lastStand],
  ] as const;
  return (
    <Document
      title={`Care card: ${issued.arrangementName}`}
      author={issued.shopName}
      language={languageOf(tag)}
    >
      <Page size={PAPERS[paper]} style={styles.page}>
        <Text style={styles.shop}>{issued.shopName}</Text>
        <Text style={styles.name}>{issued.arrangementName}</Text>
        <Text style={styles.contents}>{issued.contents.join(', ')}</Text>
        {card.lead && <Text style={styles.lead}>{card.lead.words}</Text>}
        {owed.map((l, i) => (
          <Line key={l.key} number={i + 1} line={l} tag={tag} styles={styles} />
        ))}
        {more.length > 0 && <Text style={styles.shop}>{say(m('card.more'), tag)}</Text>}
        {more.map((l, i) => (
          <Line key={l.key} number={owed.length + i + 1} line={l} tag={tag} styles={styles} />
        ))}
        {card.together && <Text style={styles.bold}>{card.together}</Text>}
        <View style={styles.dates}>
          {dates.map(([word, date]) => (
            <View key={word}>
              <Text style={styles.shop}>{word}</Text>
              <Text style={styles.date}>{dayWords(date, locale)}</Text>
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
          {issued.contact && `${issued.contact}. `}
          {say(m('card.foot', foot), tag)}
        </Text>
      </Page>
    </Document>
  );
}

/** A card is one side: where it does not fit, all of it is set smaller, down to what can still be read. */
const SCALES = [1, 0.94, 0.88, 0.82, 0.76, 0.7] as const;
const pagesOf = (pdf: Buffer): number => pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;

/** The card as a PDF of one side, from what was issued and nothing else. */
export async function careCardPdf({ issued, paper }: PrintedCard): Promise<Uint8Array<ArrayBuffer>> {
  let pdf = Buffer.alloc(0);
  for (const scale of SCALES) {
    pdf = Buffer.from(await renderToBuffer(<CardDocument issued={issued} scale={scale} paper={paper} />));
    if (pagesOf(pdf) <= 1) break;
  }
  return Uint8Array.from(pdf);
}
