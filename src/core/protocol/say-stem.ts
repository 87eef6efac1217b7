import type { Species } from '../species/species';
import { KNIFE_CAUTION, SECATEURS_CAUTION, skinCaution } from './cautions';
import { depthFigure, lengthFigure } from './figures';
import type { ParamsOf } from './params';
import type { Need, PailWish, Skill, StepFigure } from './types';

/** How a kind of step is said; what is left out is a plain deed for everybody and all stems. */
export interface Said {
  readonly title: string;
  readonly doneWord: string;
  readonly figures?: readonly StepFigure[];
  readonly waitSeconds?: number;
  readonly who?: Skill | null;
  readonly needs?: readonly Need[];
  readonly risk?: string;
  readonly caution?: string | null;
  readonly pail?: PailWish;
  readonly stems?: string;
}

export const list = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`;
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

export function unpackSaid({ off, keepsSleeve }: ParamsOf<'unpack'>): Said {
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

export const DISCARD: Readonly<Record<ParamsOf<'discard'>['what'], Said>> = {
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

export function stripSaid({ to, keepsShare, snipped }: ParamsOf<'strip'>, depthCm: number): Said {
  const done = { doneWord: to === 'yellow' ? 'Yellow leaves off' : 'Stripped' };
  const risk = 'Torn bark lets bacteria in.';
  switch (to) {
    case 'waterline':
      return {
        ...done,
        risk,
        title: 'Strip leaves below the waterline',
        figures: [depthFigure(depthCm, 'the waterline')],
      };
    case 'lower-two':
      return { ...done, risk, title: 'Take off the two lowest leaves' };
    case 'bare':
      return { ...done, risk, title: snipped ? 'Snip the leaves off, do not tear' : 'Strip the stem bare' };
    case 'wings':
      return { ...done, title: 'Strip to the wings of the stem' };
    case 'share':
      return {
        ...done,
        risk,
        title: `Bare below the waterline; above it ${Math.round(100 - keepsShare * 100)} % of the leaves off`,
        figures: [depthFigure(depthCm, 'the waterline')],
      };
    case 'yellow':
      return { ...done, title: 'Take off every yellow leaf', stems: 'those with yellow leaves' };
    case 'all but the head':
      return { ...done, title: 'Take its leaves off, all but the head' };
  }
}

export function cutSaid(p: ParamsOf<'cut'>, species: Species): Said {
  const where = p.where === 'under water' ? ', under water' : '';
  const title = p.sliver
    ? `A sliver off, ${p.cm} cm, straight across`
    : p.split
      ? `Cut ${p.cm} cm, long slant, then once up the middle`
      : `Cut ${p.cm} cm, slanted${where}`;
  const isSecateurs = p.tool === 'secateurs';
  const who = isSecateurs ? 'secateurs' : p.tool === 'knife' ? 'knife' : null;
  return {
    title,
    doneWord: 'Cut',
    figures: [lengthFigure(p.cm, p.sliver ? 'no more' : 'off every stem')],
    who,
    needs: isSecateurs ? ['secateurs'] : [],
    risk: p.tool === 'scissors' ? 'Scissors crush the end.' : 'A blunt blade crushes the end.',
    caution: isSecateurs ? SECATEURS_CAUTION : (skinCaution(species) ?? KNIFE_CAUTION),
  };
}
