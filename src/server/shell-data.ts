import type { SpeciesRegistry } from '@/core/species/registry';
import 'server-only';
import { HOUR_MS } from '@/core/calendar/spans';
import { stepOf } from '@/core/steps/steps';
import { say } from '@/core/words/say';
import { speciesName } from '@/core/words/species-name';
import type { Trx } from '@/data/connection';
import type { LotFacts } from '@/data/lots';
import { manyPails, type PailRow } from '@/data/pails';
import { lotLabel, manyPortionsInStock, type PortionRow } from '@/data/portions';
import { standing } from '@/data/record';
import { manyRunningSteps, type StepRow } from '@/data/steps';
import type { NextItem, PlaceKey, PlaceNote } from '@/shell/places';
import { isForLater } from './lot-forecasts';
import { once, type From } from './once';
import type { SignedIn } from './session';
import { speakerOf } from './words';
import { lastDoneBy, type LastDone, type Redo } from './take-back';

export interface ShellData {
  readonly notes: Record<PlaceKey, PlaceNote>;
  readonly next: NextItem[];
  readonly last: LastDone | null;
  readonly redo: Redo | null;
  /** Minutes the clock was set back by: entries bear the last one's time until it has caught up. 0 when it is right. */
  readonly clockBehindMin: number;
}

/** A number no larger is told as it is; nobody needs to know by how much it is more. */
const COUNTED_TO = 99;
const counted = (n: number): string => (n >= COUNTED_TO ? `${COUNTED_TO}+` : String(n));
const note = (words: string, late = false): PlaceNote => ({ words, late });
/** What Next looks ahead: a working day. */
const AHEAD_MS = 14 * HOUR_MS;

function lotTitle(lot: LotFacts, { species, language }: SignedIn): string {
  const name = speciesName(species.byKey(lot.speciesKey), language);
  return lot.variety ? `${name} ‘${lot.variety}’` : name;
}

/** Hours a lot may still stand dry: what its species bears, less what it has stood here. */
export function dryHoursLeft(
  lot: Pick<LotFacts, 'speciesKey' | 'arrivedAt'>,
  at: Date,
  species: SpeciesRegistry,
): number {
  return species.byKey(lot.speciesKey).dryHours - (at.getTime() - lot.arrivedAt.getTime()) / HOUR_MS;
}

/** Hours a box set aside must bear dry to be left alone until its day (a night and a morning). */
const BEARS_A_NIGHT_H = 20;

/** Whether a lot bears the wait till tomorrow as it stands: in water, or dry with a night to spare. */
export function bearsANight(lot: PortionRow, at: Date, species: SpeciesRegistry): boolean {
  return !standsDry(lot) || dryHoursLeft(lot, at, species) >= BEARS_A_NIGHT_H;
}

/** Whether a lot need not be touched today: it is for another day, and bears the wait as it stands. */
export function canWait(
  lot: PortionRow,
  at: Date,
  { shop, species }: Pick<SignedIn, 'shop' | 'species'>,
): boolean {
  return isForLater(lot, at, shop.timeZone) && bearsANight(lot, at, species);
}

/** Whether stems are out of water: in no pail, and not in a pack that holds some. */
export function standsDry(lot: Pick<PortionRow, 'isWet'>): boolean {
  return !lot.isWet;
}

/** Clocks that end within so long of each other, of one lot at one step, are one clock to whoever hears them. */
const TOGETHER_MS = 60_000;

/** Portions of one lot whose clocks run together, with the first of them. */
interface Together {
  readonly lot: PortionRow;
  readonly step: StepRow;
  readonly dueAt: number;
  readonly startedAt: number;
  readonly portions: number;
}

function runningTogether(lots: readonly PortionRow[], steps: readonly StepRow[], at: Date): Together[] {
  const byId = new Map(lots.map((l) => [l.id, l]));
  const clocks: Together[] = [];
  for (const step of steps) {
    const lot = byId.get(step.portionId);
    // A change of water days ahead is nobody's next thing.
    if (!lot || !step.dueAt || !step.startedAt || step.dueAt.getTime() - at.getTime() > AHEAD_MS) continue;
    const dueAt = step.dueAt.getTime();
    const mate = clocks.findIndex(
      (c) =>
        c.lot.lotId === lot.lotId && c.step.kind === step.kind && Math.abs(c.dueAt - dueAt) < TOGETHER_MS,
    );
    const found = clocks[mate];
    if (found) clocks[mate] = { ...found, portions: found.portions + 1 };
    else clocks.push({ lot, step, dueAt, startedAt: step.startedAt.getTime(), portions: 1 });
  }
  return clocks;
}

