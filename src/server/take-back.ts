import type { LanguageTag } from '@/core/words/catalogues';
import { m } from '@/core/words/message';
import { say } from '@/core/words/say';
import 'server-only';
import { readAsNow } from '@/core/record/entry-details';
import { mayManage } from '@/core/actions/contract';
import { HOUR_MS, MINUTE_MS } from '@/core/calendar/spans';
import { isActionName, specOf, type ActionName, type UndoneAction } from '@/core/actions/actions';
import { manyLastActionsOf, maybeAction, type ActionDone } from '@/data/actions-done';
import { maybeArrangement } from '@/data/arrangements';
import { restoreChanges } from '@/data/changes';
import { RefusedError } from '@/data/errors';
import { manyEntriesOf, maybeEntry, maybeLaterEntry, writeEntry, type Entry } from '@/data/record';
import type { ActionContext } from './handler';
import { once, type From } from './once';
import { UNDO } from './undo';

/** A slip is noticed in the shift it was made in: older ones are corrected by doing it otherwise. */
const WITHIN_MS = 16 * HOUR_MS;

/** Why an action is not taken back; null where it may be. */
function whyNot(name: string): string | null {
  if (!isActionName(name)) return 'That is not done any more. Nothing was changed.';
  const { takenBack } = specOf(name);
  return typeof takenBack === 'object' ? takenBack.not : null;
}

/** Something printed or handed over hangs on it: it asks, or is not taken back while that stands. */
async function seeToWhatHangsOn(
  { trx, ask, me }: ActionContext,
  done: ActionDone,
  entries: readonly Entry[],
): Promise<void> {
  for (const entry of entries) {
    if (done.name === 'make/make' && (await maybeArrangement(trx, entry.subjectId))?.cardId)
      throw new RefusedError('Its card stands. Nothing was changed; take the card back first.');
    if (
      done.name === 'dock/claim-moved' &&
      readAsNow('claim-moved', entry.detailVersion, entry.detail)?.to === 'sent'
    )
      ask(
        'handed over',
        `${say(entry.words, me.language)}: the supplier may have it by now. Take it back all the same?`,
      );
  }
}

/** The action behind an entry, which may be taken back by whoever asks. @throws RefusedError with why it may not */
async function toTakeBack({ trx, action, me }: ActionContext, entryId: number): Promise<ActionDone> {
  const entry = await maybeEntry(trx, entryId);
  if (!entry)
    throw new RefusedError('That entry is not in this shop’s record. Nothing was changed.', 'entryId');
  if (action.at.getTime() - entry.loggedAt.getTime() > WITHIN_MS)
    throw new RefusedError(
      'That is too long ago to be taken back. Nothing was changed; do it anew as it should be.',
    );
  if (entry.corrected) throw new RefusedError('That was taken back already. Nothing was changed.');
  const done = await maybeAction(trx, entry.actionKey);
  if (!done)
    throw new RefusedError(
      'That was entered by an older version and stands. Nothing was changed; do it anew.',
    );
  const not = whyNot(done.name);
  if (not !== null) throw new RefusedError(not);
  if (done.personId !== me.personId && !mayManage(me.role))
    throw new RefusedError(
      `${entry.personName} did that: it is theirs to take back, or the manager’s. Nothing was changed.`,
    );
  return done;
}

/**
 * Takes an action back: what it changed is as it was, and both stand in the record.
 * @throws RefusedError when it is too old, somebody else's, was taken back, or something was done after it
 */
export async function takeBack(context: ActionContext, entryId: number): Promise<void> {
  const { trx, action, me } = context;
  const done = await toTakeBack(context, entryId);
  const entries = await manyEntriesOf(trx, done.key);
  for (const one of entries) {
    const later = await maybeLaterEntry(trx, one);
    if (later)
      throw new RefusedError(
        `Something was done after it: ${say(later.words, me.language)}. Nothing was changed; take that back first.`,
      );
  }
  await seeToWhatHangsOn(context, done, entries);
  const { takenBack } = specOf(done.name as ActionName);
  if (takenBack !== 'undone') await restoreChanges(trx, done.key, action.at);
  const first = entries[0];
  if (takenBack !== 'restored' && first) await UNDO[done.name as UndoneAction](context, first);
  for (const one of [...entries].reverse())
    await writeEntry(trx, action, {
      kind: 'correction',
      subjectKind: one.subjectKind,
      subjectId: one.subjectId,
      partId: one.partId,
      says: m('record.taken-back', { says: one.words }),
      detail: {},
      corrects: one.id,
    });
  context.takesBack(done.key);
}

/** What somebody did last, as the key to take it back says it. */
export interface LastDone {
  readonly entryId: number;
  readonly words: string;
  /** Why it is not taken back; null where it may be. */
  readonly whyNot: string | null;
}
/** What somebody took back last, to be done again as it was tapped. */
export interface Redo {
  readonly name: ActionName;
  readonly input: unknown;
  readonly words: string;
}

/** The last thing somebody did and has not taken back, and what they took back just now. */
export async function lastDoneBy(
  from: From,
  personId: string,
  at: Date,
  language: LanguageTag,
): Promise<{ last: LastDone | null; redo: Redo | null }> {
  const since = new Date(Math.floor((at.getTime() - WITHIN_MS) / MINUTE_MS) * MINUTE_MS);
  const done = await once(from, manyLastActionsOf, personId, since, 40);
  const last = done.find((d) => !d.isTakenBack && d.takesBack === null);
  const back = done[0]?.takesBack;
  const [entries, undone, undoneEntries] = await Promise.all([
    last ? once(from, manyEntriesOf, last.key) : [],
    back ? once(from, maybeAction, back) : undefined,
    back ? once(from, manyEntriesOf, back) : [],
  ]);
  const entry = entries.at(-1);
  const [undoneEntry] = undoneEntries;
  return {
    last:
      last && entry
        ? {
            entryId: entry.id,
            words: say(
              entries.length > 1
                ? m('record.and-more', { says: entry.words, n: entries.length - 1 })
                : entry.words,
              language,
            ),
            whyNot: whyNot(last.name),
          }
        : null,
    redo:
      undone && undoneEntry && undone.input !== null && isActionName(undone.name)
        ? { name: undone.name, input: undone.input, words: say(undoneEntry.words, language) }
        : null,
  };
}
