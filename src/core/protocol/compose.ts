import { skinCaution } from './cautions';
import { afterFlaws, flawsFirst, keepFor } from './for-flaws';
import {
  cutStep,
  drinkStep,
  drinkWish,
  figure,
  hotDipStep,
  step,
  stripStep,
  timing,
  unpackStep,
} from './steps';
import type { LotState, PailWish, ProtocolStep } from './types';

const { MINUTE, HOUR } = timing;

function coolAlone(hours: number): PailWish & { readonly hours: number } {
  return { solution: 'plain', tempC: 8, depthCm: 5, depth: 'shallow', alone: true, hours };
}

/** Mucilage: its own soak in cool water, uncut, tipped away before it meets anything. */
function mucilageSoak({ species }: LotState): ProtocolStep {
  const { hours, ...pail } = coolAlone(4);
  return step('sap-soak', {
    title: 'Straight into cool water, alone. No cut',
    figures: [
      figure.depthFigure(pail.depthCm, 'plain'),
      figure.warmthFigure(pail.tempC, 'cool'),
      figure.timeFigure(hours * HOUR, 'then tip out'),
    ],
    reason: 'Its sap shortens the life of whatever shares the water, tulips most. A cut would open it again.',
    caution: skinCaution(species),
    waitSeconds: hours * HOUR,
    doneWord: 'Standing alone',
    pail,
  });
}

/** Latex: dabbed, then a drink with its own kind until it stops weeping. */
function latexSteps({ species }: LotState): ProtocolStep[] {
  const { hours, ...pail } = coolAlone(1);
  return [
    step('sap-dab', {
      title: 'Dab the cut until it stops weeping',
      reason: 'A skin of dried latex would seal the cut; wet, it clouds the water.',
      caution: skinCaution(species),
      doneWord: 'Dry',
    }),
    step('sap-soak', {
      title: 'Let it drink with its own kind only',
      figures: [figure.depthFigure(13, 'plain'), figure.timeFigure(hours * HOUR, 'then it may join others')],
      reason: 'The milk goes on for a while and troubles other stems. A second cut weeps little.',
      waitSeconds: hours * HOUR,
      doneWord: 'Standing with its own',
      pail: { ...pail, depth: 'normal', depthCm: 13, tempC: 20 },
    }),
  ];
}

/** What only some species ask before they drink. */
function specialsBeforeDrink({ species }: LotState): ProtocolStep[] {
  switch (species.key) {
    case 'hydrangea':
      return [
        step('quick-dip', {
          title: 'Touch the cut to alum or hydrating acid',
          figures: [figure.timeFigure(2, 'no longer')],
          reason: 'It keeps the cut open; without it this one collapses unannounced.',
          doneWord: 'Dipped',
          caution: 'Acid dip: gloves, and never near sanitiser.',
        }),
      ];
    case 'amaryllis':
      return [
        step('fill-stem', {
          title: 'Turn over, fill the stem with water, plug with wet cotton',
          reason: 'The hollow stem then carries its own weight of flower.',
          doneWord: 'Filled and plugged',
          caution: skinCaution(species),
        }),
        step('wrap', {
          title: 'A band or tape round the cut end',
          reason: 'Without it the end rolls up like a ribbon.',
          doneWord: 'Banded',
        }),
      ];
    case 'bird-of-paradise':
      return [
        step('plunge', {
          title: 'Pods under warm water',
          figures: [figure.warmthFigure(38, 'warm'), figure.timeFigure(18 * MINUTE, 'all under')],
          reason: 'Soaking softens the pod so the first florets lift out whole.',
          waitSeconds: 18 * MINUTE,
          doneWord: 'Under water',
        }),
        step('lift-florets', {
          title: 'Lift the first florets out by hand',
          reason: 'More follow on their own once the first are free.',
          doneWord: 'Lifted',
        }),
      ];
    case 'tulip':
      return [
        step('wrap', {
          title: 'Wrap the bunch in paper to drink',
          reason: 'It drinks itself stiff in the shape it is held in.',
          doneWord: 'Wrapped',
          because: 'house',
        }),
      ];
    case 'gerbera':
      return [
        step('grid', {
          title: 'Hang the heads through a grid',
          reason: 'Stems set straight while they drink; a neck that drops does not return.',
          doneWord: 'Hung',
        }),
      ];
    default:
      return [];
  }
}

