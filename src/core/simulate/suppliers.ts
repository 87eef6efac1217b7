import type { FlawKind } from '../dock/flaws';
import type { Route } from '../vase-life/journey';

/** What a made-up supplier grows, how it sends it, and the faults that are in it without being said. */
export interface MadeUpSupplier {
  readonly name: string;
  readonly refPrefix: string;
  readonly lines: readonly MadeUpLine[];
  readonly hidden: {
    /** Chance that a whole van stood warm on its way. */
    readonly warmVan: number;
    /** Chance that a line is a bunch short. */
    readonly short: number;
    /** Chance of each flaw in a line, and the share of its stems that have it. */
    readonly flaws: Partial<Record<FlawKind, readonly [chance: number, share: number]>>;
    /** Days the flowers are older than the note says. */
    readonly olderDays: number;
  };
}

interface MadeUpLine {
  readonly product: string;
  readonly speciesKey: string;
  readonly varieties: readonly (readonly [variety: string, colour: string])[];
  readonly stemsPerBunch: number;
  readonly bunches: readonly [least: number, most: number];
  readonly lengthCm: number;
  readonly cutDaysBefore: number;
  readonly origin: Route;
  readonly packing: string;
  readonly price: number;
}

const line = (
  product: string,
  speciesKey: string,
  varieties: MadeUpLine['varieties'],
  [stemsPerBunch, least, most, lengthCm]: readonly [number, number, number, number],
  [cutDaysBefore, origin, packing, price]: readonly [number, Route, string, number],
): MadeUpLine => ({
  product,
  speciesKey,
  varieties,
  stemsPerBunch,
  bunches: [least, most],
  lengthCm,
  cutDaysBefore,
  origin,
  packing,
  price,
});

/** The suppliers of the demo's harbour town. All invented, faults too. */
export const MADE_UP_SUPPLIERS: readonly MadeUpSupplier[] = [
  {
    name: 'Norrholt Growers',
    refPrefix: 'QN',
    hidden: {
      warmVan: 0.12,
      short: 0.1,
      olderDays: 0,
      flaws: { broken: [0.12, 0.08], 'bruised-outer': [0.25, 0.3], soil: [0.3, 0.5], blown: [0.05, 0.15] },
    },
    lines: [
      line(
        'Rose',
        'rose',
        [
          ['Pale Ferry', 'blush'],
          ['Evening Buoy', 'red'],
        ],
        [20, 4, 9, 60],
        [6, 'highland farms by air', 'dry box', 0.62],
      ),
      line(
        'Tulip',
        'tulip',
        [
          ['Harbour mix', 'mixed'],
          ['Lamplighter', 'yellow'],
        ],
        [10, 6, 12, 38],
        [2, 'glasshouse by road', 'dry crate', 0.34],
      ),
      line(
        'Daffodil, single',
        'daffodil',
        [['Lantern', 'yellow']],
        [10, 3, 7, 35],
        [2, 'local field', 'dry crate', 0.18],
      ),
      line(
        'Oriental lily',
        'lily-oriental',
        [['Long Quay', 'white']],
        [10, 2, 5, 80],
        [4, 'glasshouse by road', 'wet pack', 1.35],
      ),
      line(
        'Hydrangea',
        'hydrangea',
        [['Slate', 'blue']],
        [5, 1, 3, 60],
        [4, 'glasshouse by road', 'capped', 2.4],
      ),
      line(
        'Gerbera',
        'gerbera',
        [
          ['Signal', 'orange'],
          ['Beacon', 'pink'],
        ],
        [10, 2, 5, 50],
        [3, 'glasshouse by road', 'dry box', 0.48],
      ),
      line(
        'Amaryllis',
        'amaryllis',
        [['Red Buoy', 'red']],
        [10, 1, 2, 60],
        [4, 'glasshouse by road', 'wet pack', 2.1],
      ),
      line(
        'Lisianthus',
        'lisianthus',
        [['Spray of Foam', 'white']],
        [10, 2, 4, 65],
        [4, 'glasshouse by road', 'dry box', 0.95],
      ),
    ],
  },
  {
    name: 'Pellinor Air Flowers',
    refPrefix: 'PA',
    hidden: {
      warmVan: 0.35,
      short: 0.05,
      olderDays: 2,
      flaws: {
        'grey-mould': [0.3, 0.2],
        'brown-buds': [0.15, 0.2],
        chilled: [0.1, 0.5],
        'cut-dry': [0.15, 0.9],
      },
    },
    lines: [
      line(
        'Rose',
        'rose',
        [
          ['Night Crossing', 'deep red'],
          ['Driftglass', 'cream'],
        ],
        [20, 4, 10, 60],
        [6, 'highland farms by air', 'dry box', 0.55],
      ),
      line(
        'Spray rose',
        'spray-rose',
        [['Tansy', 'cream']],
        [10, 3, 6, 50],
        [6, 'highland farms by air', 'dry box', 0.71],
      ),
      line(
        'Carnation',
        'carnation',
        [['Foghorn', 'coral']],
        [20, 3, 6, 65],
        [8, 'highland farms by air', 'dry box', 0.29],
      ),
      line(
        'Bird of paradise',
        'bird-of-paradise',
        [['Ferrymast', 'orange']],
        [10, 1, 2, 80],
        [7, 'island farms by sea and air', 'dry box', 1.8],
      ),
      line(
        'Anthurium',
        'anthurium',
        [['Buoy', 'red']],
        [8, 1, 2, 60],
        [8, 'island farms by sea and air', 'dry box', 3.2],
      ),
      line(
        'Alstroemeria',
        'alstroemeria',
        [['Driftwood', 'apricot']],
        [10, 3, 6, 70],
        [5, 'highland farms by air', 'dry box', 0.39],
      ),
    ],
  },
  {
    name: 'Brae Coast Foliage',
    refPrefix: 'BC',
    hidden: {
      warmVan: 0.1,
      short: 0.25,
      olderDays: 0,
      flaws: { 'yellow-leaves': [0.25, 0.15], nectar: [0.2, 0.3], broken: [0.15, 0.1] },
    },
    lines: [
      line(
        'Eucalyptus',
        'eucalyptus',
        [['Round leaf', 'grey']],
        [5, 3, 8, 70],
        [5, 'coast farms by road', 'dry box', 0.9],
      ),
      line(
        'Mimosa',
        'mimosa',
        [['First Light', 'yellow']],
        [5, 2, 5, 60],
        [3, 'coast farms by road', 'sleeve', 0.95],
      ),
      line(
        'Leatherleaf fern',
        'leatherleaf',
        [['Plain', 'green']],
        [20, 3, 6, 50],
        [6, 'coast farms by road', 'dry box', 0.14],
      ),
      line(
        'Statice',
        'statice',
        [['Low Tide', 'lilac']],
        [10, 2, 4, 60],
        [5, 'coast farms by road', 'dry box mesh', 0.45],
      ),
      line(
        'Tweedia',
        'tweedia',
        [['Skerry', 'blue']],
        [10, 1, 3, 55],
        [4, 'coast farms by road', 'wet pack', 0.85],
      ),
    ],
  },
];
