import type { ReactNode } from 'react';
import { signOut } from '@/features/sign-in/actions';
import { inMyShop } from '@/server/session';
import { shellData } from '@/server/shell-data';
import { Frame } from '@/shell/frame';

export const dynamic = 'force-dynamic';

export default async function ShopLayout({ children }: { children: ReactNode }) {
  const { me, at, data } = await inMyShop(async (trx, me, at) => ({
    me,
    at,
    data: await shellData(trx, me, at),
  }));
  return (
    <Frame
      shopName={me.shop.name}
      person={{ id: me.personId, name: me.name }}
      timeZone={me.shop.timeZone}
      serverNow={at.getTime()}
      signOut={signOut}
      {...data}
    >
      {children}
    </Frame>
  );
}