function specialsAfterDrink({ species, flaws }: LotState): ProtocolStep[] {
  const out: ProtocolStep[] = [];
  const isMouldy = flaws?.includes('grey-mould') === true;
  if (species.mist === 'yes' && !isMouldy)
    out.push(
      step('mist', {
        title: 'Mist lightly',
        reason: 'It takes water through leaf and petal as well.',
        doneWord: 'Misted',
      }),
    );
  if (species.mist === 'wrap')
    out.push(
      step('wrap', {
        title: 'Keep it closed in its damp sleeve',
        reason: 'It crisps or shrivels in a dry room.',
        doneWord: 'Sleeved',
      }),
    );
  if (species.key.startsWith('lily-') && species.role === 'focal')
    out.push(
      step('de-pollen', {
        title: 'Pinch out anthers as each flower cracks open',
        reason: 'Before the pollen dusts: it stains, and it can kill a cat.',
        doneWord: 'Anthers out, binned',
        caution: 'Deadly to cats: bag the anthers, wash hands, keep the water away from pets.',
      }),
    );
  return out;
}

function lookBack({ species, droop }: LotState): ProtocolStep {
  const reason =
    droop === 'firm'
      ? 'Drinking shows in the neck before anywhere else.'
      : 'If it still hangs: cut again, hot water, its own pail. Some never come back.';
  return step('look-back', {
    mode: 'look',
    title: 'Look back: upright?',
    reason,
    because: droop === 'firm' ? 'species' : 'state',
    doneWord: species.habit === 'blade' ? 'Firm' : 'Upright',
  });
}

function keepStep(state: LotState): ProtocolStep {
  const { species } = state;
  const forFlaw = keepFor(state);
  if (forFlaw) return forFlaw;
  const warm = species.chillBelowC !== null && species.chillBelowC > 4;
  const toOpen = ['amaryllis', 'carnation', 'spray-carnation'].includes(species.key);
  const [place, reason] = warm
    ? [toOpen ? 'the shop floor' : 'the tropical shelf', `Injured below ${species.chillBelowC} °C.`]
    : toOpen
      ? ['the shop floor', 'It opens at room temperature; the cold holds it shut.']
      : ['the cold room', `Keeps best at ${species.storeMinC} to ${species.storeMaxC} °C, away from fruit.`];
  return step('move', {
    title: `To ${place}`,
    figures: [
      figure.warmthFigure(
        warm ? species.storeMinC : species.storeMaxC,
        `${species.storeMinC} to ${species.storeMaxC} °C`,
      ),
    ],
    reason,
    doneWord: 'In its place',
  });
}

/**
 * The steps for one lot, in order: the species' own, changed by the state it came in, with the
 * house's defaults. Each carries its reason and which of the three put it there.
 */
export function composeProtocol(state: LotState): ProtocolStep[] {
  const { species, droop } = state;
  const hangs = droop === 'hanging';
  const wish = drinkWish(state);
  const steps: (ProtocolStep | null)[] = [unpackStep(state), ...flawsFirst(state)];
  if (species.key === 'tulip' || state.flaws?.includes('soil'))
    steps.push(
      step('rinse', {
        title: 'Rinse soil off the stem foot',
        reason: 'Soil in the pail is tomorrow’s cloudy water.',
        because: species.key === 'tulip' ? 'species' : 'state',
        doneWord: 'Rinsed',
      }),
    );
  steps.push(stripStep(state, wish.depthCm));
  if (species.skin === 'thorns')
    steps.push(
      step('thorns', {
        title: 'Rub thorns off only where a hand will hold',
        reason: 'Every scar lets bacteria in; whole bark keeps them out.',
        because: 'house',
        doneWord: 'Handholds clear',
        caution: 'Thorns: thick gloves.',
      }),
    );
  if (species.sap === 'mucilage') steps.push(mucilageSoak(state));
  else steps.push(cutStep(state, hangs), hotDipStep(state, hangs));
  if (species.sap === 'latex') steps.push(...latexSteps(state));
  steps.push(
    ...specialsBeforeDrink(state),
    drinkStep(state),
    lookBack(state),
    ...specialsAfterDrink(state),
    ...afterFlaws(state),
    keepStep(state),
  );
  return steps.filter((s): s is ProtocolStep => s !== null);
}

/** Whether two lots may stand in one pail: own kind while sap runs, else same water and depth. */
export function mayShareWater(a: PailWish, b: PailWish): boolean {
  return !a.alone && !b.alone && a.solution === b.solution && a.depth === b.depth;
}
