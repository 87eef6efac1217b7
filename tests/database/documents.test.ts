import { predictArrangement } from '@/core/arrangement/predict-arrangement';
import { cardFor, type IssuedCard } from '@/core/care/card-for';
import type { ClaimRow } from '@/core/dock/claims';
import { DEFAULT_SCHOOLS } from '@/core/protocol/schools';
import { SHIPPED_SPECIES } from '@/core/species/registry';
import { hasTrait } from '@/core/species/traits';
import type { LanguageTag } from '@/core/words/catalogues';
import { closePool, inWorker } from '@/server/pool/pool';
import { arrangementOf } from '../support/bench-inputs';
import { pdfPages } from '../support/pdf-text';

jest.mock('server-only', () => ({}));
jest.setTimeout(120_000);
afterAll(() => closePool());

const FORECAST = predictArrangement(arrangementOf(40, 'mixed'));
const pdf = async (made: Promise<Uint8Array>): Promise<string[]> => pdfPages(Buffer.from(await made));

function card(keys: readonly string[], vesselKind: 'vase' | 'foam', tag: LanguageTag = 'en'): IssuedCard {
  const [line] = FORECAST.lines;
  if (!line) throw new Error('a forecast has lines');
  return cardFor(
    {
      name: 'Harbour office, counter',
      vesselKind,
      litres: 2,
      solution: 'flower-food',
      result: {
        habits: [
          { habit: 'cold-nights', medianGainDays: 3.2 },
          { habit: 'no-fruit', medianGainDays: 1.4 },
        ],
        more: { habits: ['cold-nights', 'no-fruit'], bothDays: 4.1 },
      },
      lines: keys.map((speciesKey) => ({ speciesKey, variety: 'Night Ferry', stems: 12 })),
    },
    { ...FORECAST, lines: keys.map((species) => ({ ...line, species })), limitingLine: 0 },
    {
      name: 'The Slow Tide',
      address: 'Quay 4, Skerrow',
      telephone: 'Skerrow 214',
      hours: 'Mon to Sat 8 to 18',
    },
    SHIPPED_SPECIES,
    { date: '2026-11-24', hour: 9 },
    DEFAULT_SCHOOLS,
    'home',
    tag,
  );
}
const plain = (text: string): string => text.replace(/\s+/g, ' ').trim();

test('a card is one side, however much stands in it, and says every line and caution it was issued with', async () => {
  const everything = SHIPPED_SPECIES.all.filter(
    (s) => hasTrait(s, 'lily') || s.skin !== 'none' || s.sap !== 'none',
  );
  for (const [keys, vessel, tag] of [
    [['rose'], 'vase', 'en'],
    [['lily-oriental', 'daffodil', 'hydrangea'], 'vase', 'en'],
    [everything.slice(0, 9).map((s) => s.key), 'foam', 'es'],
  ] as const) {
    const issued = card(keys, vessel, tag);
    const pages = await pdf(inWorker('care-card', { issued, paper: 'A6' }));
    expect([keys.length, pages.length]).toEqual([keys.length, 1]);
    const text = plain(pages[0] ?? '');
    for (const words of [issued.arrangementName, issued.shopName, issued.contact ?? ''])
      expect(text).toContain(words);
    for (const line of issued.card.lines) expect(text).toContain(plain(line.text));
    for (const caution of issued.card.cautions) expect(text).toContain(plain(caution));
  }
});

test('the same card is the same text on every day it is printed: it is as it was issued', async () => {
  const issued = card(['rose', 'carnation'], 'vase');
  const [one, other] = [
    await pdf(inWorker('care-card', { issued, paper: 'A6' })),
    await pdf(inWorker('care-card', { issued, paper: 'A6' })),
  ];
  expect(other).toEqual(one);
});

