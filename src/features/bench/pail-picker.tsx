'use client';
import { Box, Button, Text } from '@mantine/core';
import { BATCH_PPM, FILM_ML, filmSum } from '@/core/sanitising/film';
import { Feedback } from '@/shell/feedback';
import { Choices } from '@/shell/choices';
import { FoodLine } from '@/shell/food-line';
import { MeasureStepper } from '@/shell/measure-stepper';
import { useWords } from '@/shell/words';
import { depthOf } from '@/core/water/pail-shape';
import type { BenchCard, PailChoice, PailShareView } from './bench-card';

interface Props {
  readonly pails: readonly PailChoice[];
  readonly stems: number;
  /** How they are dealt out where no single pail holds them. */
  readonly dealt: readonly PailShareView[];
  readonly isDealt: boolean;
  readonly onDealt: (isDealt: boolean) => void;
  readonly pailId: string | null;
  readonly litres: number;
  readonly onPail: (id: string) => void;
  readonly onLitres: (litres: number) => void;
  readonly film: BenchCard['film'];
  readonly isAcid: boolean;
  readonly solution: BenchCard['solution'];
  readonly foods: BenchCard['foods'];
}

const SHOWN = 5;

/** The sum that settles whether the pail is rinsed, for whoever argues. */
function Film({
  litres,
  film,
  isWetAndAcid,
}: {
  litres: number;
  film: BenchCard['film'];
  isWetAndAcid: boolean;
}) {
  const t = useWords();
  const { ppm, isUnderLimit } = filmSum(litres);
  const rinse = isWetAndAcid || film === 'rinse' || (film === 'by-sum' && !isUnderLimit);
  return (
    <Text className="says" w="100%">
      {t('bench.film.sum', {
        film: FILM_ML,
        batch: BATCH_PPM,
        litres,
        ppm: ppm < 10 ? Math.round(ppm * 10) / 10 : Math.round(ppm),
      })}
      : {t(rinse ? 'bench.film.rinse' : 'bench.film.leave')}
      {isWetAndAcid
        ? `; ${t('bench.film.wet-acid')}`
        : film === 'by-sum'
          ? '.'
          : `, ${t('bench.film.house')}`}
    </Text>
  );
}

/** The pails that a lot is dealt into, each with its stems and litres; taken as it stands in one tap. */
function Dealt({
  dealt,
  stems,
  onOther,
}: {
  dealt: readonly PailShareView[];
  stems: number;
  onOther: () => void;
}) {
  const t = useWords();
  const held = dealt.reduce((n, d) => n + d.stems, 0);
  return (
    <Box w="100%" role="group" aria-label={t('bench.into-these-pails')}>
      <p>
        {t('bench.no-one-pail', { n: stems })} <strong>{t('bench.n-pails', { n: dealt.length })}</strong>,{' '}
        {t('bench.each-its-share')}
      </p>
      <ul className="row bare">
        {dealt.map((d) => (
          <li key={d.id} className="aside">
            <span className="soft">{t('bench.pail-word')}</span> <strong className="serif">{d.name}</strong>
            <span className="says">{t('bench.stems-litres', { stems: d.stems, litres: d.litres })}</span>
          </li>
        ))}
      </ul>
      {held < stems && <Feedback isNote>{t('bench.more-than-hold', { n: stems - held })}</Feedback>}
      <Button variant="quiet" onClick={onOther}>
        {t('bench.one-pail-for-all')}
      </Button>
    </Box>
  );
}

/** How much of what is poured into the chosen pail, with its food and its film; of water that stands there, nothing. */
function Poured({
  into,
  litres,
  onLitres,
  film,
  isAcid,
  stems,
  solution,
  foods,
}: Props & { readonly into: PailChoice }) {
  const t = useWords();
  const tight = into.holds < stems && (
    <p className="soft">{t('bench.room-for', { n: into.holds, all: stems })}</p>
  );
  if (into.shares) return tight;
  return (
    <>
      <MeasureStepper
        measure="litres"
        label={t('bench.litres')}
        fewer={t('bench.half-less')}
        more={t('bench.half-more')}
        value={litres}
        min={0.5}
        max={into.shape.litres}
        by={0.5}
        onChange={onLitres}
      >
        <span className="soft">{t('bench.cm-deep', { n: Math.round(depthOf(into.shape, litres)) })}</span>
      </MeasureStepper>
      <FoodLine litres={litres} solution={solution} foods={foods} />
      {tight}
      <Film litres={litres} film={film} isWetAndAcid={isAcid && into.isStillWet} />
    </>
  );
}

/** Which pail it goes into: the next clean ones, and those whose water suits; litres by taps. */
export function PailPicker(props: Props) {
  const t = useWords();
  const { pails, pailId, onPail, film, stems, dealt, isDealt, onDealt } = props;
  const food = { solution: props.solution, foods: props.foods };
  if (pails.length === 0) return <Feedback isNote>{t('bench.no-clean-pail')}</Feedback>;
  if (isDealt && dealt.length > 0)
    return (
      <div className="row ends">
        <Dealt dealt={dealt} stems={stems} onOther={() => onDealt(false)} />
        {[...new Set(dealt.map((d) => d.litres))].map((l) => (
          <FoodLine key={l} litres={l} {...food} />
        ))}
        <Film litres={Math.min(...dealt.map((d) => d.litres))} film={film} isWetAndAcid={false} />
      </div>
    );
  const chosen = pails.find((p) => p.id === pailId);
  const shown = [
    ...pails.filter((p) => !p.shares).slice(0, SHOWN),
    ...pails.filter((p) => p.shares).slice(0, 2),
  ];
  return (
    <div className="row ends">
      {dealt.length > 0 && (
        <Button variant="quiet" onClick={() => onDealt(true)}>
          {t('bench.deal-into', { n: dealt.length })}
        </Button>
      )}
      <Choices
        label={t('bench.into-pail')}
        value={pailId}
        onChange={onPail}
        options={shown.map((p) => ({
          value: p.id,
          words: (
            <>
              {p.name}
              {p.shares && <span className="soft"> {t('bench.with-others')}</span>}
            </>
          ),
        }))}
      />
      {chosen && <Poured {...props} into={chosen} />}
    </div>
  );
}
