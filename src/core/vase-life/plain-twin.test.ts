import fc from 'fast-check';
import { lotInput } from '../../../tests/support/lot-inputs';
import { randomStream } from '../random';
import { speciesByKey } from '../species/species';
import { SOLUTIONS } from '../water/solutions';
import { predictLot } from './predict-lot';
import type { CareEvent, LotInput, Stay } from './types';

/**
 * The model once more, one stem, the equations written down one after the other with their figures
 * in place, sharing nothing with the product but its table, its solutions and its luck.
 */
function plainEndHour(input: LotInput, draw: number): number | null {
  const sp = speciesByKey(input.species);
  const luck = randomStream(input.seed, draw);
  const lot = luck.normal();
  luck.normal();
  const L = sp.lifeDays20C * Math.exp(sp.lifeSpread * luck.normal() + 0.1 * lot);
  const plug = sp.plug * Math.exp(0.3 * luck.normal());
  const wilting = 0.82 + 0.03 * luck.normal();
  const opens = sp.opensAfterCut && sp.openDays20C > 0;
  let S = input.arrival.stage;
  let used = 0;
  if (!opens) used = S > 1 ? 0.6 * sp.lifeDays20C : 0;
  else {
    const f = sp.headsOpenInTurn ? 0.3 : 0.55;
    if (S > 1) used = (f + 0.2) * sp.lifeDays20C;
    else if (S > 0.2) used = (f * sp.lifeDays20C * (S - 0.2)) / 0.8;
  }
  let A = Math.max(input.arrival.agedDays, used);
  let W = { firm: 0.97, soft: 0.88, hanging: 0.8 }[input.arrival.droop];
  let E = { firm: 0, soft: 0.3, hanging: 0.6 }[input.arrival.droop];
  let P = 0;
  let C = 0;
  let B: number | null = null;
  let biocide = 0;
  let leaves = input.leafShare;
  let wiltingHours = 0;
  let wetSince = 0;
  let changes = 0;
  let wasWet: boolean | null = null;
  const sol = SOLUTIONS[input.water.solution];
  const vpd = (t: number, rh: number): number =>
    0.6108 * Math.exp((17.27 * t) / (t + 237.3)) * (1 - rh / 100);
  const stayAt = (hour: number): Stay => {
    let end = 0;
    for (const stay of input.stays) {
      end += stay.hours ?? Infinity;
      if (hour + 0.5 < end) return stay;
    }
    return input.stays[input.stays.length - 1] as Stay;
  };
  const freshen = (): void => {
    B = Math.max(3.3, (B as number) - 1.5);
    biocide = sol.biocide;
  };
  const horizon = Math.ceil(input.countFromHour ?? 0) + 960;
  for (let h = 0; h < horizon; h++) {
    const stay = stayAt(h);
    const clock = ((input.startHourOfDay ?? 8) + h) % 24;
    const n = stay.night;
    const atNight =
      n !== undefined &&
      n.fromHour !== n.toHour &&
      (n.fromHour < n.toHour
        ? clock >= n.fromHour && clock < n.toHour
        : clock >= n.fromHour || clock < n.toHour);
    const T = n && atNight ? n.tempC : stay.tempC;
    const RH = n && atNight ? n.humidityPct : stay.humidityPct;
    const lit = (clock + 16) % 24 < stay.litHours;
    const now = (input.events ?? []).filter((e) => Math.floor(e.atHour) === h);
    // Water and deeds.
    let cut = 0;
    const back = stay.wet && wasWet === false;
    if (stay.wet && B === null) {
      B = { clean: 3.3, rinsed: 5, reused: 6.5 }[input.water.start];
      biocide = sol.biocide;
      wetSince = h;
    } else if (back) {
      freshen();
      wetSince = h;
      changes = 0;
    } else if (
      stay.wet &&
      input.water.changeEveryDays !== null &&
      h - wetSince >= (changes + 1) * input.water.changeEveryDays * 24
    ) {
      freshen();
      changes++;
      if (input.water.recutAtChange) cut = 2;
    }
    if (back && stay.cutOnReturn !== false && cut === 0) cut = 2;
    const asked = now
      .filter((e): e is Extract<CareEvent, { type: 'cut' }> => e.type === 'cut')
      .map((e) => e.cm);
    if (asked.length > 0) cut = Math.max(...asked);
    if (stay.wet && now.some((e) => e.type === 'change')) freshen();
    for (const e of now) if (e.type === 'strip') leaves = e.leafShare;
    P *= 1 - 0.75 * Math.min(1, cut / 2);
    E *= 1 - 0.7 * Math.min(1, cut / 2);
    if (now.some((e) => e.type === 'hot-dip')) {
      P *= 0.5;
      E *= 0.2;
    }
    // Ageing.
    const ethylene =
      1 + ([0, 0.6, 1.6, 3.5][sp.ethylene] as number) * (stay.ethylenePpm / (stay.ethylenePpm + 0.3 || 1));
    const spent = sol.isFood && biocide < 0.3 ? 0.3 : 1;
    const food = stay.wet ? 1 + (sp.foodGain - 1) * sol.gain[sp.foodKind] * spent : 1;
    const stress = 1 + 6 * Math.min(2, Math.max(0, (0.93 - W) / 0.1));
    const dA = (sp.q10 ** ((T - 20) / 10) * ethylene * (1 + (stay.wet ? sol.harm : 0)) * stress) / food / 24;
    const share = (L - A) / dA;
    A += dA;
    // Opening, chill, demand.
    if (opens && S < 1)
      S = Math.min(
        1,
        S +
          (0.8 / (24 * sp.openDays20C)) *
            2.5 ** ((T - 20) / 10) *
            (1 + 0.15 * (stay.wet ? sol.sugar : 0)) *
            (W > 0.85 ? 1 : 0.2),
      );
    if (sp.chillBelowC !== null && T < sp.chillBelowC) C += (sp.chillBelowC - T) / 24;
    const D = (0.35 + (0.65 * leaves * sp.leafiness) / 2) * (vpd(T, RH) / vpd(20, 60)) * (lit ? 1.15 : 0.75);
    if (stay.wet) {
      const warmth =
        stay.drinkTempC === undefined ? T : T + (stay.drinkTempC - T) * 0.5 ** (h - wetSince + 0.5);
      const x = 10 ** ((B as number) - 6.5);
      P += (1 - P) * Math.min(1, ((0.012 * x) / (1 + x) + 0.0006 * 2 ** ((T - 20) / 10)) * plug);
      const half =
        warmth <= 5
          ? 10
          : warmth <= 20
            ? 10 - ((warmth - 5) * 4) / 15
            : warmth <= 40
              ? 6 - ((warmth - 20) * 4.5) / 20
              : 1.5;
      E *= 0.5 ** (1 / (plug * plug * half));
      const supply = 2 * (1 - P) * (1 - E) * (1 + 0.15 * sol.acid);
      W += supply >= D ? Math.min((1 - W) / 2, 0.03) : -0.014 * (D - supply);
      const growth =
        0.08 *
        (Math.max(0, warmth + 3) / 23) ** 2 *
        (1 - 0.85 * biocide) *
        (1 + input.water.leafBelow + 0.8 * sol.sugar) *
        (1 - (B as number) / 8.3);
      B = Math.max(0, (B as number) + growth);
      biocide *= 0.5 ** (2 ** ((warmth - 20) / 10) / 240);
      wiltingHours = W < wilting ? wiltingHours + 1 : 0;
    } else {
      W -= (0.12 * D) / sp.dryHours;
      E += (1 - E) * Math.min(1, Math.min(2, D) / (1.5 * sp.dryHours));
      wiltingHours = 0;
    }
    wasWet = stay.wet;
    if (A >= L) return h + Math.min(1, Math.max(0, share));
    if (C >= 20 || wiltingHours >= 18 || W < 0.62) return h + 1;
  }
  return null;
}

test('the engine and its plain twin end every stem in the same hour', () => {
  fc.assert(
    fc.property(lotInput, (any) => {
      const input: LotInput = { ...any, draws: 1 };
      const end = plainEndHour(input, 0);
      const days = end === null ? 40 : Math.min(40, Math.max(0, (end - (input.countFromHour ?? 0)) / 24));
      expect(predictLot(input).daysLeft.p50).toBeCloseTo(days, 7);
    }),
    { numRuns: 400 },
  );
});
