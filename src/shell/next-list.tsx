'use client';
import { Progress, Title, UnstyledButton, VisuallyHidden } from '@mantine/core';
import { usePathname } from 'next/navigation';
import { clockWords, useShopNow } from './clock';
import type { NextItem } from './places';
import css from './next-list.module.css';
import { ShopLink as Link } from './shop-link';

function Due({ item, now }: { item: NextItem; now: number | null }) {
  if (item.dueAt === null || now === null) return null;
  const { words, late } = clockWords(item.dueAt, now, item.startedAt);
  const whole = item.startedAt === null ? 0 : item.dueAt - item.startedAt;
  const share = whole > 0 ? Math.min(1, Math.max(0, (now - (item.startedAt ?? 0)) / whole)) : 1;
  return (
    <>
      <span className={late ? 'serif late' : 'serif'}>{words}</span>
      {item.startedAt !== null && (
        <Progress
          className="whole"
          style={{ order: 1 }}
          value={share * 100}
          size={5}
          color="var(--blue)"
          aria-hidden="true"
        />
      )}
    </>
  );
}

/** The soonest clock, for where the list itself is shut. */
function Soonest({ items, now }: { items: readonly NextItem[]; now: number | null }) {
  const due = items.find((i) => i.dueAt !== null);
  if (!due?.dueAt || now === null) return null;
  const { words, late } = clockWords(due.dueAt, now, due.startedAt);
  return <span className={late ? 'late' : undefined}>{words}</span>;
}

/**
 * What is due, soonest first, with its running clocks. At the bench it stands beside the work, elsewhere
 * it is a slim rail that opens; on a phone or an upright tablet it sits at the thumb. With nothing due it is not there.
 */
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
  const isBench = usePathname().startsWith('/bench');
  const [rung] =
    now === null ? [] : items.filter((i) => i.dueAt !== null && i.dueAt <= now && i.startedAt !== null);
  if (items.length === 0) return null;
  return (
    <aside
      className={`screen-only ${css.next}`}
      aria-label="Next"
      data-open={open || undefined}
      data-bench={isBench || undefined}
      id="next"
      tabIndex={-1}
    >
      <Title order={2}>
        <UnstyledButton className={css.head} aria-expanded={open} onClick={() => onOpen(!open)}>
          <span className="serif">Next</span>
          <span className={css.count}>
            {items.length} due
            <u className={css.toggle}>{open ? 'close' : 'show'}</u>
            <span className={css.soonest}>
              <Soonest items={items} now={now} />
            </span>
          </span>
        </UnstyledButton>
      </Title>
      <VisuallyHidden role="status">{rung ? `${rung.title} is due` : ''}</VisuallyHidden>
      <ul className={`rowlist ${css.body}`}>
        {items.map((item) => (
          <li key={item.id}>
            <Link href={item.href} className="line">
              <strong>{item.title}</strong>
              <Due item={item} now={now} />
              <span className="says whole">{item.note}</span>
            </Link>
          </li>
        ))}
      </ul>
    </aside>
  );
}
