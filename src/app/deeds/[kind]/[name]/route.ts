import { benchActions } from '@/features/bench/actions';
import { deskActions } from '@/features/desk/actions';
import { dockActions } from '@/features/dock/actions';
import { makeActions } from '@/features/make/actions';
import { pailActions } from '@/features/pails/actions';
import { sendOffDeeds } from '@/features/send-off/actions';
import { answerAction } from '@/server/answer-action';
import type { ActionKind } from '@/server/actions';

const DEEDS: Readonly<Record<string, Readonly<Record<string, ActionKind>>>> = {
  bench: benchActions,
  dock: dockActions,
  make: makeActions,
  pails: pailActions,
  desk: deskActions,
  'send-off': sendOffDeeds,
};

export async function POST(
  request: Request,
  { params }: { params: Promise<{ kind: string; name: string }> },
): Promise<Response> {
  const { kind, name } = await params;
  const kinds = Object.hasOwn(DEEDS, kind) ? DEEDS[kind] : undefined;
  return answerAction(request, kinds && Object.hasOwn(kinds, name) ? kinds[name] : undefined);
}
