import type { ActionName, InputOf } from '@/core/actions/actions';

/** One of everything that an action can be about, all of it hanging together. */
export interface World {
  readonly lotId: string;
  readonly portionId: string;
  /** The step it is at: its drink, running in the pail. */
  readonly stepId: string;
  readonly lookStepId: string;
  readonly mateLotId: string;
  readonly deliveryId: string;
  readonly pailId: string;
  readonly cleanPailId: string;
  readonly dirtyPailId: string;
  readonly arrangementId: string;
  readonly claimId: string;
  readonly keptId: string;
  readonly expectedId: string;
  readonly photoId: string;
  readonly personId: string;
  readonly roomId: string;
  readonly entryId: number;
}

/** A line of a note that lacks nothing. */
export const noteLine = (
  at: number,
  speciesKey: string,
  stems: number,
): InputOf<'dock/book-in'>['lines'][number] => ({
  line: at,
  speciesKey,
  variety: null,
  colour: null,
  lengthCm: 60,
  headsMin: null,
  stems,
  cutDate: '2026-11-22',
  origin: null,
  packing: 'dry box',
  unitPrice: 0.5,
  currency: 'EUR',
});

/** A JPEG as small as one can be. */
export const TINY_JPEG = Buffer.concat([
  Buffer.from([
    0xff, 0xd8, 0xff, 0xc0, 0, 11, 8, 0, 90, 0, 120, 1, 1, 0x11, 0, 0xff, 0xda, 0, 8, 1, 1, 0, 0, 63, 0,
  ]),
  Buffer.alloc(100, 7),
  Buffer.from([0xff, 0xd9]),
]).toString('base64');

const EMPTY_PLAN: InputOf<'bench/plan'>['plan'] = {
  assignment: [],
  lots: [],
  order: [],
  pails: [],
  withoutPail: [],
  rooms: [],
  objective: { cost: 0, stemDays: 0, finishMin: 0 },
  bound: { cost: 0, stemDays: 0 },
  firstComeFirstServed: { stemDays: 0, finishMin: 0 },
  saved: { stemDays: 0, money: null },
  kettleOnMin: null,
};
const LOGGER = Array.from(
  { length: 30 },
  (_, h) => `${new Date(Date.parse('2026-11-23T00:00:00Z') + h * 3_600_000).toISOString()},8`,
);

