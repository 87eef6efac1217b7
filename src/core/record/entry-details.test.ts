import { ENTRY_DETAILS, readAsNow, readDetail, type EntryKind } from './entry-details';

const [A, B] = ['01a21238-a19c-7509-af84-c96d85c8392f', '01a21238-a19c-7509-af84-cd336c96f30c'];
const stepBefore = {
  stepId: A,
  stepWas: { status: 'waiting', started_at: null, due_at: null },
  lotWas: { fill_id: null, room_id: B },
  poured: { fillId: B, opened: true, pailWas: { state: 'sanitised', contact_until: null } },
  reason: null,
  began: null,
  handsId: A,
  withId: null,
};

/** One of every kind and version that was ever written, as it stands in databases of its day. */
const EVER: { readonly [K in EntryKind]: readonly unknown[] } = {
  begin: [
    stepBefore,
    { stepId: A, portionId: B, stems: 20, used: { seconds: 25 }, reason: null, withId: A, poured: [] },
  ],
  done: [
    stepBefore,
    {
      stepId: A,
      portionId: B,
      stems: 20,
      used: null,
      reason: null,
      withId: null,
      poured: [{ pail: '7', fillId: A, portionId: B, stems: 20, litres: null }],
    },
  ],
  skip: [
    stepBefore,
    { stepId: A, portionId: B, stems: 20, used: null, reason: 'no time', withId: null, poured: [] },
  ],
  'look-back': [
    {
      stepId: A,
      stepWas: {},
      lotWas: { plan_no: 1, droop: 'firm', fill_id: null },
      outcome: 'hanging',
      began: null,
    },
    { stepId: A, portionId: B, stems: 6, outcome: 'hanging' },
  ],
  recut: [{ lotWas: { plan_no: 2, fill_id: A } }, { portionId: A, cm: 2, soaks: true }],
  purpose: [
    { lotWas: { purpose: 'usual', event_on: null, plan_no: 1 } },
    { portionId: A, purpose: 'event', eventOn: '2026-12-01' },
  ],
  apart: [{ fromId: A, portionId: B, stems: 6 }],
  processed: [{}],
  look: [
    { before: { stage: 0.2, droop: 'firm', looked_at: null }, after: { stage: 0.5, droop: 'soft' } },
    { stage: 0.5, droop: 'soft', was: { stage: 0.2, droop: 'firm' } },
  ],
  bin: [
    { stems: 4, reason: 'broken' },
    { reason: 'broken', from: [{ portionId: A, stems: 4 }] },
  ],
  split: [{ splitOffId: A, stems: 10 }],
  merge: [{ fromId: A, stems: 20, fromNumber: 12, intoNumber: 13 }],
  'keep-for': [{ before: null }, { day: '2026-11-25' }],
  decide: [
    { before: { decision: null }, claimId: A, stems: 0 },
    { decision: 'refused', because: 'grey mould', claimId: A, stems: 40 },
  ],
  flaw: [{ counted: { lotId: A, kind: 'broken', seen: 2, sample: 20 }, before: null }],
  count: [
    { before: { stems_booked: 40, stems_short: 0 }, stems: 30, weighingId: null },
    { stems: 30, was: 40, short: 10, weighingId: A },
  ],
  temperature: [{ place: 'box', before: 12.5 }],
  photo: [{ photoId: A }],
  'photo-away': [{ photoId: A }],
  logger: [
    { before: [{ lotId: A, aged_days: 2, air_share: 0, droop: 'firm' }] },
    { lots: [{ lotId: A, agedDays: 3.5, was: 2 }] },
  ],
  'book-in': [{ lots: [A, B] }],
  'line-booked': [{}],
  'line-refused': [{ before: 'which species?' }, { reason: 'never came' }],
  'lot-corrected': [
    { was: { speciesKey: 'rose', variety: null, cutDate: '2026-11-19' }, reason: 'the label says so' },
  ],
  'delivery-corrected': [{ was: { supplier: 'Salt Hill', deliveryRef: 'SH-7' }, reason: 'the wrong paper' }],
  unlearnt: [{ supplier: 'Salt Hill', shape: 'product|bunches', product: null }],
  order: [{}],
  'call-off': [{}],
  claim: [
    {
      lotId: A,
      deliveryId: B,
      kind: 'broken',
      words: 'x',
      stems: 12,
      value: null,
      currency: null,
      dueAt: '2026-11-25T06:50:00Z',
    },
  ],
  'claim-moved': [{ from: 'open', to: 'credited', settledValue: 4.5 }],
  'claim-window': [
    { supplier: 'Norrholt Growers', hours: 12 },
    { supplier: 'Norrholt Growers', hours: 12, was: null },
  ],
  make: [{ lines: [{ lotId: A, stems: 3 }] }, { lines: [{ lotId: A, portionId: B, stems: 3 }] }],
  card: [{ arrangementId: A }],
  wash: [
    { pailWas: { state: 'dirty', contact_until: null, sanitised_at: null } },
    { from: 'dirty', to: 'scrubbed' },
    { from: 'scrubbed', to: 'contact', dose: { product: 'bleach', ppm: 200, ml: 53, contactMin: 10 } },
  ],
  fill: [
    { fillId: A, pailWas: { state: 'sanitised', contact_until: null } },
    { fillId: A, litres: 4 },
  ],
  relay: [{ relayId: A, pailIds: [A, B] }],
  strip: [{ relayId: A, pass: 0, readPpm: 120, predictedPpm: 168.2 }],
  'water-look': [{ fillId: A, look: 'hazy' }],
  'water-reading': [{ fillId: A, ph: 5.5, us: null, chlorinePpm: null }],
  'top-up': [{ fillId: A, litres: 1 }],
  'tool-cleaned': [{ toolId: A }],
  'tip-out': [{}, { fillId: A }],
  'turn-over': [{}, { fromFillId: A, toPailId: B, fillId: A, litres: 4 }],
  house: [{ kind: 'limit', subject: '', key: 'plainDays', value: '3', reason: 'a trial week' }],
  species: [{ speciesKey: 'rose', species: null, edits: [], reason: 'a slow van' }],
  figure: [
    { kind: 'species', subject: 'rose', figure: 'lifeDays20C', value: 12, reason: 'windowsill stems' },
  ],
  skill: [{ personId: A, skill: 'knife', shown: true }],
  person: [{ personId: A, wasHere: true }],
  shop: [{ was: { name: 'The Slow Tide', promiseConfidence: 0.9 } }],
  room: [{ roomId: A, was: { name: 'Bench', tempC: 18 } }],
  pail: [{ pailIds: [A, B] }],
  correction: [{}],
};

