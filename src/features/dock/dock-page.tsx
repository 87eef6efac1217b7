import { ShopLink as Link } from '@/shell/shop-link';
import { countOpenClaims } from '@/data/claim-lists';
import { manyExpected, type ExpectedDelivery } from '@/data/expected';
import { manyKeptLines, type KeptLine } from '@/data/kept-lines';
import { manyPortionsInStock } from '@/data/portions';
import { inZone } from '@/server/clock';
import { once } from '@/server/once';
import { inMyShop, type SignedIn } from '@/server/session';
import { isForLater } from '@/server/lot-forecasts';
import { lotBrief, lotsOf, type LotBrief, type Reader } from '@/server/stock';
import { pageWords } from '@/server/words';
import { localeOf } from '@/core/words/catalogues';
import { speciesName } from '@/core/words/species-name';
import { PageWordsProvider } from '@/shell/words';
import { tell } from '@/shell/told';
import { DockFrame } from './dock-frame';
import { EarlierSlips } from './earlier-slips';
import { ExpectedList } from './expected-list';
import { laidOut } from './laid-out';
import { lookData, othersHand, readLook } from './look-data';
import { LotLook } from './lot-look';
import { NoteReader } from './note-reader';
import { Slip } from './slip';
import type { SlipLot, SlipView } from './slip-view';

const COUNTED_TO = 99;

interface Props {
  readonly search: Record<string, string | string[] | undefined>;
}

function ClaimsLink({ open }: { open: number }) {
  const count = open >= COUNTED_TO ? `${COUNTED_TO}+` : open;
  return (
    <p className="reach">
      <Link href="/dock/claims">
        {open > 0 ? `${count} ${open === 1 ? 'claim' : 'claims'} to send` : 'Claims'}
      </Link>
    </p>
  );
}

/** What its row shows of a lot, and no more: it goes to every tablet that looks. */
const slipLot = (lot: LotBrief, me: SignedIn, at: Date): SlipLot => {
  const { id, number, name, variety, stemsLeft, stemsBooked, looked, decision, droop, stands, forDay } = lot;
  return {
    ...{ id, number, name, variety, stemsLeft, stemsBooked, looked, decision, droop, stands, forDay },
    withWhom: othersHand(lot, me, at),
  };
};

type Head = Pick<SlipView, 'deliveryId' | 'deliveryRef' | 'supplier'>;

/** The deliveries that still have something here, the newest first. */
function slipsOf(lots: readonly LotBrief[], kept: readonly KeptLine[], me: SignedIn, at: Date): SlipView[] {
  const heads = new Map<string, Head>();
  for (const head of [...kept.filter((k) => k.fate === 'waiting'), ...lots]) {
    heads.delete(head.deliveryId);
    heads.set(head.deliveryId, head);
  }
  return [...heads.values()].reverse().map(({ deliveryId, deliveryRef, supplier }) => ({
    deliveryId,
    deliveryRef,
    supplier,
    lots: lots.filter((l) => l.deliveryId === deliveryId).map((l) => slipLot(l, me, at)),
    kept: kept
      .filter((k) => k.deliveryId === deliveryId)
      .map(({ id, line, fate, reason, product, said }) => ({
        id,
        line,
        fate,
        reason,
        product,
        said,
      })),
  }));
}

/** What the reader calls the species that are expected. */
function namesIn(
  expected: readonly ExpectedDelivery[],
  { species, language }: Reader,
): Readonly<Record<string, string>> {
  const keys = new Set(expected.flatMap((e) => e.lines.map((l) => l.speciesKey)));
  return Object.fromEntries(
    [...keys].flatMap((key) => {
      const found = species.find(key);
      return found ? [[key, speciesName(found, language)]] : [];
    }),
  );
}

/** The lot asked for, else the first nobody has looked at that is for today, else the last to come. */
function chosenOf(lots: readonly LotBrief[], asked: unknown): LotBrief | null {
  const one = typeof asked === 'string' ? lots.find((l) => l.id === asked) : undefined;
  return one ?? lots.find((l) => !l.looked && l.forDay === null) ?? lots.at(-1) ?? null;
}

/** What came, in what state: the note as a slip on the left, the stem being looked at on the right. */
export async function DockPage({ search }: Props) {
  const page = await inMyShop(async (from, me, at) => {
    const { date: today } = inZone(at, me.shop.timeZone);
    const portions = await once(from, manyPortionsInStock);
    const { rows, lots } = await from.made('dock', [me.language], at, () => {
      const rows = lotsOf(portions);
      const lots = rows.map((l) => lotBrief(l, isForLater(l, at, me.shop.timeZone), me));
      return Promise.resolve({ rows, lots });
    });
    const chosen = chosenOf(lots, search.lot);
    const chosenRow = rows.find((r) => r.id === chosen?.id);
    const [openClaims, expected, kept, look] = await Promise.all([
      once(from, countOpenClaims, COUNTED_TO),
      once(from, manyExpected, today),
      once(from, manyKeptLines, [...new Set(lots.map((l) => l.deliveryId))]),
      chosenRow && search.read === undefined ? readLook(from, me, at, chosenRow, lots) : null,
    ]);
    return {
      from,
      at,
      me,
      isBare: lots.length === 0 && !kept.some((k) => k.fate === 'waiting'),
      openClaims,
      chosenId: chosen?.id ?? null,
      slips: await from.made('slips', [me.personId, me.language], at, () =>
        Promise.resolve(slipsOf(lots, kept, me, at)),
      ),
      look,
      expected,
      names: namesIn(expected, me),
      today,
      isDemo: me.shop.demo,
      language: me.language,
    };
  });
  const { openClaims, slips, expected, today } = page;
  const { open, earlier } = laidOut(slips, page.chosenId);
  const { from, at, me, look: read } = page;
  const look =
    read && (await from.made('look', [me.personId, me.language, page.chosenId], at, () => lookData(read)));
  return (
    <PageWordsProvider told={tell(pageWords(['dock'], page.language))} locale={localeOf(page.language)}>
      <DockFrame
        isBare={page.isBare}
        reader={
          <NoteReader
            demo={page.isDemo}
            today={today}
            expected={expected}
            booked={slips.map(({ supplier, deliveryRef }) => ({ supplier, deliveryRef }))}
          />
        }
        lists={
          <>
            <ExpectedList expected={expected} names={page.names} today={today} />
            {openClaims !== null && <ClaimsLink open={openClaims} />}
            {open.map((slip, i) => (
              <Slip
                key={slip.deliveryId}
                slip={slip}
                chosenId={page.chosenId}
                showsAll={search.all !== undefined}
                isFirst={i === 0}
              />
            ))}
            <EarlierSlips slips={earlier} />
          </>
        }
        look={look && <LotLook key={look.lot.id} {...look} outlooks={tell(look.outlooks)} />}
      />
    </PageWordsProvider>
  );
}
