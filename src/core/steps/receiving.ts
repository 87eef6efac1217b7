import * as v from 'valibot';
import { skinCaution } from './cautions';
import { m } from '../words/message';
import { CLOCKLESS, NOTHING, stepKind, type ParamsIn, type Said } from './descriptor';
import { checkWords, flag, oneOf, words, WRAPPINGS } from './params';

const UNPACK = { off: v.pipe(v.array(oneOf(WRAPPINGS)), v.maxLength(7)), keepsSleeve: flag };
function unpackSaid({ off, keepsSleeve }: ParamsIn<typeof UNPACK>): Said {
  const things = off.filter((o) => o !== 'mesh' && o !== 'bract').map((o) => m(`wrapping.${o}`));
  const isMore = things.length > 0;
  const first = off.includes('mesh')
    ? isMore
      ? m('step.mesh-and-off', { things })
      : m('step.roll-the-mesh-up-from-the-stem')
    : keepsSleeve
      ? isMore
        ? m('step.leave-the-sleeve-and-off', { things })
        : m('step.out-of-the-box-but-leave-the')
      : m('step.off', { things });
  return {
    title: off.includes('bract') ? m('step.and-slip-off-the-bract', { first }) : first,
    doneWord: m('done.unpacked'),
    risk: m('note.pulled-over-the-heads-paper-and-mesh'),
  };
}

const DISCARDED = ['mould', 'broken', 'brown buds', 'dropped necks', 'done for', 'lowest florets'] as const;
const DISCARD: Readonly<Record<(typeof DISCARDED)[number], Said>> = {
  mould: {
    title: m('step.bin-what-is-soft-or-furred-pull'),
    doneWord: m('done.sorted'),
    stems: m('stems.those-with-mould'),
    caution: m('caution.spores-bin-it-in-a-closed-bag'),
  },
  broken: {
    title: m('step.shorten-at-the-break-what-will-serve'),
    doneWord: m('done.sorted'),
    stems: m('stems.those-broken'),
  },
  'brown buds': {
    title: m('step.pinch-off-brown-buds-bin-stems-with'),
    doneWord: m('done.sorted'),
    stems: m('stems.those-with-brown-buds'),
  },
  'dropped necks': {
    title: m('step.bin-those-whose-neck-has-dropped'),
    doneWord: m('done.binned'),
    stems: m('stems.those-that-hang'),
  },
  'done for': {
    title: m('step.bin-what-still-hangs'),
    doneWord: m('done.binned'),
    stems: m('stems.those-that-hang'),
  },
  'lowest florets': { title: m('step.pull-the-lowest-florets-that-have-gone'), doneWord: m('done.pulled') },
};

/** What is done to a bunch as it comes out of its box. */
export const RECEIVING = {
  unpack: stepKind({
    ...CLOCKLESS,
    params: UNPACK,
    isLook: false,
    hands: { aStemS: 1 },
    uses: NOTHING,
    follows: [],
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: (p, s) => ({ ...unpackSaid(p), caution: skinCaution(s) }),
  }),
  count: stepKind({
    ...CLOCKLESS,
    params: { by: oneOf(['bunches', 'weight', 'heads']) },
    isLook: false,
    hands: { aStemS: 0 },
    uses: NOTHING,
    follows: [],
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: (p) => ({ title: m('step.count', { by: m(`counted.${p.by}`) }), doneWord: m('done.counted') }),
  }),
  inspect: stepKind({
    ...CLOCKLESS,
    params: { checks: v.pipe(v.array(words(60)), v.maxLength(12)) },
    isLook: true,
    hands: { aStemS: 0 },
    uses: NOTHING,
    follows: [],
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: (p) => ({
      title:
        p.checks.length === 0
          ? m('step.look-at-every-bunch')
          : m('step.look-at', { what: p.checks.map(checkWords) }),
      doneWord: m('done.looked-at'),
    }),
  }),
  discard: stepKind({
    ...CLOCKLESS,
    params: { what: oneOf(DISCARDED) },
    isLook: false,
    hands: { aStemS: 2 },
    uses: NOTHING,
    follows: [],
    moreCaution: null,
    measured: [],
    isDrawnCut: false,
    says: (p) => DISCARD[p.what],
  }),
  rinse: stepKind({
    ...CLOCKLESS,
    params: {},
    isLook: false,
    hands: { aStemS: 1 },
    uses: () => ['sink'],
    follows: [],
    moreCaution: 'sap',
    measured: [],
    isDrawnCut: false,
    says: () => ({ title: m('step.rinse-soil-off-the-stem-foot'), doneWord: m('done.rinsed') }),
  }),
};
