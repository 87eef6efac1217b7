import type { Words } from '../core/words/message';
import type { Trx } from './connection';
import { newId } from './ids';
import { writeEntry, type Action } from './record';

export interface OwnFigure {
  readonly kind: 'constant' | 'species' | 'solution';
  /** Key of the species or solution; empty for a constant. */
  readonly subject: string;
  readonly figure: string;
  readonly value: number;
  readonly reason: string;
  readonly setAt: Date;
  readonly setByName: string;
}

/** The shop's own figures in force: the last set of each, those given back left out. */
export async function manyOwnFigures(trx: Trx): Promise<OwnFigure[]> {
  const latest = trx('own_figure')
    .distinctOn('kind', 'subject', 'figure')
    .orderBy(['kind', 'subject', 'figure', { column: 'seq', order: 'desc' }])
    .as('f');
  return trx
    .from(latest)
    .join('person as p', 'p.id', 'f.set_by')
    .whereNotNull('f.value')
    .select(
      'f.kind',
      'f.subject',
      'f.figure',
      'f.value',
      'f.reason',
      'f.set_at as setAt',
      'p.name as setByName',
    );
}

/** Sets a figure of the shop's own, or gives it back with a null value; the record tells why, unless a correction tells it. */
export async function setOwnFigure(
  trx: Trx,
  action: Action,
  own: Pick<OwnFigure, 'kind' | 'subject' | 'figure' | 'reason'> & { readonly value: number | null },
  says: Words | null,
): Promise<string> {
  const id = newId();
  await trx('own_figure').insert({
    id,
    shop_id: action.shopId,
    kind: own.kind,
    subject: own.subject,
    figure: own.figure,
    value: own.value,
    reason: own.reason,
    set_at: action.at,
    set_by: action.personId,
  });
  if (says === null) return id;
  await writeEntry(trx, action, {
    kind: 'figure',
    subjectKind: 'figure',
    subjectId: id,
    says,
    detail: { ...own },
  });
  return id;
}

/** What the figure was before it was last set; undefined where it was the product's. */
export async function maybeFigureBefore(
  trx: Trx,
  { kind, subject, figure }: Pick<OwnFigure, 'kind' | 'subject' | 'figure'>,
): Promise<{ readonly value: number | null } | undefined> {
  return trx('own_figure').where({ kind, subject, figure }).orderBy('seq', 'desc').offset(1).first('value');
}
