import { formatDate } from '@/core/calendar/format-date';
import { Document, Image, Page, StyleSheet, Text, View, renderToBuffer } from '@react-pdf/renderer';
import { lineName } from '@/core/note/line-name';
import type { ClaimRow } from '@/core/dock/claims';
import { PDF_INK, PDF_SOFT } from './fonts';

export interface ClaimSheet {
  readonly shopName: string;
  readonly timeZone: string;
  readonly rows: readonly ClaimRow[];
  /** There are more than a sheet takes. */
  readonly isCutShort: boolean;
  /** Pictures that go with a claim, by its number. */
  readonly pictures: ReadonlyMap<number, readonly Uint8Array[]>;
}

const styles = StyleSheet.create({
  page: { padding: 36, fontFamily: 'Body', fontSize: 10, lineHeight: 1.35, color: PDF_INK },
  title: { fontFamily: 'Heading', fontWeight: 600, fontSize: 20 },
  soft: { color: PDF_SOFT, fontSize: 9 },
  supplier: { fontFamily: 'Heading', fontWeight: 600, fontSize: 13, marginTop: 16, marginBottom: 4 },
  row: { flexDirection: 'row', borderTop: `0.6pt solid ${PDF_INK}`, paddingVertical: 5 },
  number: { width: 30, fontWeight: 700 },
  what: { flex: 1, paddingRight: 10 },
  stems: { width: 86 },
  value: { width: 74, textAlign: 'right', fontWeight: 700 },
  pictures: { flexDirection: 'row', gap: 6, marginTop: 4 },
  picture: { height: 84, width: 112, objectFit: 'contain' },
  total: { flexDirection: 'row', borderTop: `1.2pt solid ${PDF_INK}`, paddingTop: 5 },
});

function Row({
  row,
  when,
  pictures,
}: {
  row: ClaimRow;
  when: (at: Date) => string;
  pictures: readonly Uint8Array[];
}) {
  return (
    <View style={styles.row} wrap={false}>
      <Text style={styles.number}>{row.number}</Text>
      <View style={styles.what}>
        <Text>
          {row.product}, {row.deliveryRef} line {lineName(row)}
        </Text>
        <Text>{row.words}</Text>
        <Text style={styles.soft}>
          Seen {when(new Date(row.openedAt))}, {row.state}
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
      <Text style={styles.stems}>
        {row.stems} of {row.outOf} stems
      </Text>
      <Text style={styles.value}>
        {row.value === null ? '–' : `${row.value.toFixed(2)} ${row.currency ?? ''}`}
      </Text>
    </View>
  );
}

function SheetDocument({ sheet }: { sheet: ClaimSheet }) {
  const when = (at: Date): string => formatDate(at.getTime(), sheet.timeZone, 'day and clock');
  const suppliers = [...new Set(sheet.rows.map((r) => r.supplier))];
  return (
    <Document title="Claim sheet" author={sheet.shopName} language="en">
      <Page size="A4" style={styles.page}>
        <Text style={styles.soft}>{sheet.shopName}</Text>
        <Text style={styles.title}>Claim sheet</Text>
        {sheet.isCutShort && (
          <Text style={styles.soft}>
            The {sheet.rows.length} whose window closes first; the rest is on the next sheet, once these are
            sent.
          </Text>
        )}
        {suppliers.length === 0 && <Text>There is nothing to claim.</Text>}
        {suppliers.map((supplier) => {
          const rows = sheet.rows.filter((r) => r.supplier === supplier);
          const total = rows.reduce((sum, r) => sum + (r.value ?? 0), 0);
          return (
            <View key={supplier}>
              <Text style={styles.supplier}>{supplier}</Text>
              {rows.map((row) => (
                <Row key={row.number} row={row} when={when} pictures={sheet.pictures.get(row.number) ?? []} />
              ))}
              <View style={styles.total}>
                <Text style={styles.what}>In all, as far as the note bore prices</Text>
                <Text style={styles.value}>{total.toFixed(2)}</Text>
              </View>
            </View>
          );
        })}
        <Text style={[styles.soft, { marginTop: 18 }]}>
          Counts are of samples, carried to the lot by the share seen; the range each sample supports is named
          beside it (95 %).
        </Text>
      </Page>
    </Document>
  );
}

/** The claims as an A4 PDF, by supplier. */
export async function claimSheetPdf(sheet: ClaimSheet): Promise<Uint8Array<ArrayBuffer>> {
  return Uint8Array.from(await renderToBuffer(<SheetDocument sheet={sheet} />));
}
