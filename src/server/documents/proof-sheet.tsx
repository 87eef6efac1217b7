import { Document, Page, StyleSheet, Text, View, renderToBuffer } from '@react-pdf/renderer';
import { formatDate, formatDay } from '@/core/calendar/format-date';
import { GAPS, type Proof, type ProofRow } from '@/core/sanitising/proof';
import { languageOf, localeOf, type LanguageTag } from '@/core/words/catalogues';
import type { DocumentPaper } from '@/core/labels/printing';
import { m, type MessageKey, type Told } from '@/core/words/message';
import { say } from '@/core/words/say';
import { PDF_BODY, PDF_HEADING, PDF_INK, PDF_SOFT } from './fonts';
import { PAPERS } from './papers';

export interface ProofSheet {
  readonly shopName: string;
  readonly paper: DocumentPaper;
  readonly timeZone: string;
  /** Whose language it is told in. */
  readonly language: LanguageTag;
  /** ISO dates, both told. */
  readonly period: { readonly from: string; readonly to: string };
  /** When it was asked for, ms. */
  readonly madeAt: number;
  readonly proof: Proof;
}

/** Paper that nobody turns over helps no inspector; what is beyond is in the CSV. */
export const MOST_ROWS = 1000;

const styles = StyleSheet.create({
  page: {
    padding: 36,
    paddingBottom: 48,
    fontFamily: PDF_BODY,
    fontSize: 9,
    lineHeight: 1.3,
    color: PDF_INK,
  },
  title: { fontFamily: PDF_HEADING, fontWeight: 600, fontSize: 20, lineHeight: 1.2, marginBottom: 6 },
  soft: { color: PDF_SOFT },
  told: { marginTop: 4, fontSize: 11 },
  gaps: { marginTop: 4, fontSize: 11, fontWeight: 700 },
  row: { flexDirection: 'row', borderTop: `0.5pt solid ${PDF_INK}`, paddingVertical: 2.5 },
  head: { marginTop: 12, fontWeight: 700 },
  when: { width: 80 },
  pail: { width: 30, fontWeight: 700 },
  what: { width: 62 },
  how: { flex: 1, paddingRight: 8 },
  who: { width: 54 },
  gap: { width: 100, fontWeight: 700 },
  foot: { position: 'absolute', top: 808, left: 36, right: 36, fontSize: 8, color: PDF_SOFT },
});

type Say = (key: MessageKey, told?: Readonly<Record<string, Told>>) => string;

const howOf = ({ how, minutes, hours }: ProofRow, t: Say): string =>
  [
    how,
    minutes === null ? '' : t('proof.minutes', { n: minutes }),
    hours === null ? '' : t('proof.stood', { n: hours }),
  ]
    .filter((words) => words !== '')
    .join(', ');

function Row({ row, t, when }: { row: ProofRow; t: Say; when: string }) {
  return (
    <View style={styles.row} wrap={false}>
      <Text style={styles.when}>{when}</Text>
      <Text style={styles.pail}>{row.pail}</Text>
      <Text style={styles.what}>{t(`proof.what.${row.what}`)}</Text>
      <Text style={styles.how}>{howOf(row, t)}</Text>
      <Text style={styles.who}>{row.who}</Text>
      <Text style={styles.gap}>{row.gap === null ? '' : t(`proof.gap.${row.gap}`)}</Text>
    </View>
  );
}

const COLUMNS = ['when', 'pail', 'what', 'how', 'who', 'gap'] as const;

const Columns = ({ t }: { t: Say }) => (
  <View style={[styles.row, styles.head]}>
    {COLUMNS.map((column) => (
      <Text key={column} style={styles[column]}>
        {t(`proof.column.${column}`)}
      </Text>
    ))}
  </View>
);

