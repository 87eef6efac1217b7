import 'server-only';
import { DAY_MS } from '@/core/calendar/spans';
import { READY_DAYS } from '@/core/hygiene/ready';
import { QUESTION_KEYS, type QuestionKey, type Schools } from '@/core/protocol/schools';
import { NEEDS, SKILLS, type Need, type Skill } from '@/core/protocol/types';
import { DEFAULT_LIMITS, type WaterLimits, type Ways } from '@/core/protocol/ways';
import type { ProtocolEdit } from '@/core/protocol/edits';
import type { Trx } from '@/data/connection';
import { manyHouseSettings, type HouseSetting, type OwnSpecies } from '@/data/house';
import type { PortionRow } from '@/data/portions';
import { inZone } from './clock';
import { ownSpeciesInForce } from './own-species';

/** Who may do a thing that wants a skill. */
export type WhoMay = 'anyone' | 'shown';

/** A house's ways, as its settings make them. */
export interface House {
  readonly schools: Schools;
  readonly has: readonly Need[];
  readonly limits: WaterLimits;
  /** How long a pail that stands clean stays so, days. */
  readonly readyDays: number;
  readonly whoMay: Readonly<Record<Skill, WhoMay>>;
  readonly settings: readonly HouseSetting[];
  readonly own: readonly OwnSpecies[];
}

function schoolsOf(settings: readonly HouseSetting[]): Schools {
  const house: Partial<Record<QuestionKey, string>> = {};
  const exceptions: Record<string, Partial<Record<QuestionKey, string>>> = {};
  for (const s of settings) {
    const key = QUESTION_KEYS.find((q) => q === s.key);
    if (s.kind !== 'school' || !key) continue;
    if (s.subject === '') house[key] = s.value;
    else exceptions[s.subject] = { ...exceptions[s.subject], [key]: s.value };
  }
  return { house, exceptions };
}

/** The ways of this shop's house: its settings, where it has made any, in the place of the defaults. */
export async function houseOf(trx: Trx): Promise<House> {
  const [settings, own] = await Promise.all([manyHouseSettings(trx), ownSpeciesInForce(trx)]);
  const valueOf = (kind: HouseSetting['kind'], key: string): string | undefined =>
    settings.find((s) => s.kind === kind && s.key === key)?.value;
  const days = (key: keyof WaterLimits): number => Number(valueOf('limit', key) ?? DEFAULT_LIMITS[key]);
  return {
    schools: schoolsOf(settings),
    has: NEEDS.filter((need) => valueOf('has', need) !== 'no'),
    limits: { plainDays: days('plainDays'), foodDays: days('foodDays'), lilyDays: days('lilyDays') },
    readyDays: Number(valueOf('limit', 'readyDays') ?? READY_DAYS),
    whoMay: Object.fromEntries(
      SKILLS.map((skill) => [skill, valueOf('who may', skill) === 'anyone' ? 'anyone' : 'shown']),
    ) as Record<Skill, WhoMay>,
    settings,
    own,
  };
}

export function editsFor(house: House, speciesKey: string): readonly ProtocolEdit[] {
  return house.own.find((o) => o.speciesKey === speciesKey)?.edits ?? [];
}

/** What the house brings to one lot. */
export function waysFor(
  house: House,
  lot: Pick<PortionRow, 'speciesKey' | 'purpose' | 'eventOn'>,
  at: Date,
  timeZone: string,
): Ways {
  const daysTo = (day: string): number =>
    Math.max(0, (Date.parse(day) - Date.parse(inZone(at, timeZone).date)) / DAY_MS);
  return {
    schools: house.schools,
    has: house.has,
    limits: house.limits,
    purpose: lot.purpose,
    eventInDays: lot.eventOn ? daysTo(lot.eventOn) : 0,
    ...(lot.eventOn ? { eventOn: lot.eventOn } : {}),
    edits: editsFor(house, lot.speciesKey),
  };
}
