import 'server-only';
import type { ActionName } from '@/core/actions/actions';
import { benchHandlers } from '@/features/bench/handlers';
import { deskHandlers } from '@/features/desk/handlers';
import { shopHandlers } from '@/features/desk/shop/handlers';
import { dockHandlers } from '@/features/dock/handlers';
import { makeHandlers } from '@/features/make/handlers';
import { pailHandlers } from '@/features/pails/handlers';
import { sendOffHandlers } from '@/features/send-off/handlers';
import type { Handlers } from '@/server/handler';

/** How every action is done: one that has no handler does not compile. */
export const HANDLERS: Handlers<ActionName> = {
  ...benchHandlers,
  ...dockHandlers,
  ...makeHandlers,
  ...pailHandlers,
  ...sendOffHandlers,
  ...deskHandlers,
  ...shopHandlers,
};
