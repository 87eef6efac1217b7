import { shopDetails } from '@/data/shops';
import { Button, Group, VisuallyHidden } from '@mantine/core';
import { ShopLink as Link } from '@/shell/shop-link';
import { LinkButton } from '@/shell/link-button';
import { dayWords } from '@/core/calendar/format-date';
import { LANGUAGES, tagOf } from '@/core/words/catalogues';
import { cardFor } from '@/core/care/card-for';
import {
  countWithoutCard,
  manyArrangementLines,
  manyWithCard,
  manyWithoutCard,
  maybeArrangement,
  maybeCard,
  type ArrangementRow,
  type ArrangementsBefore,
} from '@/data/arrangements';
import { manyStays } from '@/data/stays';
import { inZone, localMoment } from '@/server/clock';
import { houseOf } from '@/server/house';
import { once } from '@/server/once';
import { inMyShop } from '@/server/session';
import { CardSheet } from './card-sheet';
import { CardChoice } from './card-choice';
import { IssueButton } from './issue-button';
import { Columns } from '@/shell/columns';
import { forecastWaiting } from './waiting-forecast';
import { ActionBar } from '@/shell/action-bar';

/** When it was made, as somebody at the counter says it. */
function madeWords(madeAt: Date, at: Date, timeZone: string): string {
  const [made, today] = [inZone(madeAt, timeZone), inZone(at, timeZone)];
  return made.date === today.date ? `at ${made.clock}` : `on ${dayWords(made.date)} at ${made.clock}`;
}

const SHOWN = 12;
const DUE_SHOWN = 20;
const DUE_COUNTED_TO = 999;
const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

type Search = Readonly<Record<string, string | string[] | undefined>>;

/** Where the page before ended, as its link says it; null for the first page, or where the link is broken. */
function beforeOf(told: unknown): ArrangementsBefore | null {
  const [madeAt = '', id = ''] = typeof told === 'string' ? told.split('_') : [];
  const at = new Date(madeAt);
  return UUID.test(id) && !Number.isNaN(at.getTime()) ? { madeAt: at, id } : null;
}

/** What the address asks for: an arrangement, who gets its card, in which language, and which page of the list. */
function askedOf(search: Search) {
  const { arrangement } = search;
  return {
    arrangementId: typeof arrangement === 'string' && UUID.test(arrangement) ? arrangement : null,
    goesTo: search.to === 'public' ? ('public' as const) : ('home' as const),
    language: LANGUAGES.find((code) => code === search.in),
    before: beforeOf(search.before),
  };
}
type Asked = ReturnType<typeof askedOf>;

/** Reads what was made, and of the one that is shown what its card is written from. */
const read = ({ arrangementId, before }: Asked) =>
  inMyShop(async (from, me, at) => {
    const [due, made, wanted, dueCount, { schools }] = await Promise.all([
      before ? [] : once(from, manyWithoutCard, DUE_SHOWN),
      once(from, manyWithCard, SHOWN, before),
      arrangementId ? once(from, maybeArrangement, arrangementId) : undefined,
      once(from, countWithoutCard, DUE_COUNTED_TO),
      once(from, houseOf),
    ]);
    const first = due[0] ?? made[0];
    const chosen = wanted ?? (first ? ((await once(from, maybeArrangement, first.id)) ?? null) : null);
    const list = { due, dueCount, made, at, timeZone: me.shop.timeZone };
    if (!chosen) return { list, shown: null };
    const [card, lines, stays, details] = await Promise.all([
      chosen.cardId ? once(from, maybeCard, chosen.cardId) : undefined,
      once(from, manyArrangementLines, chosen.id),
      once(from, manyStays, [chosen.id]),
      once(from, shopDetails),
    ]);
    return { list, shown: { chosen, card, lines, stays, schools, details, me, at } };
  });
type Shown = NonNullable<Awaited<ReturnType<typeof read>>['shown']>;

