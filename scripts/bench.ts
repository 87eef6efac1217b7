/** Measures the model's speed on this machine: medians of several runs after a warm-up. */
import { SHIPPED_SPECIES } from '../src/core/species/registry';
import { intoPails } from '../src/core/bench/pails';
import { planBench } from '../src/core/bench/plan';
import type { BenchInput } from '../src/core/bench/types';
import { compileLoop, handArrangement, handLot } from './lib/c-loop';
import { loadSolver } from '../src/workers/solver';
import { arrangementOf, lotOf, TABLE_STAY } from '../tests/support/bench-inputs';
import { twinArrangement, twinLot } from '../tests/support/twin';
import { predictArrangement, predictInSlices } from '../src/core/arrangement/predict-arrangement';
import { luckOfLines } from '../src/core/arrangement/luck-of-lines';
import { advance, startArrangement } from '../src/core/arrangement/run';
import type { ArrangementInput } from '../src/core/arrangement/types';
import { whatADayCosts } from '../src/core/habits/what-a-day-costs';
import { SPECIES } from '../src/core/species/species';
import { readDeliveryNote } from '../src/core/note/read-note';
import { endsOfLot, predictLot } from '../src/core/vase-life/predict-lot';
import { hoursToStep, type Ends } from '../src/core/vase-life/results';
import type { LotInput } from '../src/core/vase-life/types';

function medianMs(runs: number, work: () => unknown): number {
  work();
  work();
  const times = Array.from({ length: runs }, () => {
    const started = performance.now();
    work();
    return performance.now() - started;
  }).sort((a, b) => a - b);
  return times[Math.floor(runs / 2)] ?? NaN;
}

/** Hours that stems stood from hour 0 to their end or the last hour, counted; and how many of them were stepped. */
interface Hours {
  readonly stood: number;
  readonly stepped: number;
}
const hoursOf = (all: readonly Ends[], last: number): Hours => ({
  stood: all.reduce(
    (sum, { endHour }) => sum + endHour.reduce((hours, end) => hours + (Number.isNaN(end) ? last : end), 0),
    0,
  ),
  stepped: all.reduce((sum, ends) => sum + ends.steppedHours, 0),
});
const hoursOfLot = (input: LotInput): Hours => hoursOf([endsOfLot(input)], hoursToStep(0));
function hoursOfArrangement(input: ArrangementInput): Hours {
  const run = startArrangement(input);
  advance(run, input.draws);
  return hoursOf(
    run.lines.map((line) => line.ends),
    run.hours,
  );
}
const say = (what: string, figures: string): void => console.log(`${what.padEnd(58)}${figures}`);
const perSecond = (hours: number, ms: number): string =>
  `${(hours / ms / 1000).toFixed(1)} million stem-hours a second`;
const stood = ({ stood: hours, stepped }: Hours, ms: number): string =>
  `${perSecond(hours, ms)} (${((stepped / hours) * 100).toFixed(0)} % of them stepped)`;

const loop = compileLoop();
/** The same by a plain loop in C that steps every stem every hour: its speed, and what share of it ours is. */
function besideC(hours: number, ms: number, hand: () => Buffer): void {
  if (!loop) return say('  a plain loop in C', 'no C compiler (cc) here');
  const plain = loop.run(hand());
  const apart = Math.abs(plain.stemHours / hours - 1);
  const share = plain.ms / ms / (plain.stemHours / hours);
  say(
    '  a plain loop in C, stepping alone',
    `${plain.ms.toFixed(0)} ms, ${perSecond(plain.stemHours, plain.ms)}: ours ${share.toFixed(2)} of it` +
      (apart > 1e-6 ? ` (its hours differ by ${(apart * 100).toFixed(4)} %)` : ''),
  );
}

/** A note of so many lines whose counts are open until its sums are reckoned through. */
const NOTE_LINES = 2000;
const longNote = [
  'Pos;Artikel;Sorte;Bund;Stiele;Preis;Betrag;Schnitt',
  ...Array.from({ length: NOTE_LINES }, (_, i) => {
    const name = SPECIES[i % SPECIES.length]?.name ?? 'Rose';
    return `${i + 1};${name} rot 60cm;Sorte ${i};${2 + (i % 9)};10;0,50;${(5 * (2 + (i % 9))).toFixed(2).replace('.', ',')};20.11.2026`;
  }),
].join('\n');
say(
  `a delivery note of ${NOTE_LINES} lines, what its counts mean settled`,
  `${medianMs(3, () => readDeliveryNote(longNote)).toFixed(0)} ms (target 1000)`,
);

for (const [species, solution] of [
  ['rose', 'flower-food'],
  ['rose', 'plain'],
  ['gerbera', 'holding'],
  ['statice', 'plain'],
] as const) {
  const input = lotOf(species, 20_000, solution);
  const ms = medianMs(5, () => predictLot(input));
  say(
    `a lot of ${species} in ${solution}, 20 000 draws`,
    `${ms.toFixed(0)} ms, ${stood(hoursOfLot(input), ms)}`,
  );
  besideC(hoursOfLot(input).stood, ms, () => handLot(input));
}

const list = Array.from({ length: 300 }, (_, i) =>
  lotOf(SPECIES[i % SPECIES.length]?.key ?? 'rose', 200, i % 2 === 0 ? 'flower-food' : 'plain', i),
);
const listMs = medianMs(3, () => list.map(predictLot));
say('a stock list, 300 lots of 200 draws', `${listMs.toFixed(0)} ms (target 1000)`);

