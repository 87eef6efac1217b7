import { SHIPPED_SPECIES } from '@/core/species/registry';
import type { ArrangementInput } from '@/core/arrangement/types';
import type { CareEvent, LotInput, Stay, WaterPlan } from '@/core/vase-life/types';
import { SOLUTIONS, type SolutionKey } from '@/core/water/solutions';
import { twinShared, twinStem, type TwinLine, type TwinVessel } from './twin-shared';

/*
 * The model once more, one object a stem, the equations written down one after the other with their
 * figures in place, sharing nothing with the product but its table, its solutions and its luck.
 */

const vpd = (t: number, rh: number): number => 0.6108 * Math.exp((17.27 * t) / (t + 237.3)) * (1 - rh / 100);

function halfLife(t: number): number {
  if (t <= 5) return 10;
  if (t <= 20) return 10 - ((t - 5) * 4) / 15;
  return t <= 40 ? 6 - ((t - 20) * 4.5) / 20 : 1.5;
}

/** Steps everything in one vessel, hour by hour, to the last. */
function runTwin(v: TwinVessel): void {
  const stayAt = (hour: number): Stay => {
    let end = 0;
    for (const stay of v.stays) {
      end += stay.hours ?? Infinity;
      if (hour + 0.5 < end) return stay;
    }
    return v.stays[v.stays.length - 1] as Stay;
  };
  const at = (events: readonly CareEvent[], h: number) => events.filter((e) => Math.floor(e.atHour) === h);
  let B: number | null = null;
  let biocide = 0;
  let solution: SolutionKey = v.water.solution;
  let wetSince = 0;
  let changes = 0;
  let wasWet: boolean | null = null;
  let gas = 0;
  let level = (v.litres ?? Infinity) * 1000;
  const least = v.isFoam ? level / 2 : 0;
  const { sap, tooDeep, leafBelow } = twinShared(v);
  let sapShare = 1;
  let dose = 1;
  let asked1 = 0;
  for (let h = 0; h < v.hours; h++) {
    const stay = stayAt(h);
    const clock = (v.startHourOfDay + h) % 24;
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
    // Water.
    let plannedCut = 0;
    const freshen = (): void => {
      [sapShare, dose, asked1] = [0, 1, 0];
      B = Math.max(3.3, (B as number) - 1.5);
      biocide = SOLUTIONS[solution].biocide;
      level = (v.litres ?? Infinity) * 1000;
    };
    const back = stay.wet && wasWet === false;
    if (stay.wet && B === null) {
      B = { clean: 3.3, rinsed: 5, reused: 6.5 }[v.water.start];
      dose = v.isFoam ? 0.3 : 1;
      biocide = SOLUTIONS[solution].biocide * dose;
      wetSince = h;
    } else if (back) {
      freshen();
      wetSince = h;
      changes = 0;
    } else if (
      stay.wet &&
      v.water.changeEveryDays !== null &&
      h - wetSince >= (changes + 1) * (v.water.changeEveryDays * 24)
    ) {
      freshen();
      changes++;
      if (v.water.recutAtChange) plannedCut = 2;
    } else if (stay.wet && (h - wetSince) % v.topUpHours === 0) {
      level = (v.litres ?? Infinity) * 1000;
      const left = v.topsWithWater && v.litres !== null ? Math.max(0, 1 - asked1 / level) : 1;
      [dose, biocide, asked1] = [dose * left, biocide * left, 0];
    }
    const asked = at(v.changes, h).flatMap((e) => (e.type === 'change' ? [e.solution] : []));
    if (stay.wet && asked.length > 0) {
      solution = asked.filter((a) => a !== undefined).at(-1) ?? solution;
      freshen();
    }
    const sol = SOLUTIONS[solution];
    const drinkC =
      stay.drinkTempC === undefined ? T : T + (stay.drinkTempC - T) * 0.5 ** (h - wetSince + 0.5);
    const wet = stay.wet && level > least;
    let drunk = 0;
    let gave = 0;
    for (const line of v.lines) {
      const { sp } = line;
      const now = at(line.events, h);
      for (const e of now) if (e.type === 'strip') line.leaves = e.leafShare;
      const said = now.flatMap((e) => (e.type === 'cut' ? [e.cm] : []));
      const goes = plannedCut > 0 ? plannedCut : back && stay.cutOnReturn !== false ? 2 : 0;
      const cut = said.length > 0 ? Math.max(...said) : goes;
      const ppm = stay.ethylenePpm + gas;
      const ethylene = 1 + ([0, 0.6, 1.6, 3.5][sp.ethylene] as number) * (ppm / (ppm + 0.3));
      const spent = sol.isFood && biocide < 0.3 ? 0.3 : 1;
      const food = wet ? 1 + (sp.foodGain - 1) * sol.gain[sp.foodKind] * dose * spent : 1;
      const minds = sp.key === 'tulip' ? 1 : 0.5;
      const felt =
        sapShare *
        ((sp.sap === 'mucilage' ? 0 : sap.mucilage * minds) +
          (sp.sap === 'latex' ? 0 : sap.latex * minds * 0.5));
      const harm = wet
        ? 1 +
          sol.harm * dose +
          (v.isFoam ? 0.1 : 0) +
          (0.009 + (0.016 * 10 ** ((B as number) - 6.5)) / (1 + 10 ** ((B as number) - 6.5))) * tooDeep(sp) +
          0.6 * felt
        : 1;
      const D =
        (0.35 + (0.65 * line.leaves * sp.leafiness) / 2) * (vpd(T, RH) / vpd(20, 60)) * (lit ? 1.15 : 0.75);
      if (stay.wet) asked1 += (line.drawn * D * 25) / 24;
      for (const s of line.stems) {
        if (s.end !== null) continue;
        s.P *= 1 - 0.75 * Math.min(1, cut / 2);
        s.E *= 1 - 0.7 * Math.min(1, cut / 2);
        if (now.some((e) => e.type === 'hot-dip')) {
          s.P *= 0.5;
          s.E *= 0.2;
        }
        const stress = 1 + 6 * Math.min(2, Math.max(0, (0.93 - s.W) / 0.1));
        const dA = (sp.q10 ** ((T - 20) / 10) * ethylene * harm * stress) / food / 24;
        const share = (s.L - s.A) / dA;
        s.A += dA;
        s.byThirst += dA * (1 - 1 / stress);
        s.byGas += dA * (1 - 1 / ethylene);
        if (sp.opensAfterCut && sp.openDays20C > 0 && s.S < 1) {
          const rate =
            (0.8 / (24 * sp.openDays20C)) * 2.5 ** ((T - 20) / 10) * (wet ? 1 + 0.15 * sol.sugar * dose : 1);
          s.S = Math.min(1, s.S + rate * (s.W > 0.85 ? 1 : 0.2));
        }
        if (sp.chillBelowC !== null && T < sp.chillBelowC) s.C += (sp.chillBelowC - T) / 24;
        if (wet) {
          const x = 10 ** ((B as number) - 6.5);
          const closing = 0.0006 * 2 ** ((T - 20) / 10);
          const more = 0.0002 * tooDeep(sp) + 0.001 * felt;
          s.P += (1 - s.P) * Math.min(1, ((0.012 * x) / (1 + x) + closing + more) * s.plug);
          s.E *= 0.5 ** (1 / (s.plug * s.plug * halfLife(drinkC)));
          const supply = (v.isFoam ? 1.7 : 2) * (1 - s.P) * (1 - s.E) * (1 + 0.15 * sol.acid * dose);
          drunk += Math.min(supply, D);
          s.W += supply >= D ? Math.min((1 - s.W) / 2, 0.03) : -0.014 * (D - supply);
          s.wiltingHours = s.W < s.wilting ? s.wiltingHours + 1 : 0;
        } else {
          s.W -= (0.12 * D) / sp.dryHours;
          s.E += (1 - s.E) * Math.min(1, Math.min(2, D) / (1.5 * sp.dryHours));
          s.wiltingHours = 0;
        }
        if (s.A >= s.L) {
          s.end = h + Math.min(1, Math.max(0, share));
          const [t, g] = [s.byThirst / s.A, s.byGas / s.A];
          s.cause = Math.max(t, g) <= 0.25 ? 'worn out' : t >= g ? 'wilted' : 'gassed';
        } else if (s.C >= 20) {
          s.end = h + 1;
          s.cause = 'chilled';
        } else if (s.wiltingHours >= 18 || s.W < 0.62) {
          s.end = h + 1;
          s.cause = 'wilted';
        }
        if (s.end !== null && sp.ethylene >= 2) gave += v.gives;
      }
    }
    gas += gave;
    level = Math.max(least, level - (drunk * 25) / 24);
    if (stay.wet) {
      const growth =
        0.08 *
        (Math.max(0, drinkC + 3) / 23) ** 2 *
        (1 - 0.85 * biocide) *
        (1 + leafBelow + 0.8 * sol.sugar * dose) *
        (1 - (B as number) / 8.3);
      B = Math.max(0, (B as number) + growth);
      biocide *= 0.5 ** (2 ** ((drinkC - 20) / 10) / 240);
      sapShare *= 0.5 ** (1 / 72);
    }
    wasWet = stay.wet;
  }
}

