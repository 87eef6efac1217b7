import { HOUR_MS } from '../calendar/spans';
import Papa from 'papaparse';
import { readNumber } from '../numbers/read-number';
import { BrokenContractError } from '../errors';
import { isDayFirst, isZone, readTime, zoneNamed } from './read-time';

export interface LoggerReading {
  /** Milliseconds since 1970. */
  readonly atMs: number;
  readonly tempC: number;
  readonly humidityPct: number | null;
}

export interface LoggerGap {
  readonly from: string;
  readonly to: string;
  readonly hours: number;
}

/** A logger's file as it was understood: every row is a reading, a bad row or heading. */
export interface LoggerFile {
  readonly serial: string | null;
  readonly unit: 'C' | 'F';
  readonly unitBecause: string;
  readonly dayFirst: boolean;
  /** In the order of time, one for each instant. */
  readonly readings: readonly LoggerReading[];
  readonly badRows: readonly { readonly line: number; readonly why: string }[];
  readonly gaps: readonly LoggerGap[];
  /** Minutes between readings, the middle one; null with fewer than two. */
  readonly intervalMin: number | null;
  readonly notes: readonly string[];
}

const COLDEST_C = -30;
const WARMEST_C = 60;
/** Readings further apart than this, and than four of their usual intervals, leave a gap. */
export const GAP_HOURS = 2;
export const LOGGER_MAX_BYTES = 5_000_000;

interface Row {
  readonly line: number;
  readonly cells: readonly string[];
}

interface Columns {
  readonly time: number;
  /** A clock in a column of its own beside the date. */
  readonly clock: number | null;
  readonly temp: number;
  readonly humidity: number | null;
  readonly headings: readonly string[];
}

function rowsOf(text: string): Row[] {
  const clean = text.replace(/^\uFEFF/, '');
  const parsed = Papa.parse<string[]>(clean, { delimitersToGuess: [',', ';', '\t', '|'] });
  return parsed.data.map((cells, at) => ({ line: at + 1, cells: cells.map((c) => c.trim()) }));
}

const IS_TIME = /time|dat(e|um)|zeit|heure|hora|fecha/i;
const IS_CLOCK = /^time|^clock|^uhrzeit/i;
const IS_TEMP = /temp|°\s*[cf]|celsius|fahrenheit/i;
const IS_HUMIDITY = /^rh|humid|%\s*rh|feucht/i;

function headingOf(rows: readonly Row[]): { at: number; columns: Columns } | null {
  for (let at = 0; at < Math.min(rows.length, 40); at++) {
    const cells = rows[at]?.cells ?? [];
    const time = cells.findIndex((c) => IS_TIME.test(c));
    const temp = cells.findIndex((c, i) => i !== time && IS_TEMP.test(c));
    if (time < 0 || temp < 0) continue;
    const clock = cells.findIndex((c, i) => i > time && IS_CLOCK.test(c));
    const humidity = cells.findIndex((c) => IS_HUMIDITY.test(c));
    return {
      at,
      columns: {
        time,
        clock: clock < 0 ? null : clock,
        temp,
        humidity: humidity < 0 ? null : humidity,
        headings: cells,
      },
    };
  }
  return null;
}

function preambleOf(rows: readonly Row[], name: RegExp): string | null {
  for (const { cells } of rows) if (name.test(cells[0] ?? '') && cells[1]) return cells[1];
  return null;
}

/** A number that may carry its unit: "4.1", "4,1 °C", "39.4F". */
function readMeasure(text: string): number | null {
  return readNumber(text.replace(/[°º]?\s*(c|f|%|%\s*rh)?$/i, '').trim());
}

function unitOf(
  preamble: readonly Row[],
  columns: Columns,
  temps: readonly (number | null)[],
  cells: readonly string[],
): { unit: 'C' | 'F'; because: string } {
  const stated = preambleOf(preamble, /unit/i);
  if (stated && /f/i.test(stated)) return { unit: 'F', because: 'the file says so' };
  if (stated && /c/i.test(stated)) return { unit: 'C', because: 'the file says so' };
  const heading = columns.headings[columns.temp] ?? '';
  if (/°\s*f|fahrenheit|\(f\)|[_ ]f$/i.test(heading)) return { unit: 'F', because: 'its heading says so' };
  if (/°\s*c|celsius|\(c\)|[_ ]c$/i.test(heading)) return { unit: 'C', because: 'its heading says so' };
  if (cells.some((c) => /\df?.*f$/i.test(c))) return { unit: 'F', because: 'its figures say so' };
  const known = temps.filter((t) => t !== null).sort((a, b) => a - b);
  const middle = known[Math.floor(known.length / 2)] ?? 0;
  return middle > 30
    ? { unit: 'F', because: `a box at ${middle.toFixed(0)} °C is not likely: taken as °F` }
    : { unit: 'C', because: 'nothing is said: taken as °C' };
}