const whole = arrangementOf(500);
const wholeMs = medianMs(5, () => predictArrangement(whole));
say(
  'an arrangement, 40 stems, 500 draws',
  `${wholeMs.toFixed(0)} ms (target 600), ${stood(hoursOfArrangement(whole), wholeMs)}`,
);
besideC(hoursOfArrangement(whole).stood, wholeMs, () => handArrangement(whole));
const mixed = arrangementOf(500, 'mixed');
const mixedMs = medianMs(5, () => predictArrangement(mixed));
say(
  'the same, kept as customers mixed keep flowers',
  `${mixedMs.toFixed(0)} ms, ${stood(hoursOfArrangement(mixed), mixedMs)}`,
);

const firstBands: number[] = [];
let slices = 0;
for (let run = 0; run < 5; run++) {
  const started = performance.now();
  let first = NaN;
  slices = 0;
  await predictInSlices(mixed, {
    pause: () => Promise.resolve(),
    onProgress: () => slices++,
    onPartial: () => (first = Number.isNaN(first) ? performance.now() - started : first),
  });
  firstBands.push(first);
}
say(
  'its first band, in slices',
  `${(firstBands.sort((a, b) => a - b)[2] ?? NaN).toFixed(0)} ms (target 100), ${slices} slices`,
);

const ranking = arrangementOf(200, 'careful');
const habits = whatADayCosts(ranking).habits.length;
const rankingMs = medianMs(3, () => whatADayCosts(ranking));
say(`what a day costs, ${habits} habits, 200 draws each`, `${rankingMs.toFixed(0)} ms (target 2000)`);

/** A morning of thirty lots of thirty kinds, two pairs of hands, eighteen pails. */
const kinds = SPECIES.filter((_, i) => i % 2 === 0).slice(0, 30);
const morning: BenchInput = {
  hands: [
    { name: 'Wen', skills: ['hot water', 'secateurs'] },
    { name: 'Bram', skills: [] },
  ],
  kettle: { boilMinutes: 4 },
  sinks: 1,
  pails: Array.from({ length: 18 }, (_, i) => ({
    name: String(i),
    litres: i < 12 ? 12 : 7,
    heightCm: i < 12 ? 36 : 24,
  })),
  lots: kinds.map((s, i) => ({
    id: s.key,
    species: s.key,
    stems: 20 + ((i * 37) % 90),
    unitPrice: 0.6,
    stage: 0.3,
    droop: i % 5 === 0 ? 'soft' : 'firm',
    packing: 'dry box',
    agedDays: 1,
    flaws: [],
  })),
  seed: 1,
  tries: 6000,
};
const solve = await loadSolver();
const planMs = medianMs(3, () => planBench(morning, SHIPPED_SPECIES, solve));
const plan = planBench(morning, SHIPPED_SPECIES, solve);
say(
  'a bench of 30 lots, two pairs of hands, 6000 orders',
  `${planMs.toFixed(0)} ms (target 2000): ${plan.objective.stemDays.toFixed(0)} stem-days, ${plan.firstComeFirstServed.stemDays.toFixed(0)} as they came, bound ${plan.bound.stemDays.toFixed(0)}`,
);
const pailsOf = (shares: readonly { readonly pail: string }[]): number =>
  new Set(shares.map((s) => s.pail)).size;
const few12 = morning.lots
  .slice(0, 12)
  .map((lot) => ({ ...lot, species: SHIPPED_SPECIES.byKey(lot.species) }));
const packMs = medianMs(3, () => intoPails(few12, morning.pails, solve));
say(
  'its first 12 lots into pails by the solver',
  `${packMs.toFixed(0)} ms: ${pailsOf(intoPails(few12, morning.pails, solve).shares)} pails, ${pailsOf(intoPails(few12, morning.pails).shares)} by first fit`,
);

loop?.end();

/** Bytes of every typed array that hangs on a value: what a run holds, whenever the collector comes by. */
function heldBytes(value: unknown, seen = new Set<unknown>()): number {
  if (typeof value !== 'object' || value === null || seen.has(value)) return 0;
  seen.add(value);
  if (ArrayBuffer.isView(value)) return value.byteLength;
  return Object.values(value).reduce<number>((sum, inner) => sum + heldBytes(inner, seen), 0);
}
const held = startArrangement(whole);
advance(held, whole.draws);
say(
  'memory held by that arrangement’s arrays',
  `${(heldBytes(held) / 2 ** 20).toFixed(1)} MB for ${held.done} draws (target 64)`,
);

const few = { ...lotOf('rose', 300, 'flower-food') };
const twinLotMs = medianMs(3, () => Array.from({ length: few.draws }, (_, d) => twinLot(few, d)));
const fastLotMs = medianMs(9, () => predictLot(few));
say(
  'a lot of 300 draws against its plain twin',
  `${twinLotMs.toFixed(0)} ms to ${fastLotMs.toFixed(1)} ms: ${(twinLotMs / fastLotMs).toFixed(0)} times`,
);
const small: ArrangementInput = { ...arrangementOf(12), stays: [TABLE_STAY] };
const luck = luckOfLines(small.lines);
const twinMs = medianMs(3, () =>
  Array.from({ length: small.draws }, (_, d) => twinArrangement(small, d, luck)),
);
const fastMs = medianMs(9, () => predictArrangement(small));
say(
  'an arrangement of 12 draws against its plain twin',
  `${twinMs.toFixed(0)} ms to ${fastMs.toFixed(1)} ms: ${(twinMs / fastMs).toFixed(0)} times`,
);
