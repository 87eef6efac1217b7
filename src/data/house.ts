import type { Words } from '../core/words/message';
import type { ProtocolEdit } from '../core/protocol/edits';
import type { Skill } from '../core/protocol/types';
import type { Species } from '../core/species/species';
import type { Trx } from './connection';
import { newId } from './ids';
import { writeEntry, type Action } from './record';

export interface HouseSetting {
  readonly kind: 'school' | 'limit' | 'has' | 'who may';
  /** A species' key where it is an exception for one; else empty. */
  readonly subject: string;
  readonly key: string;
  readonly value: string;
  readonly reason: string;
  readonly setByName: string;
}

/** The house's settings in force: the last of each, those given back left out. */
export async function manyHouseSettings(trx: Trx): Promise<HouseSetting[]> {
  const latest = trx('house_setting')
    .distinctOn('kind', 'subject', 'key')
    .orderBy(['kind', 'subject', 'key', { column: 'seq', order: 'desc' }])
    .as('h');
  return trx
    .from(latest)
    .join('person as p', 'p.id', 'h.set_by')
    .whereNotNull('h.value')
    .select('h.kind', 'h.subject', 'h.key', 'h.value', 'h.reason', 'p.name as setByName');
}

/** Sets one of the house's ways, or with null goes back to the default; the record tells why, unless a correction tells it. */
export async function setHouse(
  trx: Trx,
  action: Action,
  setting: Pick<HouseSetting, 'kind' | 'subject' | 'key' | 'reason'> & { readonly value: string | null },
  says: Words | null,
): Promise<void> {
  const { kind, subject, key, value, reason } = setting;
  await trx('house_setting').insert({
    shop_id: action.shopId,
    kind,
    subject,
    key,
    value,
    reason,
    set_at: action.at,
    set_by: action.personId,
  });
  if (says === null) return;
  await writeEntry(trx, action, {
    kind: 'house',
    subjectKind: 'house',
    subjectId: action.shopId,
    says,
    detail: { ...setting },
  });
}

/** A shop's own species or its own changes to a protocol, as last set. */
export interface OwnSpecies {
  readonly id: string;
  readonly seq: number;
  readonly speciesKey: string;
  /** The whole species where it is the shop's own; null where only the protocol of one of ours is changed. */
  readonly species: Species | null;
  readonly edits: readonly ProtocolEdit[];
  readonly reason: string;
  readonly setAt: Date;
  readonly setByName: string;
}

/** The shop's own species and protocols in force: the last version of each. */
export async function manyOwnSpecies(trx: Trx): Promise<OwnSpecies[]> {
  const latest = trx('own_species')
    .distinctOn('species_key')
    .orderBy(['species_key', { column: 'seq', order: 'desc' }])
    .as('o');
  return trx.from(latest).join('person as p', 'p.id', 'o.set_by').orderBy('o.species_key').select({
    id: 'o.id',
    seq: 'o.seq',
    speciesKey: 'o.species_key',
    species: 'o.species',
    edits: 'o.edits',
    reason: 'o.reason',
    setAt: 'o.set_at',
    setByName: 'p.name',
  });
}

/** Sets a newer version; what was planned and logged under the older ones stays as it was. */
export async function setOwnSpecies(
  trx: Trx,
  action: Action,
  own: Pick<OwnSpecies, 'speciesKey' | 'species' | 'edits' | 'reason'>,
  says: Words | null,
): Promise<void> {
  const id = newId();
  await trx('own_species').insert({
    id,
    shop_id: action.shopId,
    species_key: own.speciesKey,
    species: own.species && JSON.stringify(own.species),
    edits: JSON.stringify(own.edits),
    reason: own.reason,
    set_at: action.at,
    set_by: action.personId,
  });
  if (says === null) return;
  await writeEntry(trx, action, {
    kind: 'species',
    subjectKind: 'species',
    subjectId: id,
    says,
    detail: { ...own },
  });
}

export interface PersonSkill {
  readonly personId: string;
  readonly skill: Skill;
  readonly at: Date;
  readonly shownByName: string;
}

/** What everybody has been shown, with who showed it and when. */
export async function manySkills(trx: Trx): Promise<PersonSkill[]> {
  const latest = trx('skill_shown')
    .distinctOn('person_id', 'skill')
    .orderBy(['person_id', 'skill', { column: 'seq', order: 'desc' }])
    .as('s');
  return trx
    .from(latest)
    .join('person as p', 'p.id', 's.shown_by')
    .where('s.shown', true)
    .select({ personId: 's.person_id', skill: 's.skill', at: 's.at', shownByName: 'p.name' });
}

/** Records that somebody was shown a skill, or that it no longer counts. */
export async function recordSkill(
  trx: Trx,
  action: Action,
  shown: { readonly personId: string; readonly skill: Skill; readonly shown: boolean },
  says: Words | null,
): Promise<void> {
  await trx('skill_shown').insert({
    shop_id: action.shopId,
    person_id: shown.personId,
    skill: shown.skill,
    shown: shown.shown,
    at: action.at,
    shown_by: action.personId,
  });
  if (says === null) return;
  await writeEntry(trx, action, {
    kind: 'skill',
    subjectKind: 'person',
    subjectId: shown.personId,
    says,
    detail: { ...shown },
  });
}

/** What was set before the last setting of the same thing; undefined where it was the default. */
export async function maybeSettingBefore(
  trx: Trx,
  { kind, subject, key }: Pick<HouseSetting, 'kind' | 'subject' | 'key'>,
): Promise<{ readonly value: string | null } | undefined> {
  return trx('house_setting').where({ kind, subject, key }).orderBy('seq', 'desc').offset(1).first('value');
}

/** The version before the last of a species or protocol of the shop's own; undefined where there was none. */
export async function maybeSpeciesBefore(
  trx: Trx,
  speciesKey: string,
): Promise<Pick<OwnSpecies, 'species' | 'edits'> | undefined> {
  return trx('own_species')
    .where({ species_key: speciesKey })
    .orderBy('seq', 'desc')
    .offset(1)
    .first('species', 'edits');
}

/** Whether somebody counted as shown before that was last recorded. */
export async function wasShownBefore(trx: Trx, personId: string, skill: Skill): Promise<boolean> {
  const row = await trx('skill_shown')
    .where({ person_id: personId, skill })
    .orderBy('seq', 'desc')
    .offset(1)
    .first<{ shown: boolean } | undefined>('shown');
  return row?.shown ?? false;
}