function runningItems(
  lots: readonly PortionRow[],
  steps: readonly StepRow[],
  at: Date,
  me: SignedIn,
): NextItem[] {
  const { language } = me;
  const t = speakerOf(language);
  return runningTogether(lots, steps, at).map(({ lot, step, dueAt, startedAt, portions }) => ({
    id: step.id,
    title:
      portions > 1
        ? t('next.lot-portions', { title: lotTitle(lot, me), lot: String(lot.number), n: portions })
        : t('next.lot', { title: lotTitle(lot, me), lot: lotLabel(lot) }),
    note: say(stepOf(step.kind).whileItRuns ?? step.step.title, language).toLowerCase(),
    dueAt,
    startedAt,
    href: `/bench?lot=${portions > 1 ? lot.lotId : lot.id}`,
  }));
}

/** Pails whose time in the solution ends. */
const contactItems = (pails: readonly PailRow[], t: ReturnType<typeof speakerOf>): NextItem[] =>
  pails.flatMap((p) =>
    p.contactUntil
      ? [
          {
            id: p.id,
            title: t('next.pail', { pail: p.name }),
            note: t('next.out-of-solution'),
            dueAt: p.contactUntil.getTime(),
            startedAt: p.contactUntil.getTime() - 600_000,
            href: `/pails?pail=${p.id}`,
          },
        ]
      : [],
  );

/** Lots that stand dry and have no clock of their own. */
function thirstyItems(dry: readonly PortionRow[], at: Date, me: SignedIn): NextItem[] {
  const t = speakerOf(me.language);
  return dry.map((l) => ({
    id: l.id,
    title: t('next.lot', { title: lotTitle(l, me), lot: lotLabel(l) }),
    note: t(dryHoursLeft(l, at, me.species) < 0 ? 'next.dry-too-long' : 'next.dry-to-spare'),
    dueAt: at.getTime() + dryHoursLeft(l, at, me.species) * HOUR_MS,
    startedAt: null,
    href: `/bench?lot=${l.id}`,
  }));
}

const standingNow = (trx: Trx) => standing(trx, COUNTED_TO);

/** What stands round every page and does not hang on who looks. */
export const SHELL_READS = [manyPortionsInStock, manyRunningSteps, manyPails, standingNow];

/** What every screen shows round its edge: counts by place, what is due, the person's last entry. */
export async function shellData(from: From, me: SignedIn, at: Date): Promise<ShellData> {
  const [lots, steps, pails, { lastLoggedAt, cardsDue: open }, { last, redo }] = await Promise.all([
    once(from, manyPortionsInStock),
    once(from, manyRunningSteps),
    once(from, manyPails),
    once(from, standingNow),
    lastDoneBy(from, me.personId, at, me.language),
  ]);
  const t = speakerOf(me.language);
  const lastAt = lastLoggedAt?.getTime() ?? 0;
  const { timeZone } = me.shop;
  const unlooked = new Set(
    lots.filter((l) => !l.lookedAt && !isForLater(l, at, timeZone)).map((l) => l.lotId),
  );
  const dry = lots.filter((l) => standsDry(l) && !canWait(l, at, me));
  const late = dry.filter((l) => dryHoursLeft(l, at, me.species) < 0);
  const running = runningItems(lots, steps, at, me);
  const clocks = new Set(steps.map((s) => s.portionId));
  const over = running.filter((r) => (r.dueAt ?? 0) < at.getTime());
  const ready = pails.filter((p) => p.state === 'sanitised').length;
  return {
    notes: {
      dock: note(unlooked.size > 0 ? t('band.to-look-at', { n: unlooked.size }) : t('band.all-looked-at')),
      bench: note(
        dry.length > 0
          ? t(late.length > 0 ? 'band.late-and-dry' : 'band.dry', { late: late.length, n: dry.length })
          : over.length > 0
            ? t('band.due', { n: over.length })
            : t('band.clear'),
        late.length > 0 || over.length > 0,
      ),
      pails: note(t('band.ready', { n: ready })),
      rooms: note(t('band.lots', { n: lots.length })),
      make: note(t('band.lots', { n: lots.filter((l) => l.fillId).length })),
      'send-off': note(open > 0 ? t('band.without-card', { n: counted(open) }) : t('band.no-cards')),
      desk: note(t('band.record')),
    },
    next: [
      ...running,
      ...contactItems(pails, t),
      ...thirstyItems(
        dry.filter((l) => !clocks.has(l.id)),
        at,
        me,
      ),
    ]
      .sort((a, b) => (a.dueAt ?? Infinity) - (b.dueAt ?? Infinity))
      .slice(0, 8),
    last,
    redo,
    clockBehindMin: Math.max(0, Math.floor((lastAt - at.getTime()) / 60_000)),
  };
}
