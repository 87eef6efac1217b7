import type { Species } from '../species/species';
import { hasTrait, isTropical } from '../species/traits';
import { SOLUTIONS } from '../water/solutions';
import type { ParamsOf } from '../steps/steps';
import { added, before, changed, without, type Sheet } from './sheet';
import type { Change, LotState } from './types';
import type { Ways } from './ways';

const purpose = (says: string): Change => ({ because: 'purpose', says });
const drinkOf = (sheet: Sheet): ParamsOf<'drink'> | undefined =>
  sheet.steps.find((d) => d.params.kind === 'drink')?.params as ParamsOf<'drink'> | undefined;

function toSellSoon(sheet: Sheet, { droop }: LotState): Sheet {
  const today = purpose('To sell today: it drinks where it is seen.');
  const drink = drinkOf(sheet);
  let next = changed(sheet, 'move', today, { place: 'the shop floor', lowC: 15, highC: 20, dark: false });
  if (drink && droop === 'firm') next = changed(next, 'drink', today, { hours: Math.min(drink.hours, 1) });
  return without(next, 'recut', purpose('To sell today: it is gone before its water is due.'));
}

function toHold(sheet: Sheet, s: Species, says: string): Sheet {
  const held = purpose(says);
  const place = isTropical(s) ? 'the tropical shelf' : 'the cold room';
  const coldest = Math.max(s.storeMinC, s.chillBelowC ?? -5);
  const cold = changed(sheet, 'move', held, { place, lowC: coldest, highC: coldest + 1, dark: true });
  const drink = drinkOf(sheet);
  return drink && SOLUTIONS[drink.solution].isFood
    ? changed(cold, 'drink', held, { solution: 'holding' })
    : cold;
}

function toForce(sheet: Sheet, s: Species, says: string): Sheet {
  const forced = purpose(says);
  let next = changed(sheet, 'drink', forced, {
    tempC: 24,
    ...(s.foodKind === 'standard' ? { solution: 'flower-food' } : {}),
  });
  next = changed(next, 'move', forced, { place: 'a warm bright shelf', lowC: 20, highC: 24, dark: false });
  // Sap shuts with the cut: what bleeds is not cut again to hurry it.
  if (s.sap !== 'mucilage')
    next = changed(
      next,
      'recut',
      purpose('A fresh cut drinks hard for an hour, then slows: every 4 h by day.'),
      {
        everyHours: 4,
        cm: s.cutCm > 0 && s.cutCm < 1 ? s.cutCm : 1,
        newWater: false,
      },
    );
  if (!hasTrait(s, 'lily')) return next;
  const gas = purpose('Their own gas opens them: off at once when they crack, before the pollen shows.');
  return before(next, ['move'], added(gas, { kind: 'wrap', in: 'a loose bag' }));
}

function forEvent(sheet: Sheet, lot: LotState, inDays: number): Sheet {
  const { species: s } = lot;
  if (inDays > s.leadDays)
    return toHold(
      sheet,
      s,
      `${inDays} days to go and it opens in ${s.leadDays}: held cold and dark until then.`,
    );
  if (s.opensAfterCut && lot.stage < 0.5 && s.openDays20C > 0 && inDays < s.leadDays)
    return toForce(sheet, s, `${inDays} days to go and it wants ${s.leadDays}: hurried in warmth and light.`);
  return sheet;
}

const KEPT_TO_DRY = new Set(['unpack', 'discard', 'strip', 'inspect']);
function toDry(sheet: Sheet): Sheet {
  const dry = purpose('For drying: no water. Upside down, dark, airy.');
  const steps = sheet.steps.filter((d) => KEPT_TO_DRY.has(d.params.kind));
  const gone = sheet.steps.filter((d) => !KEPT_TO_DRY.has(d.params.kind));
  return {
    steps: [
      ...steps,
      added(dry, { kind: 'dry-hang', days: 14 }),
      added(dry, { kind: 'move', place: 'a dry dark loft', lowC: 12, highC: 25, dark: true }),
    ],
    leftOut: [...sheet.leftOut, ...gone.map((d) => ({ kind: d.params.kind, change: dry }))],
  };
}

/** The sheet as what the lot is for asks. */
export function forPurpose(sheet: Sheet, lot: LotState, { purpose: wanted, eventInDays }: Ways): Sheet {
  switch (wanted) {
    case 'usual':
      return sheet;
    case 'sell soon':
      return toSellSoon(sheet, lot);
    case 'hold':
      return toHold(sheet, lot.species, 'To hold: the coldest end of its range, dark, little sugar.');
    case 'force':
      return toForce(sheet, lot.species, 'To hurry: warm, bright, tepid water and sugar.');
    case 'event':
      return forEvent(sheet, lot, eventInDays);
    case 'dry':
      return toDry(sheet);
  }
}