test('every kind and version that was ever written is read', () => {
  for (const [kind, versions] of Object.entries(EVER)) {
    expect([kind, versions.length]).toEqual([kind, ENTRY_DETAILS[kind as EntryKind].length]);
    versions.forEach((detail, i) =>
      expect([kind, readDetail(kind, i + 1, detail)]).not.toEqual([kind, null]),
    );
  }
});

test('what is of no kind or version there ever was is not read, nor what its schema does not bear', () => {
  expect(readDetail('toString', 1, {})).toBeNull();
  expect(readDetail('bin', 3, {})).toBeNull();
  expect(readDetail('bin', 2, { reason: 'broken', from: 4 })).toBeNull();
});

test('what was written by an older version is read as now where it tells as much, and not where it does not', () => {
  const [, beforeDose] = EVER.wash;
  expect(readAsNow('wash', 2, beforeDose)).toEqual({ from: 'dirty', to: 'scrubbed', dose: null });
  expect(readAsNow('bin', 1, { stems: 4, reason: 'broken' })).toBeNull();
  expect(readAsNow('begin', 1, stepBefore)).toBeNull();
  expect(readAsNow('skill', 1, { personId: A, skill: 'juggling', shown: true })).toBeNull();
  for (const [kind, versions] of Object.entries(EVER) as [EntryKind, readonly unknown[]][])
    expect([kind, readAsNow(kind, versions.length, versions.at(-1))]).not.toEqual([kind, null]);
});
