'use client';
import { ShopLink as Link } from '@/shell/shop-link';
import { useEffect, useState } from 'react';
import { clockWords, useShopNow } from './clock';
import type { NextItem } from './places';
import css from './shell.module.css';

function Due({ item, now }: { item: NextItem; now: number | null }) {
  if (item.dueAt === null || now === null) return null;
  const { words, late } = clockWords(item.dueAt, now, item.startedAt);
  const whole = item.startedAt === null ? 0 : item.dueAt - item.startedAt;
  const share = whole > 0 ? Math.min(1, Math.max(0, (now - (item.startedAt ?? 0)) / whole)) : 1;
  return (
    <>
      <span className={late ? `${css.nextClock} late` : css.nextClock}>{words}</span>
      {item.startedAt !== null && (
        <span className={css.bar} style={{ order: 1 }} aria-hidden="true">
          <span style={{ width: `${share * 100}%` }} />
        </span>
      )}
    </>
  );
}

/** What is due, soonest first, with its running clocks; on a phone it sits at the thumb. */
export function NextList({
  items,
  open,
  onOpen,
}: {
  items: readonly NextItem[];
  open: boolean;
  onOpen: (open: boolean) => void;
}) {
  const now = useShopNow();
  const [seen, setSeen] = useState('');
  const rung =
    now === null ? [] : items.filter((i) => i.dueAt !== null && i.dueAt <= now && i.startedAt !== null);
  const ringing = rung.map((i) => i.id).join();
  useEffect(() => setSeen(ringing), [ringing]);
  return (
    <aside className={css.next} aria-label="Next" data-shut={open ? undefined : true} id="next" tabIndex={-1}>
      <h2>
        <button type="button" className={css.nextHead} aria-expanded={open} onClick={() => onOpen(!open)}>
          <span>Next</span>
          <span className={css.nextCount}>
            {items.length === 0 ? 'nothing due' : `${items.length} due · ${open ? 'close' : 'show'}`}
          </span>
        </button>
      </h2>
      <div className="visually-hidden" role="status">
        {seen && rung[0] ? `${rung[0].title} is due` : ''}
      </div>
      <div className={css.nextBody}>
        {items.length === 0 && (
          <p className="soft">Nothing is due. Clocks you start at the bench run here.</p>
        )}
        <ul>
          {items.map((item) => (
            <li key={item.id}>
              <Link href={item.href} className={css.nextItem}>
                <span className={css.nextTitle}>{item.title}</span>
                <Due item={item} now={now} />
                <span className={css.nextNote}>{item.note}</span>
              </Link>
            </li>
          ))}
        </ul>
      </div>
    </aside>
  );
}
