import { SeededStream } from '@/core/random';
import { COLOURS, LANGUAGES, NAMES, PHRASES, UNITS, type HeadingKey, type Language } from './note-words';

export const LAYOUTS = [
  'bunches and stems a bunch',
  'bunches and "stems", each',
  'bunches and "stems", in all',
  'stems in all',
  'quantity and unit',
  'phrases',
  'ordered and shipped',
  'quantity and pack',
  'boxes',
  'bunches, stems a bunch and in all',
] as const;

export type Layout = (typeof LAYOUTS)[number];

/** Draws for one note. */
export class Draw {
  private readonly random = new SeededStream();
  constructor(seed: number) {
    this.random.begin(seed, 15);
  }
  whole(from: number, to: number): number {
    return from + Math.floor(this.random.uniform() * (to - from + 1));
  }
  one<T>(of: readonly T[]): T {
    return of[this.whole(0, of.length - 1)] as T;
  }
  chance(share: number): boolean {
    return this.random.uniform() < share;
  }
}

export const NOTE_DAY = Date.UTC(2026, 10, 24);
export const isoOf = (time: number): string => new Date(time).toISOString().slice(0, 10);
const two = (n: number): string => String(n).padStart(2, '0');
export const DATE_STYLES: readonly ((d: Date) => string)[] = [
  (d) => isoOf(d.getTime()),
  (d) => `${two(d.getUTCDate())}.${two(d.getUTCMonth() + 1)}.${d.getUTCFullYear()}`,
  (d) => `${d.getUTCDate()}/${d.getUTCMonth() + 1}/${d.getUTCFullYear()}`,
  (d) => `${two(d.getUTCDate())}-${two(d.getUTCMonth() + 1)}-${String(d.getUTCFullYear()).slice(2)}`,
  (d) => `${d.getUTCMonth() + 1}/${d.getUTCDate()}/${d.getUTCFullYear()}`,
];

export interface Habit {
  readonly decimal: ',' | '.';
  readonly thousands: '' | '.' | ',' | ' ' | "'";
  readonly date: (d: Date) => string;
}

function counted(n: number, { thousands }: Habit): string {
  return thousands === '' ? String(n) : String(n).replace(/\B(?=(\d{3})+$)/g, thousands);
}
export const money = (n: number, { decimal }: Habit): string => n.toFixed(2).replace('.', decimal);

/** One flower of a note, before anybody writes it down. */
export interface Flower {
  readonly key: string;
  readonly name: string;
  readonly bunches: number;
  readonly perBunch: number;
  readonly price: number;
  readonly cut: Date;
  readonly length: number;
}

export type Cells = Partial<Record<HeadingKey, string>>;

/** The name as it stands in a note: bare, or with its colour and length, or a variety in quotes. */
function nameOf(draw: Draw, language: Language, key: string): string {
  const bare = NAMES[key]?.[LANGUAGES.indexOf(language)] ?? key;
  const colour = draw.one(COLOURS[language]);
  return draw.one([
    bare,
    bare,
    `${bare} ${colour}`,
    `${bare} 60cm`,
    `${bare} ${colour} 70 cm`,
    `${bare} 'Harbour Light' 60`,
    bare.toUpperCase(),
  ]);
}

const BUNCH_SIZES = [5, 10, 20, 25] as const;

export function flowersOf(draw: Draw, language: Language): Flower[] {
  const keys = Object.keys(NAMES);
  return Array.from({ length: draw.whole(2, 8) }, () => {
    const key = draw.one(keys);
    return {
      key,
      name: nameOf(draw, language, key),
      bunches: draw.chance(0.05) ? draw.whole(100, 220) : draw.whole(1, 30),
      perBunch: draw.one(BUNCH_SIZES),
      price: draw.whole(10, 320) / 100,
      cut: new Date(NOTE_DAY - draw.whole(0, 9) * 86_400_000),
      length: draw.whole(4, 9) * 10,
    };
  });
}