/** How each stem ended, by line: its hour (null: it outlived the horizon) and why. */
export type TwinEnds = { end: number | null; cause: string }[];

/** One draw of a lot. */
export function twinLot(input: LotInput, draw: number): TwinEnds {
  const sp = SHIPPED_SPECIES.byKey(input.species);
  const events = input.events ?? [];
  const stems = twinStem(sp, input.arrival, input.seed, draw, 1);
  runTwin({
    lines: [{ sp, drawn: 1, events, leaves: input.leafShare, stems }],
    stays: input.stays,
    startHourOfDay: input.startHourOfDay ?? 8,
    water: input.water,
    changes: events,
    litres: null,
    topUpHours: 24,
    topsWithWater: false,
    isFoam: false,
    depthCm: input.water.depthCm ?? null,
    gives: 0,
    hours: Math.ceil(input.countFromHour ?? 0) + 960,
  });
  return stems;
}

/** One draw of an arrangement kept by a plan of water, its lines in the order of their luck. */
export function twinArrangement(
  input: ArrangementInput,
  draw: number,
  luckOf: readonly number[],
): TwinEnds[] {
  const isFoam = input.vessel.kind === 'foam';
  const water = input.water as WaterPlan;
  const lines = input.lines.map((line, i): TwinLine => {
    const sp = SHIPPED_SPECIES.byKey(line.species);
    return {
      sp,
      drawn: line.stems,
      aloneHours: line.aloneHours,
      sapSealed: line.sapSealed,
      events: (line.events ?? []).filter((e) => !isFoam || e.type === 'strip'),
      leaves: line.leafShare,
      stems: twinStem(sp, line.arrival, input.seed, draw * 64 + (luckOf[i] as number), line.stems),
    };
  });
  runTwin({
    lines,
    stays: input.stays,
    startHourOfDay: input.startHourOfDay ?? 8,
    water: isFoam ? { ...water, changeEveryDays: null, recutAtChange: false } : water,
    changes: luckOf
      .map((rank, i) => ({ rank, events: input.lines[i]?.events ?? [] }))
      .sort((a, b) => a.rank - b.rank)
      .flatMap((l) => l.events),
    litres: input.vessel.litres,
    topUpHours: water.topUp ? (water.topUp.everyHours ?? Infinity) : isFoam ? 12 : 24,
    topsWithWater: water.topUp?.with !== 'same',
    isFoam,
    depthCm: isFoam ? null : (water.depthCm ?? input.vessel.depthCm ?? null),
    gives: input.pullsEnded === true ? 0 : 0.01,
    hours: Math.ceil(input.countFromHour ?? 0) + 960,
  });
  return lines.map((l) => l.stems);
}
