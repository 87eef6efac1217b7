import { benchDeeds } from '@/features/bench/deeds';
import { deskDeeds } from '@/features/desk/deeds';
import { dockDeeds } from '@/features/dock/deeds';
import { makeDeeds } from '@/features/make/deeds';
import { pailDeeds } from '@/features/pails/deeds';
import { sendOffDeeds } from '@/features/send-off/deeds';
import { answerDeed } from '@/server/answer-deed';
import type { DeedKind } from '@/server/deeds';

const DEEDS: Readonly<Record<string, Readonly<Record<string, DeedKind>>>> = {
  bench: benchDeeds,
  dock: dockDeeds,
  make: makeDeeds,
  pails: pailDeeds,
  desk: deskDeeds,
  'send-off': sendOffDeeds,
};

export async function POST(
  request: Request,
  { params }: { params: Promise<{ kind: string; name: string }> },
): Promise<Response> {
  const { kind, name } = await params;
  const kinds = Object.hasOwn(DEEDS, kind) ? DEEDS[kind] : undefined;
  return answerDeed(request, kinds && Object.hasOwn(kinds, name) ? kinds[name] : undefined);
}
