import { randomStream } from '@/core/random';
import type { Species } from '@/core/species/species';
import type { CareEvent, LotInput, Stay, WaterPlan } from '@/core/vase-life/types';

export interface TwinStem {
  readonly L: number;
  readonly plug: number;
  readonly wilting: number;
  A: number;
  byThirst: number;
  byGas: number;
  S: number;
  P: number;
  E: number;
  W: number;
  C: number;
  wiltingHours: number;
  end: number | null;
  cause: string;
}
export interface TwinLine {
  readonly sp: Species;
  readonly drawn: number;
  readonly aloneHours?: number | undefined;
  readonly sapSealed?: boolean | undefined;
  readonly events: readonly CareEvent[];
  leaves: number;
  readonly stems: TwinStem[];
}
export interface TwinVessel {
  readonly lines: readonly TwinLine[];
  readonly stays: readonly Stay[];
  readonly startHourOfDay: number;
  readonly water: WaterPlan;
  readonly changes: readonly CareEvent[];
  /** Null: a lot in a pail whose level nobody minds. */
  readonly litres: number | null;
  readonly topUpHours: number;
  readonly topsWithWater: boolean;
  readonly isFoam: boolean;
  readonly depthCm: number | null;
  readonly gives: number;
  readonly hours: number;
}

export function twinStem(
  sp: Species,
  arrival: LotInput['arrival'],
  seed: number,
  substream: number,
  count: number,
) {
  const luck = randomStream(seed, substream);
  const lot = luck.normal();
  const doubt = luck.normal();
  return Array.from({ length: count }, (): TwinStem => {
    const L = sp.lifeDays20C * Math.exp(sp.lifeSpread * luck.normal() + 0.1 * lot);
    const plug = sp.plug * Math.exp(0.3 * luck.normal());
    const wilting = 0.82 + 0.03 * luck.normal();
    const S = arrival.stage;
    const opens = sp.opensAfterCut && sp.openDays20C > 0;
    const f = sp.headsOpenInTurn ? 0.3 : 0.55;
    let used = 0;
    if (!opens) used = S > 1 ? 0.6 * sp.lifeDays20C : 0;
    else if (S > 1) used = (f + 0.2) * sp.lifeDays20C;
    else if (S > 0.2) used = (f * sp.lifeDays20C * (S - 0.2)) / 0.8;
    return {
      L,
      plug,
      wilting,
      A: Math.max(used, Math.max(0, arrival.agedDays + (arrival.ageErrorSdDays ?? 0) * doubt)),
      byThirst: 0,
      byGas: 0,
      S,
      P: 0,
      E: Math.max(arrival.airShare ?? 0, { firm: 0, soft: 0.3, hanging: 0.6 }[arrival.droop]),
      W: { firm: 0.97, soft: 0.88, hanging: 0.8 }[arrival.droop],
      C: 0,
      wiltingHours: 0,
      end: null,
      cause: 'still standing',
    };
  });
}

/** What stands together makes of its one water: others' sap, soft stems too deep in it, crumbs of foam. */
export function twinShared(v: TwinVessel) {
  const sapOf = (kind: 'mucilage' | 'latex'): number => {
    const of = v.lines.filter((l) => l.sp.sap === kind);
    const n = of.reduce((a, l) => a + l.drawn, 0);
    if (n === 0 || v.litres === null) return 0;
    const left = of.map((l) => {
      if (l.sapSealed) return 0;
      const hours = l.aloneHours ?? 0;
      return kind === 'latex' ? 1 : hours >= 8 ? 0 : 10 ** (-hours / 4);
    });
    return (of.reduce((a, l, i) => a + l.drawn * (left[i] as number), 0) / n) * (n / (n + v.litres));
  };
  const sap = { mucilage: sapOf('mucilage'), latex: sapOf('latex') };
  const tooDeep = (sp: Species): number =>
    v.depthCm !== null && sp.depth === 'shallow' ? Math.max(0, v.depthCm - 5) : 0;
  const all = v.lines.reduce((a, l) => a + l.drawn, 0);
  const soft = v.lines.reduce((a, l) => a + l.drawn * tooDeep(l.sp), 0) / all;
  const leafBelow = v.water.leafBelow + (v.isFoam ? 0.2 : 0) + 0.05 * soft;
  return { sap, tooDeep, leafBelow };
}
