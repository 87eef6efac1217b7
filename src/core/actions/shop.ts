import * as v from 'valibot';
import { LANGUAGES } from '../words/catalogues';
import { CARD_PAPERS, DOCUMENT_PAPERS, ROLL_HEIGHTS_MM, ROLL_WIDTHS_MM } from '../labels/printing';
import { DEVICE_KINDS } from '../devices/device-readings';
import { MOST_EVERY_H, TOOL_KINDS } from '../hygiene/tools';
import { UNITS } from '../units/measures';
import { PAIL_COLOURS, PAIL_FORMS } from '../water/pail-shape';
import { FOODS } from '../water/food';
import { currencySchema } from '../opening/currency';
import { ROOM_KINDS } from '../opening/opening';
import { defineAction, HOUSE, lock, MANAGER } from './contract';
import { day, id, measure, someWords, whole, words } from './fields';
import { peopleActions } from './people';

/** What a product is measured with, weighed once; none where it is poured by its own figures. */
const aCup = v.optional(
  v.nullable(v.strictObject({ name: someWords(20), ml: measure(0.5, 500, 'mL') })),
  null,
);

/** In the shop's money; null where it says nothing. */
const aPrice = v.optional(v.nullable(measure(0, 10_000, 'in money')), null);

const AT_ONCE = 60;
const roomFigures = {
  name: someWords(40),
  tempC: measure(-10, 45, '°C'),
  humidityPct: whole(1, 100),
  litHours: whole(0, 24),
};