/**
 * The card as it was issued, or as it would be today. Worked out once nothing is held any more: a
 * forecast takes longer than a page may keep a connection.
 */
async function draftOf(shown: Shown, { goesTo, language }: Asked) {
  const { chosen, card, lines, stays, schools, details, me, at } = shown;
  if (card) return card.card;
  return cardFor(
    { ...chosen, lines },
    await forecastWaiting(chosen, stays, at),
    details,
    me.species,
    localMoment(at, me.shop.timeZone),
    schools,
    goesTo,
    tagOf(language ?? details.language, details.units),
  );
}

function NothingMade() {
  return (
    <section>
      <h1>Nothing has been made yet</h1>
      <p style={{ margin: '14px 0 24px' }}>
        A card is written for an arrangement: for its stems, its vessel and its days.
      </p>
      <LinkButton href="/make">Make one</LinkButton>
    </section>
  );
}

/** What was made: what waits for its card first, then what has one, the newest at the top. */
function MadeList({
  list: { due, dueCount, made, at, timeZone },
  chosenId,
  isLater,
}: {
  list: Awaited<ReturnType<typeof read>>['list'];
  chosenId: string;
  /** A page after the first. */
  isLater: boolean;
}) {
  const row = (a: ArrangementRow) => (
    <li key={a.id}>
      <Link
        className="line"
        href={`/send-off?arrangement=${a.id}`}
        aria-current={a.id === chosenId ? 'true' : undefined}
      >
        <strong>{a.name}</strong>
        <span className={a.cardId ? 'soft' : 'todo'}>{a.cardId ? 'card issued' : 'no card yet'}</span>
        <span className="soft whole">
          {a.stems} stems, {a.vesselKind}, made {madeWords(a.madeAt, at, timeZone)}
        </span>
      </Link>
    </li>
  );
  const last = made.at(-1);
  return (
    <section aria-label="Made">
      <VisuallyHidden component="h1">Send-off</VisuallyHidden>
      <h2>Made</h2>
      <ul className="rowlist">
        {due.map(row)}
        {dueCount > due.length && due.length > 0 && (
          <li className="soft">
            {dueCount - due.length} more wait for their card; they come up as these are done.
          </li>
        )}
        {made.map(row)}
      </ul>
      <Group component="nav" gap="0.625rem" align="stretch" mt="0.875rem" aria-label="Pages of what was made">
        {isLater && <LinkButton href="/send-off">Newest</LinkButton>}
        {last && made.length === SHOWN && (
          <LinkButton href={`/send-off?before=${last.madeAt.toISOString()}_${last.id}`}>Earlier</LinkButton>
        )}
      </Group>
    </section>
  );
}

/** What do we tell the customer: the card itself, as it will print. */
export async function SendOffPage({ search }: { search: Search }) {
  const asked = askedOf(search);
  const { list, shown } = await read(asked);
  if (!shown) return <NothingMade />;
  const draft = await draftOf(shown, asked);
  const { card, chosen, details } = shown;
  const issuing = {
    arrangementId: chosen.id,
    goesTo: asked.goesTo,
    language: asked.language ?? details.language,
  };
  return (
    <Columns of="minmax(240px, 1fr) minmax(300px, 470px)">
      <MadeList list={list} chosenId={chosen.id} isLater={asked.before !== null} />
      <section aria-label="The card" className="first stack">
        {!card && <CardChoice {...issuing} />}
        <CardSheet issued={draft} />
        <p className="soft">
          {card ? 'Kept as it was issued; print it again at will.' : 'A draft, as it would print today.'}
        </p>
      </section>
      <ActionBar>
        {card ? (
          <div className="row">
            <LinkButton variant="main" href={`/card/${card.id}`}>
              Print it
            </LinkButton>
            <Button component="a" href={`/card/${card.id}/pdf`}>
              PDF
            </Button>
            <IssueButton {...issuing} again />
          </div>
        ) : (
          <IssueButton {...issuing} again={false} />
        )}
      </ActionBar>
    </Columns>
  );
}
