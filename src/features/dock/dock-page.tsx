import Link from 'next/link';
import { LifeAxis, LifeLine, daysInWords } from '@/drawing/life-line';
import { adviseAtDock, FLAW_KINDS, flawInLot, type DockAdvice, type FlawInLot } from '@/core/dock/flaws';
import { arrivalHazards } from '@/core/dock/hazards';
import { speciesByKey } from '@/core/species/species';
import { manyClaims, manyFlaws, type ClaimRecord, type FlawRow } from '@/data/claims';
import { manySupplierWords } from '@/data/supplier-words';
import { inZone } from '@/server/clock';
import { inMyShop } from '@/server/session';
import { lotView, stockNow, type LotView } from '@/server/stock';
import css from './dock.module.css';
import flawsCss from './flaws.module.css';
import { LoggerAttach } from './logger-attach';
import { LotLook } from './lot-look';
import { NoteReader } from './note-reader';

interface Props {
  readonly search: Record<string, string | string[] | undefined>;
}

function Slip({ lots, chosenId }: { lots: readonly LotView[]; chosenId: string | null }) {
  const deliveries = [...new Map(lots.map((l) => [`${l.supplier} ${l.deliveryRef}`, l])).values()].reverse();
  return (
    <>
      {deliveries.map((delivery) => (
        <section
          key={delivery.deliveryRef + delivery.supplier}
          className={css.slip}
          aria-label={`Delivery ${delivery.deliveryRef}`}
        >
          <header>
            <h2>{delivery.deliveryRef}</h2>
            <span className="soft">{delivery.supplier}</span>
          </header>
          <LoggerAttach
            deliveryId={delivery.deliveryId}
            deliveryRef={delivery.deliveryRef}
            lots={lots.filter((l) => l.deliveryId === delivery.deliveryId).length}
          />
          <ul className="rowlist">
            {lots
              .filter((l) => l.deliveryRef === delivery.deliveryRef && l.supplier === delivery.supplier)
              .map((l) => (
                <li key={l.id}>
                  <Link
                    href={`/dock?lot=${l.id}`}
                    className={css.slipRow}
                    aria-current={l.id === chosenId ? 'true' : undefined}
                    scroll={false}
                  >
                    <span className={css.lotNo}>{l.number}</span>
                    <span>
                      <strong>{l.name}</strong> {l.variety && <span>‘{l.variety}’</span>}
                      <span className="soft">
                        {' '}
                        {l.stemsLeft}
                        {l.stemsLeft === l.stemsBooked ? '' : ` of ${l.stemsBooked}`}
                      </span>
                    </span>
                    <span className={l.looked ? 'soft' : css.toLook}>{l.looked ? l.droop : 'look'}</span>
                  </Link>
                </li>
              ))}
          </ul>
        </section>
      ))}
    </>
  );
}

const ADVICE_WORDS: Readonly<Record<DockAdvice['advice'], string>> = {
  accept: 'Accept.',
  'use first': 'Use first:',
  'reduced price': 'Accept, and ask for less:',
  claim: 'Claim:',
  refuse: 'Refuse:',
};

function WhatItMeans({ lot, advice }: { lot: LotView; advice: DockAdvice }) {
  const scale = {
    pastDays: Math.max(4, Math.ceil(lot.daysSinceCut)),
    aheadDays: Math.max(8, Math.ceil(lot.daysLeft.p90) + 1),
  };
  const words = daysInWords(lot.daysLeft);
  const used = Math.round((100 * lot.agedDays) / lot.lifeDays);
  return (
    <section className={css.means} aria-label="What it means">
      <p
        className={flawsCss.advice}
        data-grave={advice.advice === 'claim' || advice.advice === 'refuse' || undefined}
      >
        <strong>{ADVICE_WORDS[advice.advice]}</strong> <span className="soft">{advice.because}</span>
      </p>
      <p>
        <span className="big">{words}</span> <span className="soft">left on a table at 21 °C, kept well</span>
      </p>
      <LifeLine
        scale={scale}
        daysSinceCut={lot.daysSinceCut}
        daysSinceArrival={lot.daysSinceArrival}
        shareByDay={lot.shareByDay}
        {...lot.daysLeft}
        label={`Cut ${lot.daysSinceCut.toFixed(0)} days ago; ${words} left`}
      />
      <LifeAxis scale={scale} />
      <p className="soft">
        About {used} % of a usual life is used. Figures of the{' '}
        {lot.basis === 'trade' ? 'trade' : 'working florists’ practice'}, the model’s own are estimates
        {lot.daysLeft.p90 > 2.2 * Math.max(1, lot.daysLeft.p10)
          ? '; a wide band: this kind is hard to tell'
          : ''}
        .
      </p>
    </section>
  );
}

const CLAIMS_READ = 200;

/** Counted flaws of a lot, carried to the whole of it. */
function flawsOf(lot: LotView, rows: readonly FlawRow[]): FlawInLot[] {
  return rows.flatMap((row) => {
    const kind = FLAW_KINDS.find((k) => k === row.kind);
    return kind ? [flawInLot({ kind, seen: row.seen, sample: row.sample }, lot.stemsBooked)] : [];
  });
}

function ClaimsLink({ claims }: { claims: readonly ClaimRecord[] }) {
  const open = claims.filter((c) => c.state === 'open').length;
  return (
    <p className={css.claimsLink}>
      <Link href="/dock/claims">
        {open > 0 ? `${open} ${open === 1 ? 'claim' : 'claims'} to send` : 'Claims'}
      </Link>
    </p>
  );
}

/** What came, in what state: the note as a slip on the left, the stem being looked at on the right. */
export async function DockPage({ search }: Props) {
  const { lots, chosen, flaws, claims, remembered, me, at } = await inMyShop(async (trx, me, at) => {
    const lots = (await stockNow(trx, me, at)).map((s) => lotView(s, at));
    const asked = typeof search.lot === 'string' ? lots.find((l) => l.id === search.lot) : undefined;
    const chosen = asked ?? lots.find((l) => !l.looked) ?? lots.at(-1) ?? null;
    return {
      lots,
      chosen,
      flaws: chosen ? flawsOf(chosen, await manyFlaws(trx, [chosen.id])) : [],
      claims: await manyClaims(trx, CLAIMS_READ),
      remembered: await manySupplierWords(trx),
      me,
      at,
    };
  });
  const isReading = search.read !== undefined || lots.length === 0;
  return (
    <div className={css.dock} data-reading={isReading || undefined}>
      <div>
        <NoteReader demo={me.shop.demo} today={inZone(at, me.shop.timeZone).date} remembered={remembered} />
        {!isReading && claims.length > 0 && <ClaimsLink claims={claims} />}
        {!isReading && <Slip lots={lots} chosenId={chosen?.id ?? null} />}
      </div>
      {chosen && !isReading && (
        <LotLook
          key={chosen.id}
          lot={chosen}
          nextId={lots.find((l) => !l.looked && l.id !== chosen.id)?.id ?? null}
          hazards={arrivalHazards(speciesByKey(chosen.speciesKey), chosen.origin)}
          flaws={flaws}
          claimedKinds={claims.filter((c) => c.lotId === chosen.id).map((c) => c.kind)}
        >
          <WhatItMeans
            lot={chosen}
            advice={adviseAtDock({ flaws, droop: chosen.droop, daysLeftP50: chosen.daysLeft.p50 })}
          />
        </LotLook>
      )}
    </div>
  );
}