/** What a shop is, and what stands in it. */
const thingActions = {
  'shop/details': defineAction({
    input: v.object({
      name: someWords(80),
      address: words(200),
      telephone: words(40),
      hours: words(120),
      /** As it stands where it is not told. */
      emergency: v.optional(words(120)),
      promiseConfidence: measure(0.5, 0.99, 'of the time'),
      units: v.picklist(UNITS),
      language: v.picklist(LANGUAGES),
      /** As it stands where it is not told: by a page from before it was asked. */
      currency: v.optional(currencySchema),
    }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['shop'],
    takenBack: { not: 'What the shop is called and promises is set again.' },
    locks: () => [HOUSE],
  }),
  'shop/add-room': defineAction({
    input: v.object({ kind: v.picklist(ROOM_KINDS), ...roomFigures }),
    result: v.object({ roomId: v.string() }),
    roles: MANAGER,
    mayWait: false,
    entries: ['room'],
    takenBack: { not: 'A room that was added stays; its air is set again.' },
    locks: () => [HOUSE],
  }),
  'shop/set-room': defineAction({
    /** From now on: what stood in it before stood in it as it was. */
    input: v.object({ roomId: id, ...roomFigures }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['room'],
    takenBack: { not: 'A room’s air is set again.' },
    locks: () => [HOUSE],
  }),
  'shop/add-pails': defineAction({
    input: v.object({
      count: whole(1, AT_ONCE),
      litres: measure(0.5, 100, 'L'),
      heightCm: whole(5, 100),
      form: v.optional(v.picklist(PAIL_FORMS), 'tapered'),
      colour: v.optional(v.nullable(v.picklist(PAIL_COLOURS)), null),
    }),
    result: v.object({ names: v.array(v.string()) }),
    roles: MANAGER,
    mayWait: false,
    entries: ['pail'],
    takenBack: { not: 'A pail that was added is retired.' },
    locks: () => [HOUSE],
  }),
  'shop/sanitiser': defineAction({
    input: v.object({
      name: someWords(60),
      percent: measure(0.1, 20, '%'),
      madeOn: v.nullable(day),
      storageC: measure(-10, 50, '°C'),
      targetPpm: whole(20, 5000),
      contactMin: whole(1, 120),
      cup: aCup,
      pricePerL: aPrice,
      waterPerM3: aPrice,
    }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['shop'],
    takenBack: { not: 'What the shop sanitises with is set again.' },
    locks: () => [HOUSE],
  }),
  'shop/food': defineAction({
    input: v.object({
      solution: v.picklist(FOODS),
      /** Null: nothing is said of it any more. */
      food: v.nullable(
        v.strictObject({
          name: someWords(60),
          aLitre: measure(0.1, 200, 'a litre'),
          unit: v.picklist(['mL', 'g']),
          sachetL: v.nullable(measure(0.1, 50, 'L')),
          cup: aCup,
          stepUs: v.optional(v.nullable(measure(10, 10_000, 'µS/cm')), null),
        }),
      ),
    }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['shop'],
    takenBack: { not: 'What the shop feeds with is set again.' },
    locks: () => [HOUSE],
  }),
  'shop/add-tool': defineAction({
    input: v.object({ name: someWords(40), kind: v.picklist(TOOL_KINDS), everyH: whole(1, MOST_EVERY_H) }),
    result: v.object({ toolId: v.string() }),
    roles: MANAGER,
    mayWait: false,
    entries: ['shop'],
    takenBack: { not: 'A thing that was added is taken out of use.' },
    locks: () => [HOUSE],
  }),
  'shop/retire-tool': defineAction({
    input: v.object({ toolId: id }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['shop'],
    takenBack: { not: 'It is added anew.' },
    locks: () => [HOUSE],
  }),
  'shop/add-device': defineAction({
    input: v.object({ name: someWords(40), kind: v.picklist(DEVICE_KINDS) }),
    result: v.object({ deviceId: v.string() }),
    roles: MANAGER,
    mayWait: false,
    entries: ['shop'],
    takenBack: { not: 'A device that was set up is taken out of use.' },
    locks: () => [HOUSE],
  }),
  'shop/retire-device': defineAction({
    input: v.object({ deviceId: id }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['shop'],
    takenBack: { not: 'A device is set up anew, with a token of its own.' },
    locks: () => [HOUSE],
  }),
  'shop/tap': defineAction({
    /** What comes out of the tap; null where nobody has measured it. */
    input: v.object({
      tap: v.nullable(v.strictObject({ ph: measure(4, 11, 'pH'), us: measure(0, 5000, 'µS/cm') })),
    }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['shop'],
    takenBack: { not: 'What the tap gives is set again.' },
    locks: () => [HOUSE],
  }),
  'shop/losses-by-person': defineAction({
    input: v.object({ isTold: v.boolean() }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['shop'],
    takenBack: { not: 'It is allowed or not allowed again.' },
    locks: () => [HOUSE],
  }),
  'shop/printers': defineAction({
    input: v.object({
      documents: v.picklist(DOCUMENT_PAPERS),
      cards: v.picklist(CARD_PAPERS),
      /** Null: many to a sheet. */
      labels: v.nullable(
        v.strictObject({
          widthMm: whole(ROLL_WIDTHS_MM.least, ROLL_WIDTHS_MM.most),
          heightMm: whole(ROLL_HEIGHTS_MM.least, ROLL_HEIGHTS_MM.most),
        }),
      ),
    }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['shop'],
    takenBack: { not: 'What the printers hold is set again.' },
    locks: () => [HOUSE],
  }),
  'shop/rename-pail': defineAction({
    input: v.object({ pailId: id, name: someWords(20) }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['pail'],
    takenBack: 'restored',
    locks: ({ pailId }) => [HOUSE, lock('pail', 'pailId', pailId)],
  }),
  'shop/set-pail': defineAction({
    /** What it is like, and where it stands. */
    input: v.object({
      pailId: id,
      form: v.picklist(PAIL_FORMS),
      colour: v.nullable(v.picklist(PAIL_COLOURS)),
      roomId: id,
    }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['pail'],
    takenBack: { not: 'What a pail is like is set again.' },
    locks: ({ pailId }) => [HOUSE, lock('contents of pail', 'pailId', pailId)],
  }),
  'shop/retire-pail': defineAction({
    /** Or, with `isHere`, brings one back, unwashed. */
    input: v.object({ pailId: id, isHere: v.boolean() }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['pail'],
    takenBack: 'restored',
    locks: ({ pailId }) => [lock('pail', 'pailId', pailId)],
  }),
} as const;

/** What the manager keeps of the shop itself. */
export const shopActions = { ...peopleActions, ...thingActions } as const;
