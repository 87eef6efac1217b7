import * as v from 'valibot';
import { skinCaution } from './cautions';
import { CLOCKLESS, list, NOTHING, stepKind, type ParamsIn, type Said } from './descriptor';
import { flag, oneOf, words, WRAPPINGS } from './params';

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

const UNPACK = { off: v.pipe(v.array(oneOf(WRAPPINGS)), v.maxLength(7)), keepsSleeve: flag };
function unpackSaid({ off, keepsSleeve }: ParamsIn<typeof UNPACK>): Said {
  const rest = off.filter((o) => o !== 'mesh' && o !== 'bract');
  const first = off.includes('mesh')
    ? 'Roll the mesh up from the stem end, shake open gently'
    : keepsSleeve
      ? 'Out of the box, but leave the sleeve on'
      : `${capital(list(rest))} off`;
  return {
    title: off.includes('bract') ? `${first}; slip off the papery bract` : first,
    doneWord: 'Unpacked',
    risk: 'Pulled over the heads, paper and mesh break them.',
  };
}

const DISCARDED = ['mould', 'broken', 'brown buds', 'dropped necks', 'done for', 'lowest florets'] as const;
const DISCARD: Readonly<Record<(typeof DISCARDED)[number], Said>> = {
  mould: {
    title: 'Bin what is soft or furred; pull spotted petals; stand the rest apart',
    doneWord: 'Sorted',
    stems: 'those with mould',
    caution: 'Spores: bin it in a closed bag, wash hands before the next bunch.',
  },
  broken: {
    title: 'Shorten at the break what will serve short; bin the rest',
    doneWord: 'Sorted',
    stems: 'those broken',
  },
  'brown buds': {
    title: 'Pinch off brown buds; bin stems with no sound one left',
    doneWord: 'Sorted',
    stems: 'those with brown buds',
  },
  'dropped necks': {
    title: 'Bin those whose neck has dropped',
    doneWord: 'Binned',
    stems: 'those that hang',
  },
  'done for': { title: 'Bin what still hangs', doneWord: 'Binned', stems: 'those that hang' },
  'lowest florets': { title: 'Pull the lowest florets that have gone', doneWord: 'Pulled' },
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
    says: (p) => ({ title: `Count ${p.by}`, doneWord: 'Counted' }),
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
    says: (p) => ({ title: `Look at ${list(p.checks) || 'every bunch'}`, doneWord: 'Looked at' }),
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
    says: () => ({ title: 'Rinse soil off the stem foot', doneWord: 'Rinsed' }),
  }),
};
