import type * as v from 'valibot';
import { arrangementActions } from './arrangements';
import { benchActions } from './bench';
import type { ActionSpec } from './contract';
import { deskActions } from './desk';
import { dockActions } from './dock';
import { correctActions } from './dock-correct';
import { bookingActions } from './dock-booking';
import { evidenceActions } from './dock-evidence';
import { pailActions } from './pails';
import { shopActions } from './shop';

/** Every action there is, by name: the one table that client, route, server and correction go by. */
export const ACTIONS = {
  ...benchActions,
  ...dockActions,
  ...evidenceActions,
  ...bookingActions,
  ...correctActions,
  ...pailActions,
  ...arrangementActions,
  ...deskActions,
  ...shopActions,
} as const;

export type Actions = typeof ACTIONS;
export type ActionName = keyof Actions;
/** What a page tells of an action, and what its handler is handed once it is checked. */
export type InputOf<N extends ActionName> = v.InferInput<Actions[N]['input']>;
export type CheckedOf<N extends ActionName> = v.InferOutput<Actions[N]['input']>;
export type ResultOf<N extends ActionName> = v.InferOutput<Actions[N]['result']>;

/** Actions that are taken back by steps of their own: a missing one does not compile. */
export type UndoneAction = {
  [N in ActionName]: Actions[N]['takenBack'] extends 'undone' | 'both' ? N : never;
}[ActionName];

export const isActionName = (name: string): name is ActionName => Object.hasOwn(ACTIONS, name);
export const specOf = (name: ActionName): ActionSpec => ACTIONS[name] as unknown as ActionSpec;
/** Names of actions whose taps may wait on a tablet. */
export const WAITING_ACTIONS = (Object.keys(ACTIONS) as ActionName[]).filter((n) => ACTIONS[n].mayWait);