test('a card and a document come out on the paper that the shop’s printer holds', async () => {
  const issued = card(['rose'], 'vase');
  const boxOf = async (made: Promise<Uint8Array>): Promise<string> =>
    /\/MediaBox \[([^\]]*)\]/.exec(Buffer.from(await made).toString('latin1'))?.[1] ?? '';
  expect(await boxOf(inWorker('care-card', { issued, paper: '4x6' }))).toBe('0 0 288 432');
  expect(await boxOf(inWorker('care-card', { issued, paper: 'A6' }))).toMatch(/^0 0 297\.\d* 419/);
  const letter = { ...claims([claim(1)]), paper: 'Letter' as const };
  expect(await boxOf(inWorker('claim-sheet', letter))).toBe('0 0 612 792');
  expect((await pdf(inWorker('care-card', { issued, paper: '4x6' }))).length).toBe(1);
});

const claim = (number: number, over: Partial<ClaimRow> = {}): ClaimRow => ({
  number,
  supplier: 'Norrholt Growers',
  deliveryRef: 'NQ-7741',
  line: 3,
  supplierLine: null,
  product: 'Rose, Night Ferry',
  words: '12 of 60 broken at the neck',
  stems: 12,
  stemsDelivered: 60,
  outOf: 60,
  value: 6.5,
  currency: 'EUR',
  state: 'sent',
  openedAt: '2026-11-24T07:05:00.000Z',
  dueAt: '2026-11-25T07:05:00.000Z',
  settledValue: null,
  ...over,
});
const claims = (rows: readonly ClaimRow[], isCutShort = false) => ({
  ...{ shopName: 'The Slow Tide', paper: 'A4' as const, timeZone: 'Etc/UTC', language: 'en' as const },
  ...{ rows, isCutShort, pictures: new Map<number, readonly Buffer[]>() },
});
const sheet = (rows: readonly ClaimRow[], isCutShort = false) =>
  pdf(inWorker('claim-sheet', claims(rows, isCutShort)));

test('a claim’s sheet tells each with its number, delivery, words and stems, and what they come to by supplier', async () => {
  const rows = [
    claim(7),
    claim(8, { product: 'Tulip, Sea Fret', words: '20 of 50 blown', stems: 20, value: 4 }),
    claim(9, { supplier: 'Salt Hill', deliveryRef: 'SH-12', words: '5 of 30 mouldy', stems: 5, value: 2.5 }),
  ];
  const text = plain((await sheet(rows)).join(' '));
  for (const told of [
    'Norrholt Growers',
    'Salt Hill',
    'NQ-7741',
    'SH-12',
    '12 of 60 broken at the neck',
    'Tulip, Sea Fret',
  ])
    expect(text).toContain(told);
  expect(text).toMatch(/10[.,]50/);
  expect(text).toMatch(/2[.,]50/);
});

test('many claims go on over pages, none of them lost; more than a sheet takes is said', async () => {
  const rows = Array.from({ length: 60 }, (_, i) => claim(100 + i, { words: `claim of words ${100 + i}` }));
  const pages = await sheet(rows, true);
  expect(pages.length).toBeGreaterThan(1);
  const text = plain(pages.join(' '));
  for (const { words } of rows) expect(text).toContain(words);
});

test('words of any hand are printed as they stand, letter for letter, in every language notes come in', async () => {
  const odd = [
    'Rose “Très Óld” <b>&amp; ½ — Ñandú',
    'Róża żółta, gałązkowa, łososiowa ść',
    'Žlutý tulipán, řeřicha ů ě',
    'Følgeseddel Ærø, Blåklokke, Ängslan',
  ];
  const rows = odd.map((product, i) => claim(i + 1, { product, words: '<script>alert(1)</script>' }));
  // How far letters stand apart is the typesetter's: what is asked is that none is lost.
  const letters = (text: string): string => text.replace(/\s/g, '');
  const text = letters((await sheet(rows)).join(''));
  expect(text).toContain('<script>alert(1)</script>');
  for (const product of odd) expect(text).toContain(letters(product));
});
