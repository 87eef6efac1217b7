import { Group } from '@mantine/core';
import { measured } from '@/core/units/measures';
import { localeOf, unitsOf, type LanguageTag } from '@/core/words/catalogues';
import { LifeAxis, type LifeScale } from '@/drawing/life-line';
import { RoomSketch } from '@/drawing/room-sketch';
import { ShopLink as Link } from '@/shell/shop-link';
import { tell } from '@/shell/told';
import css from './rooms.module.css';
import { ShelfRows } from './shelf-rows';
import { aDay, SOON_DAYS } from './shelf-row';
import type { Shelf } from './shelves';

const RULE = { borderBottom: '5px solid var(--ink)' };

/** What a shelf holds, in a line. */
function Sum({ shelf: { lots, fastest } }: { shelf: Shelf }) {
  if (lots.length === 0 || !fastest) return <p className="soft">Nothing stands here.</p>;
  const soon = lots.filter((l) => l.daysLeft.p50 <= SOON_DAYS).length;
  const cold = lots.filter((l) => l.isTooCold).length;
  return (
    <p>
      {lots.length} {lots.length === 1 ? 'lot' : 'lots'}
      {soon > 0 && <span className="late">, {soon} within two days of their end</span>}
      {cold > 0 && <span className="late">, {cold} too cold</span>}
      <span className="soft">
        . Ages fastest here: {fastest.name.toLowerCase()}, {aDay(fastest.daysADay)}.
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
  isOnTop,
}: {
  shelf: Shelf;
  scale: LifeScale;
  language: LanguageTag;
  isWhole: boolean;
  isOnTop: boolean;
}) {
  const { room, lots, head } = shelf;
  const shown = isWhole ? lots : head;
  return (
    <section aria-label={room.name} id={room.id}>
      <Group component="header" gap="0.25rem 1rem" pb={4} mb="xs" style={RULE}>
        <RoomSketch kind={room.kind} />
        <h2>{room.name}</h2>
        <strong className="numeral">
          {measured('tempC', room.tempC, unitsOf(language), localeOf(language))}
        </strong>
        <span className="soft">
          {room.humidityPct} % humidity, light {room.litHours} h
        </span>
      </Group>
      <Sum shelf={shelf} />
      {lots.length > 0 && (
        <>
          <ShelfRows told={tell(shown)} scale={scale} isOnTop={isOnTop} />
          <div className={css.axis}>
            <LifeAxis scale={scale} />
          </div>
        </>
      )}
      {shown.length < lots.length && (
        <p>
          <Link href={`/rooms?room=${room.id}#${room.id}`} className="reach">
            All {lots.length} lots in {room.name}
          </Link>
        </p>
      )}
    </section>
  );
}
