import { formatDate } from '@/core/calendar/format-date';
import { languageOf, localeOf, type LanguageTag } from '@/core/words/catalogues';
import type { DocumentPaper } from '@/core/labels/printing';
import { m, type MessageKey, type Told } from '@/core/words/message';
import { say } from '@/core/words/say';
import { Document, Image, Page, StyleSheet, Text, View, renderToBuffer } from '@react-pdf/renderer';
import { lineName } from '@/core/note/line-name';
import type { ClaimRow } from '@/core/dock/claims';
import { PDF_BODY, PDF_HEADING, PDF_INK, PDF_SOFT } from './fonts';
import { PAPERS } from './papers';

export interface ClaimSheet {
  readonly shopName: string;
  readonly paper: DocumentPaper;
  readonly timeZone: string;
  /** Whose language it is told in. */
  readonly language: LanguageTag;
  readonly rows: readonly ClaimRow[];
  /** There are more than a sheet takes. */
  readonly isCutShort: boolean;
  /** Pictures that go with a claim, by its number. */
  readonly pictures: ReadonlyMap<number, readonly Uint8Array[]>;
}

const styles = StyleSheet.create({
  page: { padding: 36, fontFamily: PDF_BODY, fontSize: 10, lineHeight: 1.35, color: PDF_INK },
  title: { fontFamily: PDF_HEADING, fontWeight: 600, fontSize: 20 },
  soft: { color: PDF_SOFT, fontSize: 9 },
  supplier: { fontFamily: PDF_HEADING, fontWeight: 600, fontSize: 13, marginTop: 16, marginBottom: 4 },
  row: { flexDirection: 'row', borderTop: `0.6pt solid ${PDF_INK}`, paddingVertical: 5 },
  number: { width: 30, fontWeight: 700 },
  what: { flex: 1, paddingRight: 10 },
  stems: { width: 86 },
  value: { width: 74, textAlign: 'right', fontWeight: 700 },
  pictures: { flexDirection: 'row', gap: 6, marginTop: 4 },
  picture: { height: 84, width: 112, objectFit: 'contain' },
  total: { flexDirection: 'row', borderTop: `1.2pt solid ${PDF_INK}`, paddingTop: 5 },
});

type Words = (key: MessageKey, told?: Readonly<Record<string, Told>>) => string;

function Row({
  row,
  when,
  t,
  pictures,
}: {
  row: ClaimRow;
  when: (at: Date) => string;
  t: Words;
  pictures: readonly Uint8Array[];
}) {
  return (
    <View style={styles.row} wrap={false}>
      <Text style={styles.number}>{row.number}</Text>
      <View style={styles.what}>
        <Text>
          {t('claim.sheet.line', { product: row.product, delivery: row.deliveryRef, line: lineName(row) })}
        </Text>
        <Text>{row.words}</Text>
        <Text style={styles.soft}>
          {t('claim.sheet.seen', {
            when: when(new Date(row.openedAt)),
            state: m(`record.claim-state.${row.state}`),
          })}
        </Text>
        {pictures.length > 0 && (
          <View style={styles.pictures}>
            {pictures.map((data, i) => (
              // eslint-disable-next-line jsx-a11y/alt-text -- a PDF's image takes no such property
              <Image key={i} style={styles.picture} src={{ data: Buffer.from(data), format: 'jpg' }} />
            ))}
          </View>
        )}
      </View>
      <Text style={styles.stems}>{t('claim.sheet.stems', { n: row.stems, outOf: row.outOf })}</Text>
      <Text style={styles.value}>
        {row.value === null ? '–' : `${row.value.toFixed(2)} ${row.currency ?? ''}`}
      </Text>
    </View>
  );
}

function SheetDocument({ sheet }: { sheet: ClaimSheet }) {
  const { language, timeZone } = sheet;
  const t: Words = (key, told) => say(m(key, told), language);
  const when = (at: Date): string => formatDate(at.getTime(), timeZone, 'day and clock', localeOf(language));
  const suppliers = [...new Set(sheet.rows.map((r) => r.supplier))];
  return (
    <Document title={t('claim.sheet.title')} author={sheet.shopName} language={languageOf(language)}>
      <Page size={PAPERS[sheet.paper]} style={styles.page}>
        <Text style={styles.soft}>{sheet.shopName}</Text>
        <Text style={styles.title}>{t('claim.sheet.title')}</Text>
        {sheet.isCutShort && (
          <Text style={styles.soft}>{t('claim.sheet.cut-short', { n: sheet.rows.length })}</Text>
        )}
        {suppliers.length === 0 && <Text>{t('claim.sheet.nothing')}</Text>}
        {suppliers.map((supplier) => {
          const rows = sheet.rows.filter((r) => r.supplier === supplier);
          const total = rows.reduce((sum, r) => sum + (r.value ?? 0), 0);
          return (
            <View key={supplier}>
              <Text style={styles.supplier}>{supplier}</Text>
              {rows.map((row) => (
                <Row
                  key={row.number}
                  row={row}
                  when={when}
                  t={t}
                  pictures={sheet.pictures.get(row.number) ?? []}
                />
              ))}
              <View style={styles.total}>
                <Text style={styles.what}>{t('claim.sheet.total')}</Text>
                <Text style={styles.value}>{total.toFixed(2)}</Text>
              </View>
            </View>
          );
        })}
        <Text style={[styles.soft, { marginTop: 18 }]}>{t('claim.sheet.samples')}</Text>
      </Page>
    </Document>
  );
}

/** The claims as a PDF, by supplier. */
export async function claimSheetPdf(sheet: ClaimSheet): Promise<Uint8Array<ArrayBuffer>> {
  return Uint8Array.from(await renderToBuffer(<SheetDocument sheet={sheet} />));
}