function gapsOf(readings: readonly LoggerReading[], intervalMin: number | null): LoggerGap[] {
  const longest = Math.max(GAP_HOURS, (4 * (intervalMin ?? 0)) / 60);
  return readings.flatMap((reading, i) => {
    const before = readings[i - 1];
    const hours = before ? (reading.atMs - before.atMs) / HOUR_MS : 0;
    if (!before || hours <= longest) return [];
    return [{ from: new Date(before.atMs).toISOString(), to: new Date(reading.atMs).toISOString(), hours }];
  });
}

const timeText = ({ cells }: Row, { time, clock }: Columns): string =>
  `${cells[time] ?? ''}${clock === null ? '' : ` ${cells[clock] ?? ''}`}`.trim();

interface ReadAs {
  readonly columns: Columns;
  readonly unit: 'C' | 'F';
  readonly dayFirst: boolean;
  readonly timeZone: string;
}

const humidityIn = (text: string): number | null => {
  const humidity = readMeasure(text);
  return humidity !== null && humidity >= 1 && humidity <= 100 ? humidity : null;
};

/** Degrees Celsius of a box of flowers, or why it is none. */
function celsiusOf(measured: number | null, text: string, unit: 'C' | 'F'): number | string {
  if (measured === null) return `“${text}” is not a temperature`;
  const tempC = unit === 'F' ? ((measured - 32) * 5) / 9 : measured;
  return tempC < COLDEST_C || tempC > WARMEST_C ? `${tempC.toFixed(1)} °C is not a box of flowers` : tempC;
}

/** The readings by their instants, the first of two at one, and every row that is none with why. */
function readingsIn(body: readonly Row[], temps: readonly (number | null)[], as: ReadAs) {
  const { columns, unit, dayFirst, timeZone } = as;
  const badRows: { line: number; why: string }[] = [];
  const byTime = new Map<number, LoggerReading>();
  let lastMs: number | undefined;
  body.forEach((row, i) => {
    const bad = (why: string): void => void badRows.push({ line: row.line, why });
    const written = timeText(row, columns);
    const notBefore = lastMs === undefined ? {} : { notBeforeMs: lastMs };
    const atMs = readTime(written, { dayFirst, timeZone, ...notBefore });
    if (atMs === null) return bad(`“${written}” is not a time`);
    lastMs = atMs;
    const tempC = celsiusOf(temps[i] ?? null, row.cells[columns.temp] ?? '', unit);
    if (typeof tempC === 'string') return bad(tempC);
    if (byTime.has(atMs)) return bad('that instant stands there twice; the first is kept');
    const humidityPct = columns.humidity === null ? null : humidityIn(row.cells[columns.humidity] ?? '');
    byTime.set(atMs, { atMs, tempC, humidityPct });
  });
  return { byTime, badRows };
}

/**
 * Reads a temperature logger's CSV: any of the usual separators, a preamble, decimal commas, °C or
 * °F, dates of several styles, irregular times. Rows that cannot be read are told, not dropped.
 * @param shopZone the zone of clocks that do not say, where the file names none either
 * @throws BrokenContractError when it is no logger file at all
 */
export function readLogger(text: string, shopZone = 'UTC'): LoggerFile {
  const refuse = (message: string): never => {
    throw new BrokenContractError([{ field: 'file', message }]);
  };
  if (text.length > LOGGER_MAX_BYTES) refuse('is larger than 5 MB; that is no logger of one journey');
  const rows = rowsOf(text);
  const heading = headingOf(rows);
  if (!heading) return refuse('has no heading with a time and a temperature');
  const { columns } = heading;
  const body = rows.slice(heading.at + 1).filter((row) => row.cells.some((c) => c !== ''));
  const dayFirst = isDayFirst(body.map((row) => timeText(row, columns)));
  const head = rows.slice(0, heading.at);
  const said = preambleOf(head, /zone|offset/i) ?? columns.headings[columns.time] ?? '';
  const named = zoneNamed(said);
  const timeZone = named ?? shopZone;
  if (!isZone(timeZone)) refuse(`is to be read in the zone "${timeZone}", which nobody knows`);
  const tempTexts = body.map(({ cells }) => cells[columns.temp] ?? '');
  const temps = tempTexts.map(readMeasure);
  const { unit, because } = unitOf(head, columns, temps, tempTexts);
  const { byTime, badRows } = readingsIn(body, temps, { columns, unit, dayFirst, timeZone });
  const asWritten = [...byTime.keys()];
  const isOutOfOrder = asWritten.some((atMs, i) => atMs < (asWritten[i - 1] ?? -Infinity));
  const readings = [...byTime.values()].sort((a, b) => a.atMs - b.atMs);
  if (readings.length === 0) refuse('has not one row that could be read');
  const steps = readings.slice(1).map((r, i) => (r.atMs - (readings[i]?.atMs ?? r.atMs)) / 60_000);
  const intervalMin = steps.sort((a, b) => a - b)[Math.floor(steps.length / 2)] ?? null;
  return {
    serial: preambleOf(head, /serial|logger|device/i),
    unit,
    unitBecause: because,
    dayFirst,
    readings,
    badRows,
    gaps: gapsOf(readings, intervalMin),
    intervalMin,
    notes: isOutOfOrder ? ['Rows were out of order; they were put in the order of time.'] : [],
  };
}
