import { HOUR_MS } from '../calendar/spans';
import { MODEL } from '../model/constants';
import { opensInVase, type Species } from '../species/species';
import { hasTrait, isTropical } from '../species/traits';
import { SOLUTIONS } from '../water/solutions';
import type { ParamsOf } from '../steps/steps';
import { m, type Message } from '../words/message';
import { added, before, changed, noted, without, type DraftProtocol } from './draft-protocol';
import type { Change, LotState } from './types';
import type { Ways } from './ways';

const purpose = (says: Message): Change => ({ because: 'purpose', says });
const drinkOf = (soFar: DraftProtocol): ParamsOf<'drink'> | undefined =>
  soFar.steps.find((d) => d.params.kind === 'drink')?.params as ParamsOf<'drink'> | undefined;

function toSellSoon(soFar: DraftProtocol, { droop }: LotState): DraftProtocol {
  const today = purpose(m('why.to-sell-today-it-drinks-where-it'));
  const drink = drinkOf(soFar);
  let next = changed(soFar, 'move', today, { place: 'the shop floor', lowC: 15, highC: 20, dark: false });
  if (drink && droop === 'firm') next = changed(next, 'drink', today, { hours: Math.min(drink.hours, 1) });
  return without(next, 'recut', purpose(m('why.to-sell-today-it-is-gone-before')));
}

function toHold(soFar: DraftProtocol, s: Species, says: Message): DraftProtocol {
  const held = purpose(says);
  const place = isTropical(s) ? 'the tropical shelf' : 'the cold room';
  const coldest = Math.max(s.storeMinC, s.chillBelowC ?? -5);
  const cold = changed(soFar, 'move', held, { place, lowC: coldest, highC: coldest + 1, dark: true });
  const drink = drinkOf(soFar);
  return drink && SOLUTIONS[drink.solution].isFood
    ? changed(cold, 'drink', held, { solution: 'holding' })
    : cold;
}

function toForce(soFar: DraftProtocol, s: Species, says: Message): DraftProtocol {
  if (!opensInVase(s)) return staysShut(soFar);
  const forced = purpose(says);
  let next = changed(soFar, 'drink', forced, {
    tempC: 24,
    ...(s.foodKind === 'standard' ? { solution: 'flower-food' } : {}),
  });
  next = changed(next, 'move', forced, { place: 'a warm bright shelf', lowC: 20, highC: 24, dark: false });
  // Sap shuts with the cut: what bleeds is not cut again to hurry it.
  if (s.sap !== 'mucilage')
    next = changed(next, 'recut', purpose(m('why.a-fresh-cut-drinks-hard-for-an')), {
      everyHours: 4,
      cm: s.cutCm > 0 && s.cutCm < 1 ? s.cutCm : 1,
      newWater: false,
    });
  if (!hasTrait(s, 'lily')) return next;
  const gas = purpose(m('why.their-own-gas-opens-them-off-at'));
  return before(next, ['move'], added(gas, { kind: 'wrap', in: 'a loose bag' }));
}

/** As open as an event wants it. */
const OPEN_STAGE = 0.7;
/** Hour of its day by which flowers for an event stand open (estimate: set up in the forenoon). */
const EVENT_HOUR = 10;
/** So far ahead a lot that is held is planned for: longer ones open in the cold as well. */
const HELD_DAYS = 3;

/** Hours of warmth it needs before an event, by the opening model, with what it opens in the cold till then. */
export function warmHoursBefore({ species: s, stage }: LotState, inDays: number): number {
  const coldC = Math.max(s.storeMinC, s.chillBelowC ?? -5);
  const inCold = MODEL.openingQ10 ** ((coldC - MODEL.referenceTempC) / 10);
  const wanted = ((OPEN_STAGE - stage) / MODEL.openingShare) * s.openDays20C * 24;
  return Math.min(inDays * 24, Math.max(0, Math.round((wanted - inCold * inDays * 24) / (1 - inCold))));
}

/** Told where it stands that it opens no further: nothing done to it would change that. */
const staysShut = (soFar: DraftProtocol): DraftProtocol =>
  noted(soFar, 'move', purpose(m('why.it-does-not-open-after-the-cut')));

/** When it leaves the cold for an event: by day and hour where its day is known, else by how long before. */
function outOfTheCold(lot: LotState, days: number, eventOn: string | undefined): Message {
  const hours = warmHoursBefore(lot, days);
  if (eventOn === undefined) return m('why.out-of-the-cold-before', { days, hours });
  const at = Date.parse(`${eventOn}T00:00:00Z`) + (EVENT_HOUR - hours) * HOUR_MS;
  return m('why.out-of-the-cold-at', { days, hours, at });
}

/** What is held until it is asked for: told how long before that it leaves the cold, where it opens. */
function heldSays(lot: LotState): Message {
  const hours = opensInVase(lot.species) ? warmHoursBefore(lot, HELD_DAYS) : 0;
  return hours === 0 ? m('why.to-hold-the-coldest-end-of-its') : m('why.to-hold-then-out-before', { hours });
}

function forEvent(
  soFar: DraftProtocol,
  lot: LotState,
  inDays: number,
  eventOn: string | undefined,
): DraftProtocol {
  const { species: s } = lot;
  if (!opensInVase(s))
    return inDays > 1 ? toHold(soFar, s, m('why.it-does-not-open-after-the-cut')) : staysShut(soFar);
  if (inDays > s.leadDays && !hasTrait(s, 'opens warm'))
    return toHold(soFar, s, outOfTheCold(lot, inDays, eventOn));
  if (inDays > s.leadDays)
    return toHold(soFar, s, m('why.days-to-go-held', { days: inDays, opens: s.leadDays }));
  if (s.opensAfterCut && lot.stage < 0.5 && s.openDays20C > 0 && inDays < s.leadDays)
    return toForce(soFar, s, m('why.days-to-go-hurried', { days: inDays, wants: s.leadDays }));
  return soFar;
}

const KEPT_TO_DRY = new Set(['unpack', 'discard', 'strip', 'inspect']);
function toDry(soFar: DraftProtocol, s: Species): DraftProtocol {
  if (!hasTrait(s, 'dries well')) return noted(soFar, 'move', purpose(m('why.it-does-not-dry-well')));
  const dry = purpose(m('why.for-drying-no-water-upside-down-dark'));
  const steps = soFar.steps.filter((d) => KEPT_TO_DRY.has(d.params.kind));
  const gone = soFar.steps.filter((d) => !KEPT_TO_DRY.has(d.params.kind));
  return {
    steps: [
      ...steps,
      added(dry, { kind: 'dry-hang', days: 14 }),
      added(dry, { kind: 'move', place: 'a dry dark loft', lowC: 12, highC: 25, dark: true }),
    ],
    leftOut: [...soFar.leftOut, ...gone.map((d) => ({ kind: d.params.kind, change: dry }))],
  };
}

/** The sheet as what the lot is for asks. */
export function forPurpose(
  soFar: DraftProtocol,
  lot: LotState,
  { purpose: wanted, eventInDays, eventOn }: Ways,
): DraftProtocol {
  switch (wanted) {
    case 'usual':
      return soFar;
    case 'sell soon':
      return toSellSoon(soFar, lot);
    case 'hold':
      return toHold(soFar, lot.species, heldSays(lot));
    case 'force':
      return toForce(soFar, lot.species, m('why.to-hurry-warm-bright-tepid-water-and'));
    case 'event':
      return forEvent(soFar, lot, eventInDays, eventOn);
    case 'dry':
      return toDry(soFar, lot.species);
  }
}
