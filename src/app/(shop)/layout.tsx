import type { ReactNode } from 'react';
import { LANGUAGE_CHOICES, languageOf, localeOf, unitsOf } from '@/core/words/catalogues';
import { momentIn } from '@/core/calendar/zones';
import { WAITING_ACTIONS } from '@/core/actions/actions';
import { emergencyWords } from '@/core/care/emergency';
import { say } from '@/core/words/say';
import { signOut } from '@/features/sign-in/actions';
import { speciesOfOwn } from '@/server/own-species';
import { inMyShop } from '@/server/session';
import { SHELL_READS, shellData } from '@/server/shell-data';
import { Frame } from '@/shell/frame';

export const dynamic = 'force-dynamic';

export default async function ShopLayout({ children }: { children: ReactNode }) {
  const { me, at, data, own } = await inMyShop(
    async (from, me, at) => ({
      me,
      at,
      data: await shellData(from, me, at),
      own: await speciesOfOwn(from),
    }),
    SHELL_READS,
  );
  return (
    <Frame
      shopName={me.shop.name}
      person={{ id: me.personId, name: me.name }}
      language={languageOf(me.language)}
      units={unitsOf(me.language)}
      locale={localeOf(me.language)}
      languages={LANGUAGE_CHOICES}
      timeZone={me.shop.timeZone}
      serverNow={at.getTime()}
      today={momentIn(at.getTime(), me.shop.timeZone).date}
      emergency={say(emergencyWords(me.shop.emergency), me.language)}
      signOut={signOut}
      ownSpecies={own}
      waiting={WAITING_ACTIONS}
      {...data}
    >
      {children}
    </Frame>
  );
}
