import type { ToolKind } from '../core/hygiene/tools';
import type { Trx } from './connection';
import { RefusedError } from './errors';
import { newId } from './ids';

/** A thing that is cleaned on a clock, and when it was last, as the record tells. */
export interface ToolRow {
  readonly id: string;
  readonly name: string;
  readonly kind: ToolKind;
  readonly everyH: number;
  readonly addedAt: Date;
  /** Null where nobody ever did. */
  readonly cleanedAt: Date | null;
}

/** The shop's tools in use, by name. */
export async function manyTools(trx: Trx): Promise<ToolRow[]> {
  const { rows } = await trx.raw<{ rows: ToolRow[] }>(
    `select t.id, t.name, t.kind, t.every_hours as "everyH", t.added_at as "addedAt", e.at as "cleanedAt"
       from tool t
       left join lateral (
         select e.at from record_entry e
          where e.shop_id = t.shop_id and e.subject_id = t.id and e.kind = 'tool-cleaned'
            and not exists (select 1 from record_entry c where c.shop_id = e.shop_id and c.corrects = e.id)
          order by e.id desc limit 1) e on true
      where t.retired_at is null order by t.name`,
  );
  return rows;
}

/** @throws RefusedError where there is none in use of that id */
export async function oneTool(trx: Trx, id: string): Promise<{ readonly name: string }> {
  const found = await trx('tool')
    .where({ id })
    .whereNull('retired_at')
    .first<{ name: string } | undefined>('name');
  if (!found) throw new RefusedError('That is not in use here any more. Nothing was entered.', 'toolId');
  return found;
}

export async function insertTool(
  trx: Trx,
  shopId: string,
  tool: Pick<ToolRow, 'name' | 'kind' | 'everyH' | 'addedAt'>,
): Promise<string> {
  const taken: unknown = await trx('tool')
    .whereNull('retired_at')
    .whereRaw('lower(name) = lower(?)', [tool.name])
    .first('id');
  if (taken) throw new RefusedError('Something goes by that name already. Nothing was added.', 'name');
  const id = newId();
  await trx('tool').insert({
    id,
    shop_id: shopId,
    name: tool.name,
    kind: tool.kind,
    every_hours: tool.everyH,
    added_at: tool.addedAt,
  });
  return id;
}

export const retireTool = (trx: Trx, id: string, at: Date): Promise<unknown> =>
  trx('tool').where({ id }).update({ retired_at: at });