/** A body for every action, about this world; `n` tells two taps of one kind apart. */
export const BODIES: { readonly [N in ActionName]: (w: World, n: number) => InputOf<N> } = {
  'bench/tap': (w, n) => ({ stepId: w.stepId, to: n % 2 ? 'skipped' : 'done', reason: 'no time' }),
  'bench/look-back': (w, n) => ({ stepId: w.lookStepId, outcome: 'hanging', stems: 3 + n }),
  'bench/apart': (w, n) => ({ portionId: w.portionId, stems: 4 + n }),
  'bench/recut': (w) => ({ portionId: w.portionId, cm: 2 }),
  'bench/purpose': (w, n) => ({ portionId: w.portionId, purpose: n % 2 ? 'hold' : 'sell soon' }),
  'bench/plan': () => ({ fromVersion: 0, plan: EMPTY_PLAN }),
  'bench/stand': (w, n) => ({ personId: w.personId, isHere: n % 2 === 0 }),
  'bench/skill': (w) => ({ personId: w.personId, skill: 'knife', shown: true }),
  'dock/look': (w, n) => ({ lotId: w.lotId, stage: 0.25 * n, droop: 'soft' }),
  'dock/bin': (w, n) => ({ lotId: w.lotId, stems: 20 + n, reason: 'broken' }),
  'dock/split': (w, n) => ({ lotId: w.lotId, stems: 5 + n }),
  'dock/merge': (w, n) =>
    n % 2 ? { lotId: w.lotId, intoId: w.mateLotId } : { lotId: w.mateLotId, intoId: w.lotId },
  'dock/in-hand': (w) => ({ lotId: w.lotId }),
  'dock/keep-for': (w) => ({ lotId: w.lotId, day: '2026-12-24' }),
  'dock/decide': (w, n) => ({
    lotId: w.lotId,
    decision: n % 2 ? 'use first' : 'refused',
    because: 'as it came',
  }),
  'dock/flaw': (w, n) => ({ lotId: w.lotId, kind: 'grey-mould', seen: 3 + n, sample: 20 }),
  'dock/claim': (w) => ({ lotId: w.lotId, kind: 'broken' }),
  'dock/claim-moved': (w, n) => ({ claimId: w.claimId, state: n % 2 ? 'sent' : 'withdrawn' }),
  'dock/claim-settled': (w) => ({ claimId: w.claimId, state: 'credited', settledValue: 0.1 }),
  'dock/claim-window': (_, n) => ({ supplier: 'Norrholt Growers', hours: 24 + n }),
  'dock/count': (w, n) => ({ lotId: w.lotId, stems: 28 + n }),
  'dock/temperature': (w, n) => ({ lotId: w.lotId, place: 'box', tempC: 5 + n }),
  'dock/photo': (w) => ({ lotId: w.lotId, jpeg: TINY_JPEG }),
  'dock/photo-away': (w) => ({ lotId: w.lotId, photoId: w.photoId }),
  'dock/logger': (w) => ({ deliveryId: w.deliveryId, csv: ['time,temp (C)', ...LOGGER].join('\n') }),
  'dock/book-in': (w, n) => ({
    supplier: 'Norrholt Growers',
    deliveryRef: `R ${w.lotId.slice(-12)} ${n % 2}`,
    expectedId: w.expectedId,
    lines: [noteLine(1, 'rose', 10)],
  }),
  'dock/book-kept': (w) => ({ keptId: w.keptId, line: noteLine(3, 'rose', 10) }),
  'dock/refuse-kept': (w) => ({ keptId: w.keptId, reason: 'never came' }),
  'dock/order': (w) => ({
    supplier: 'Salt Hill',
    orderRef: `O ${w.lotId.slice(-12)}`,
    dueOn: '2026-12-01',
    lines: [{ line: 1, speciesKey: 'rose', variety: null, lengthCm: null, stems: 10 }],
  }),
  'dock/call-off': (w) => ({ expectedId: w.expectedId }),
  'dock/correct-lot': (w, n) => ({
    lotId: w.lotId,
    speciesKey: n % 2 ? 'tulip' : 'rose',
    variety: null,
    cutDate: '2026-11-21',
    reason: 'the label says so',
  }),
  'dock/correct-delivery': (w, n) => ({
    deliveryId: w.deliveryId,
    supplier: 'Salt Hill',
    deliveryRef: `C ${w.lotId.slice(-12)} ${n % 2}`,
    reason: 'the wrong paper',
  }),
  'dock/unlearn': () => ({ supplier: 'Norrholt Growers', shape: 'product|bunches' }),
  'pails/wash': (w) => ({ pailId: w.dirtyPailId, to: 'scrubbed' }),
  'pails/fill': (w) => ({ pailId: w.cleanPailId, litres: 3, solution: 'plain', tempC: 20, depth: 'normal' }),
  'pails/wash-many': (w) => ({ pailIds: [w.dirtyPailId], to: 'scrubbed' }),
  'pails/relay-begin': (w) => ({
    ...{ pailIds: [w.dirtyPailId], dirt: 'rinsed', people: 1, taps: 1, mode: 'relay' },
  }),
  'pails/relay-end': (w) => ({ relayId: w.dirtyPailId }),
  'pails/strip': (w, n) => ({ relayId: w.dirtyPailId, pass: 0, ppm: 100 + n }),
  'pails/read': (w, n) => ({ pailId: w.pailId, ph: 5.5, us: 700 + n, chlorinePpm: null }),
  'pails/top-up': (w, n) => ({ pailId: w.pailId, litres: 0.5 + n / 10 }),
  'pails/look': (w, n) => ({ pailId: w.pailId, look: n % 2 ? 'cloudy' : 'hazy' }),
  'pails/tip-out': (w) => ({ pailId: w.pailId }),
  'pails/turn-over': (w) => ({ pailId: w.pailId, toPailId: w.cleanPailId }),
  'make/make': (w, n) => ({
    name: 'bowl',
    vesselKind: 'vase',
    litres: 1,
    care: 'usual',
    lines: [{ portionId: w.portionId, stems: 14 + n }],
  }),
  'send-off/issue': (w) => ({ arrangementId: w.arrangementId }),
  'desk/take-back': (w) => ({ entryId: w.entryId }),
  'desk/language': (_, n) => ({ language: n % 2 === 0 ? 'en' : 'es' }),
  'desk/units': (_, n) => ({ units: n % 2 === 0 ? 'us' : null }),
  'desk/set-figure': (_, n) => ({
    kind: 'species',
    subject: 'rose',
    figure: 'lifeDays20C',
    value: 11 + n,
    reason: 'windowsill stems',
  }),
  'desk/set-way': (_, n) => ({
    kind: 'limit',
    key: 'plainDays',
    value: 2 + n,
    reason: 'a trial week',
  }),
  'desk/set-protocol': () => ({
    file: {
      format: 'hush-pail species and protocol',
      version: 1,
      speciesKey: 'rose',
      species: null,
      edits: [],
    },
    reason: 'as the product has it',
  }),
  'desk/add-species': (w) => ({
    name: `Phlox ${w.lotId.slice(-6)}`,
    botanical: 'Phlox paniculata',
    like: 'stock',
    reason: 'the garden grower',
  }),
  'shop/add-person': (_, n) => ({ role: 'hand', name: `Somebody ${n}`, pin: '5093' }),
  'shop/retire': (w, n) => ({ personId: w.personId, isHere: n % 2 === 1 }),
  'shop/erase-name': (w) => ({ personId: w.personId }),
  'shop/set-secret': (w) => ({ personId: w.personId, secret: '5093', current: null }),
  'shop/second-factor': (_w, n) => ({ sealed: `none ${n}`, code: '123456' }),
  'shop/end-second-factor': (w) => ({ personId: w.personId }),
  'shop/unlock': (w) => ({ personId: w.personId }),
  'shop/end-sessions': (w) => ({ personId: w.personId, sessionId: null }),
  'shop/details': (_, n) => ({
    name: `The Slow Tide ${n}`,
    address: 'Quay 4, Skerrow',
    telephone: '',
    hours: 'Mon to Sat 8 to 18',
    promiseConfidence: 0.8,
    units: 'metric',
    language: 'es',
  }),
  'shop/add-room': (_, n) => ({ kind: 'cold', name: `Cellar ${n}`, tempC: 9, humidityPct: 80, litHours: 1 }),
  'shop/set-room': (w) => ({ roomId: w.roomId, name: 'Bench', tempC: 17, humidityPct: 60, litHours: 11 }),
  'shop/add-pails': (_, n) => ({ count: 2 + n, litres: 10, heightCm: 30 }),
  'shop/sanitiser': (_, n) => ({
    ...{ name: 'thick bleach', percent: 4 + n / 10, madeOn: '2026-06-01', storageC: 18 },
    ...{ targetPpm: 200, contactMin: 10 },
  }),
  'pails/reserve': (w) => ({ pailIds: [w.cleanPailId], expectedId: w.expectedId }),
  'shop/food': (_, n) => ({
    solution: 'flower-food',
    food: {
      name: 'Quayside food',
      aLitre: 10 + n,
      unit: 'mL',
      sachetL: null,
      cup: { name: 'scoop', ml: 20 },
    },
  }),
  'shop/add-tool': (_, n) => ({ name: `Knife ${n}`, kind: 'knife', everyH: 12 }),
  'shop/retire-tool': (w) => ({ toolId: w.dirtyPailId }),
  'pails/clean-tool': (w) => ({ toolId: w.dirtyPailId }),
  'shop/add-device': (_, n) => ({ name: `Doser ${n}`, kind: 'doser' }),
  'shop/retire-device': (w) => ({ deviceId: w.dirtyPailId }),
  'shop/tap': (_, n) => ({ tap: { ph: 7.5, us: 300 + n } }),
  'shop/losses-by-person': (_, n) => ({ isTold: n % 2 === 0 }),
  'shop/printers': (_, n) => ({
    ...{ documents: 'A4', cards: 'A6' },
    labels: { widthMm: 57 + n, heightMm: 32 },
  }),
  'shop/rename-pail': (w, n) => ({ pailId: w.cleanPailId, name: `blue ${n}` }),
  'shop/set-pail': (w, n) => ({
    ...{ pailId: w.dirtyPailId, form: 'straight', roomId: w.roomId },
    colour: n % 2 ? 'blue' : 'green',
  }),
  'shop/retire-pail': (w) => ({ pailId: w.dirtyPailId, isHere: false }),
};