/** What is in it and what is missing, before it is told line by line. */
function Sums({ proof: { rows, gaps }, t }: { proof: Proof; t: Say }) {
  const of = (what: ProofRow['what']): number => rows.filter((r) => r.what === what).length;
  const missing = GAPS.filter((gap) => gaps[gap] > 0);
  return (
    <>
      <Text style={styles.told}>
        {t('proof.sums', { sanitised: of('sanitised'), changed: of('changed'), n: rows.length })}
      </Text>
      <Text style={styles.gaps}>
        {missing.length === 0
          ? t('proof.no-gaps')
          : t('proof.gaps', {
              gaps: missing.map((gap) => m('proof.gap-count', { gap: m(`proof.gap.${gap}`), n: gaps[gap] })),
            })}
      </Text>
    </>
  );
}

/** Lines of text that a page holds, the first under its head; and letters that a column holds in one (measured). */
const LINES = { first: 35, later: 41, how: 42, gap: 20 } as const;
/** Letter is 50 points less tall: so many lines fewer. */
const FEWER_LINES: Readonly<Record<DocumentPaper, number>> = { A4: 0, Letter: 3 };

const linesOf = (row: ProofRow, t: Say): number =>
  Math.max(
    Math.ceil(howOf(row, t).length / LINES.how),
    row.gap === null ? 1 : Math.ceil(t(`proof.gap.${row.gap}`).length / LINES.gap),
    1,
  );

/** The rows page by page: laid out each by itself, hundreds of pages cost no more than their number. */
function pagesOf(rows: readonly ProofRow[], paper: DocumentPaper, t: Say): ProofRow[][] {
  const pages: ProofRow[][] = [[]];
  let room = LINES.first - FEWER_LINES[paper];
  for (const row of rows) {
    const lines = linesOf(row, t);
    if (lines > room) {
      pages.push([]);
      room = LINES.later - FEWER_LINES[paper];
    }
    pages.at(-1)?.push(row);
    room -= lines;
  }
  return pages;
}

function ProofDocument({ sheet }: { sheet: ProofSheet }) {
  const { shopName, paper, timeZone, language, period, madeAt, proof } = sheet;
  const t: Say = (key, told) => say(m(key, told), language);
  const locale = localeOf(language);
  const shown = proof.rows.slice(-MOST_ROWS);
  const day = (date: string): string => formatDay(date, 'in a sentence', locale);
  return (
    <Document title={t('proof.title')} author={shopName} language={languageOf(language)}>
      {pagesOf(shown, paper, t).map((rows, i) => (
        <Page key={i} size={PAPERS[paper]} style={styles.page}>
          {i === 0 && (
            <>
              <Text style={styles.soft}>{shopName}</Text>
              <Text style={styles.title}>{t('proof.title')}</Text>
              <Text style={styles.told}>
                {t('proof.period', { from: day(period.from), to: day(period.to) })}
              </Text>
              <Sums proof={proof} t={t} />
              {shown.length < proof.rows.length && (
                <Text style={styles.gaps}>{t('proof.cut-short', { shown: shown.length })}</Text>
              )}
              <Text style={styles.soft}>
                {t('proof.made', { when: formatDate(madeAt, timeZone, 'date and clock', locale) })}
              </Text>
            </>
          )}
          {rows.length === 0 ? <Text style={styles.told}>{t('proof.nothing')}</Text> : <Columns t={t} />}
          {rows.map((row, n) => (
            <Row key={n} row={row} t={t} when={formatDate(row.at, timeZone, 'day and clock', locale)} />
          ))}
          <Text
            style={styles.foot}
            fixed
            // How many there are is not known as the first are laid out.
            render={({ pageNumber, totalPages }) =>
              `${shopName}, ${t('proof.of-page', { page: pageNumber, pages: totalPages || pageNumber })}`
            }
          />
        </Page>
      ))}
    </Document>
  );
}

/** What was done for clean pails in a period, as a PDF for an inspector. */
export async function proofSheetPdf(sheet: ProofSheet): Promise<Uint8Array<ArrayBuffer>> {
  return Uint8Array.from(await renderToBuffer(<ProofDocument sheet={sheet} />));
}
