import { Group } from '@mantine/core';
import { measured } from '@/core/units/measures';
import { localeOf, unitsOf, type LanguageTag } from '@/core/words/catalogues';
import { daysInWords, LifeAxis, LifeLine, type LifeScale } from '@/drawing/life-line';
import { RoomSketch } from '@/drawing/room-sketch';
import { ShopLink as Link } from '@/shell/shop-link';
import css from './rooms.module.css';
import type { Shelf, ShelfLot } from './shelves';

/** As many as are seen at once; the rest when they are asked for. */
const SHOWN = 8;
/** From so few days on a lot is for today. */
const SOON_DAYS = 2;

const aDay = (days: number): string =>
  `${days.toFixed(1)} ${days.toFixed(1) === '1.0' ? 'day' : 'days'} a day`;

/** A lot on its shelf: what it is, where exactly, and how long it has. */
function Row({ lot, scale }: { lot: ShelfLot; scale: LifeScale }) {
  const { view, isTooCold, daysADay } = lot;
  const words = daysInWords(view.daysLeft);
  return (
    <li>
      <Link href={`/dock?lot=${view.id}`} className={css.lot}>
        <span className={css.what}>
          <strong>{view.name}</strong>
          {view.variety && ` ‘${view.variety}’`}
          <span className="soft"> {view.label}</span>
          <br />
          <span className="soft">
            {view.stemsLeft} in {view.pail ? `pail ${view.pail}` : 'no pail'}
          </span>
        </span>
        <LifeLine
          scale={scale}
          daysSinceCut={view.daysSinceCut}
          daysSinceArrival={view.daysSinceArrival}
          shareByDay={view.shareByDay}
          {...view.daysLeft}
          label={`${view.name}: ${words} left`}
        />
        <span className={css.days}>
          <span className={view.daysLeft.p50 <= SOON_DAYS ? 'late' : undefined}>{words}</span>
          <br />
          {isTooCold ? (
            <span className="late">too cold for it</span>
          ) : view.decision === 'use first' ? (
            <span className="late">use first</span>
          ) : (
            <span className="soft">ages {aDay(daysADay)}</span>
          )}
        </span>
      </Link>
    </li>
  );
}

/** What a shelf holds, in a line. */
function Sum({ shelf: { lots, fastest } }: { shelf: Shelf }) {
  if (lots.length === 0 || !fastest) return <p className={`soft ${css.sum}`}>Nothing stands here.</p>;
  const soon = lots.filter((l) => l.view.daysLeft.p50 <= SOON_DAYS).length;
  const cold = lots.filter((l) => l.isTooCold).length;
  return (
    <p className={css.sum}>
      {lots.length} {lots.length === 1 ? 'lot' : 'lots'}
      {soon > 0 && <span className="late">, {soon} within two days of their end</span>}
      {cold > 0 && <span className="late">, {cold} too cold</span>}
      <span className="soft">
        . Ages fastest here: {fastest.view.name.toLowerCase()}, {aDay(fastest.daysADay)}.
      </span>
    </p>
  );
}

/** One room: its air along the top, its lots under it, soonest to fade first. */
export function RoomShelf({
  shelf,
  scale,
  language,
  isWhole,
}: {
  shelf: Shelf;
  scale: LifeScale;
  language: LanguageTag;
  isWhole: boolean;
}) {
  const { room, lots } = shelf;
  const shown = isWhole ? lots : lots.slice(0, SHOWN);
  return (
    <section aria-label={room.name} id={room.id}>
      <Group component="header" className={css.air} gap="0.25rem 1rem" align="center">
        <RoomSketch kind={room.kind} />
        <h2>{room.name}</h2>
        <strong className={css.warmth}>
          {measured('tempC', room.tempC, unitsOf(language), localeOf(language))}
        </strong>
        <span className="soft">
          {room.humidityPct} % humidity, light {room.litHours} h
        </span>
      </Group>
      <Sum shelf={shelf} />
      {lots.length > 0 && (
        <>
          <ul className="rowlist">
            {shown.map((lot) => (
              <Row key={lot.view.portionId} lot={lot} scale={scale} />
            ))}
          </ul>
          <div className={css.axis}>
            <LifeAxis scale={scale} />
          </div>
        </>
      )}
      {shown.length < lots.length && (
        <p>
          <Link href={`/rooms?room=${room.id}#${room.id}`} className={css.more}>
            All {lots.length} lots in {room.name}
          </Link>
        </p>
      )}
    </section>
  );
}