/** Columns of a layout, and what each flower's cells say in them. */
export function layoutOf(
  layout: Layout,
  draw: Draw,
  language: Language,
  habit: Habit,
): { keys: HeadingKey[]; cells: (f: Flower) => { cells: Cells; stems: number | null; weightG?: number } } {
  const n = (x: number): string => counted(x, habit);
  const units = UNITS[language];
  const withMoney = draw.chance(0.6);
  const priced = (f: Flower, per: number): Cells => ({
    price: money(f.price, habit),
    amount: money(Math.round(f.price * per * 100) / 100, habit),
  });
  const moneyKeys: HeadingKey[] = withMoney ? ['price', 'amount'] : ['price'];
  switch (layout) {
    case 'bunches and stems a bunch':
      return {
        keys: ['bunches', 'perBunch', ...moneyKeys],
        cells: (f) => ({
          cells: { bunches: n(f.bunches), perBunch: n(f.perBunch), ...priced(f, f.bunches * f.perBunch) },
          stems: f.bunches * f.perBunch,
        }),
      };
    case 'bunches and "stems", each':
      return {
        keys: ['bunches', 'stems', ...moneyKeys],
        cells: (f) => ({
          cells: { bunches: n(f.bunches), stems: n(f.perBunch), ...priced(f, f.bunches * f.perBunch) },
          stems: f.bunches * f.perBunch,
        }),
      };
    case 'bunches and "stems", in all':
      return {
        keys: ['bunches', 'stems', ...moneyKeys],
        cells: (f) => ({
          cells: {
            bunches: n(f.bunches),
            stems: n(f.bunches * f.perBunch),
            ...priced(f, f.bunches * f.perBunch),
          },
          stems: f.bunches * f.perBunch,
        }),
      };
    case 'stems in all':
      return {
        keys: [draw.one<HeadingKey>(['stems', 'stemsInAll']), 'price'],
        cells: (f) => ({
          // A weight among the counts is a weight.
          ...(f.key === 'gypsophila' || f.key === 'eucalyptus'
            ? { cells: { stems: '600 g', stemsInAll: '600 g', ...priced(f, 1) }, stems: null, weightG: 600 }
            : {
                cells: {
                  stems: n(f.bunches * f.perBunch),
                  stemsInAll: n(f.bunches * f.perBunch),
                  ...priced(f, 1),
                },
                stems: f.bunches * f.perBunch,
              }),
        }),
      };
    case 'quantity and unit':
      return {
        keys: ['quantity', 'unit', 'pack', ...moneyKeys],
        cells: (f) => {
          const unit = draw.one(['bunch', 'stem', 'dozen', 'box', 'kg'] as const);
          const q = Math.min(f.bunches, 90);
          if (unit === 'kg')
            return {
              cells: { quantity: n(q), unit: 'kg', ...priced(f, q) },
              stems: null,
              weightG: q * 1000,
            };
          const pack = unit === 'bunch' || unit === 'box' ? f.perBunch : null;
          const stems = q * (unit === 'dozen' ? 12 : (pack ?? 1));
          return {
            cells: {
              quantity: n(q),
              unit: draw.one(units[unit]),
              pack: pack === null ? '' : n(pack),
              ...priced(f, stems),
            },
            stems,
          };
        },
      };
    case 'phrases':
      return {
        keys: ['quantity', 'price'],
        cells: (f) => ({
          cells: {
            quantity: draw
              .one(PHRASES[language])
              .replace('B', String(f.bunches))
              .replace('N', String(f.perBunch)),
            ...priced(f, 1),
          },
          stems: f.bunches * f.perBunch,
        }),
      };
    case 'ordered and shipped': {
      const unit = draw.one(units.bunch);
      return {
        keys: ['ordered', 'shipped', 'unit', 'perBunch', 'pricePerStem'],
        cells: (f) => ({
          cells: {
            ordered: n(f.bunches + draw.whole(0, 3)),
            shipped: n(f.bunches),
            unit,
            perBunch: n(f.perBunch),
            pricePerStem: money(f.price, habit),
          },
          stems: f.bunches * f.perBunch,
        }),
      };
    }
    case 'quantity and pack': {
      const ofBunches = draw.chance(0.5);
      return {
        keys: ['quantity', 'pack', ...moneyKeys],
        cells: (f) => ({
          cells: {
            quantity: n(ofBunches ? f.bunches : f.bunches * f.perBunch),
            pack: n(f.perBunch),
            ...priced(f, f.bunches * f.perBunch),
          },
          stems: f.bunches * f.perBunch,
        }),
      };
    }
    case 'boxes':
      return {
        keys: ['boxes', 'bunchesPerBox', 'perBunch', 'price'],
        cells: (f) => {
          const boxes = draw.whole(1, 4);
          return {
            cells: { boxes: n(boxes), bunchesPerBox: n(f.bunches), perBunch: n(f.perBunch), ...priced(f, 1) },
            stems: boxes * f.bunches * f.perBunch,
          };
        },
      };
    case 'bunches, stems a bunch and in all':
      return {
        keys: ['bunches', 'perBunch', 'stemsInAll', ...moneyKeys],
        cells: (f) => ({
          cells: {
            bunches: n(f.bunches),
            perBunch: n(f.perBunch),
            stemsInAll: n(f.bunches * f.perBunch),
            ...priced(f, f.bunches * f.perBunch),
          },
          stems: f.bunches * f.perBunch,
        }),
      };
  }
}
