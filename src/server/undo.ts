import { m } from '@/core/words/message';
import { say } from '@/core/words/say';
import 'server-only';
import type { UndoneAction } from '@/core/actions/actions';
import { readAsNow, type EntryKind, type ReadDetail } from '@/core/record/entry-details';
import { withdrawCard } from '@/data/arrangements';
import { insertFlaw, setClaimHours } from '@/data/claims';
import { unbookDelivery } from '@/data/deliveries';
import { RefusedError } from '@/data/errors';
import { correctWeighing, insertTemperature } from '@/data/evidence';
import { maybeFigureBefore, setOwnFigure } from '@/data/figures';
import {
  maybeSettingBefore,
  maybeSpeciesBefore,
  recordSkill,
  setHouse,
  setOwnSpecies,
  wasShownBefore,
} from '@/data/house';
import { setActive } from '@/data/people';
import type { Entry } from '@/data/record';
import { endRelay } from '@/data/sanitising';
import { endSessions } from '@/data/sessions';
import type { ActionContext } from './handler';

/** What an entry of that kind told; refused where it was written by a version that told otherwise. */
export function detailOf<K extends EntryKind>(kind: K, entry: Entry): ReadDetail<K> {
  const detail = entry.kind === kind ? readAsNow(kind, entry.detailVersion, entry.detail) : null;
  if (detail === null)
    throw new RefusedError('That was done in another way than it is done now. Nothing was changed.');
  return detail;
}

type Undo = (context: ActionContext, entry: Entry) => Promise<void>;
/** A reason is written by whoever gives one: in the language of who takes the entry back. */
const again = (entry: Entry, { me }: ActionContext): string =>
  say(m('record.reason.as-before', { what: entry.words }), me.language).slice(0, 200);

/** How what stands as it was written is undone: by another row that says otherwise. */
export const UNDO: Readonly<Record<UndoneAction, Undo>> = {
  // The pails stay as they are: what was washed is washed.
  'pails/relay-begin': async ({ trx, action }, entry) => {
    await endRelay(trx, detailOf('relay', entry).relayId, action.at);
  },
  // What was seen counts no more once it is corrected: nothing else stands of it.
  'pails/look': () => Promise.resolve(),
  'pails/read': () => Promise.resolve(),
  'pails/top-up': () => Promise.resolve(),
  'pails/clean-tool': () => Promise.resolve(),
  'dock/flaw': async ({ trx, action }, entry) => {
    const { counted, before } = detailOf('flaw', entry);
    await insertFlaw(trx, action, before ?? counted, !before);
  },
  'dock/count': async ({ trx, action }, entry) => {
    const { weighingId } = detailOf('count', entry);
    if (weighingId) await correctWeighing(trx, action, weighingId);
  },
  'dock/temperature': ({ trx, action }, entry) => {
    const { place, before } = detailOf('temperature', entry);
    return insertTemperature(trx, action, entry.subjectId, place, before ?? null);
  },
  'dock/book-in': ({ trx, action }, entry) => unbookDelivery(trx, action, entry.subjectId),
  'dock/claim-window': async ({ trx, action }, entry) => {
    const { supplier, was } = detailOf('claim-window', entry);
    await setClaimHours(trx, action.shopId, supplier, was ?? null);
  },
  'send-off/issue': async (context, entry) => {
    context.ask(
      'handed over',
      `${say(entry.words, context.me.language)}: it may be in the customer’s hands by now. Withdraw it all the same? The arrangement stays as it is.`,
    );
    await withdrawCard(context.trx, context.action, entry.subjectId);
  },
  'bench/skill': async ({ trx, action }, entry) => {
    const { personId, skill, shown } = detailOf('skill', entry);
    const was = await wasShownBefore(trx, personId, skill);
    if (was !== shown) await recordSkill(trx, action, { personId, skill, shown: was }, null);
  },
  'shop/retire': async ({ trx, action }, entry) => {
    const { personId, wasHere } = detailOf('person', entry);
    await setActive(trx, personId, wasHere ?? true, action.at);
    if (wasHere === false) await endSessions(trx, personId, null, action.at);
  },
  'desk/set-figure': async (context, entry) => {
    const { trx, action } = context;
    const figure = detailOf('figure', entry);
    const before = await maybeFigureBefore(trx, figure);
    await setOwnFigure(
      trx,
      action,
      { ...figure, value: before?.value ?? null, reason: again(entry, context) },
      null,
    );
  },
  'desk/set-way': async (context, entry) => {
    const { trx, action } = context;
    const setting = detailOf('house', entry);
    const before = await maybeSettingBefore(trx, setting);
    await setHouse(
      trx,
      action,
      { ...setting, value: before?.value ?? null, reason: again(entry, context) },
      null,
    );
  },
  'desk/set-protocol': async (context, entry) => {
    const { trx, action } = context;
    const { speciesKey } = detailOf('species', entry);
    const before = await maybeSpeciesBefore(trx, speciesKey);
    await setOwnSpecies(
      trx,
      action,
      {
        speciesKey,
        species: before?.species ?? null,
        edits: before?.edits ?? [],
        reason: again(entry, context),
      },
      null,
    );
  },
};
