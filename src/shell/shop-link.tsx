'use client';
import Link, { useLinkStatus } from 'next/link';
import type { ComponentProps } from 'react';

/** Shows that what was tapped is on its way, once that takes longer than a blink. */
function OnItsWay() {
  const { pending } = useLinkStatus();
  return pending && <span className="on-its-way" aria-hidden="true" />;
}

/**
 * A link of the shop's. Nothing is fetched before it is tapped: a page is of its moment, and a list
 * of three hundred boxes would ask for three hundred pages.
 */
export function ShopLink({ children, ...props }: Omit<ComponentProps<typeof Link>, 'prefetch'>) {
  return (
    <Link {...props} prefetch={false}>
      {children}
      <OnItsWay />
    </Link>
  );
}
