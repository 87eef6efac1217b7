import { DAY_MS, HOUR_MS } from '../../core/calendar/spans';
import { SPECIES } from '../../core/species/species';

export const LOTS_A_DELIVERY = 10;
export const STEPS_A_LOT = 8;
export const ENTRIES_A_LOT = 15;
/** Of a hundred arrangements so many never got their card. */
const WITHOUT_CARD_PERCENT = 2;
export const STEMS_A_LOT = 60;
export const STEMS_A_LINE = 5;
export const SUPPLIERS = ['Norrholt Growers', 'Pellinor Air Flowers', 'Brae Coast Foliage'];

export type Cell = string | number | boolean | null | Date | object;
export interface HistoryTable {
  readonly table: string;
  readonly columns: readonly string[];
  readonly rows: () => Iterable<readonly Cell[]>;
}

/** The shop that a history is put behind. */
export interface ShopThere {
  readonly shopId: string;
  readonly people: readonly string[];
  readonly benchId: string;
  readonly pails: readonly string[];
  /** One step as it is kept, of any lot. */
  readonly step: object;
  readonly today: Date;
  /** First numbers that are free. */
  readonly firstLot: number;
  readonly firstClaim: number;
}

/** An id of the nth thing of its kind, of the time it came: the same for the same. */
export function idOf(kind: number, n: number, at: Date): string {
  const time = at.getTime().toString(16).padStart(12, '0');
  const rest = n.toString(16).padStart(12, '0');
  return `${time.slice(0, 8)}-${time.slice(8)}-7${kind.toString(16).padStart(3, '0')}-8000-${rest}`;
}

export function* upTo(count: number): Generator<number> {
  for (let n = 0; n < count; n++) yield n;
}

export interface Sizes {
  readonly deliveries: number;
  readonly arrangements: number;
  readonly claims: number;
  readonly orders: number;
  readonly days: number;
}

/** Things of one kind, evenly over the years, the last of them the day before yesterday. */
export class Years {
  constructor(
    readonly shop: ShopThere,
    readonly sizes: Sizes,
  ) {}

  at(n: number, count: number): Date {
    const back = 2 + ((count - 1 - n) / count) * this.sizes.days;
    return new Date(this.shop.today.getTime() - back * DAY_MS);
  }
  person = (n: number): string => this.shop.people[n % this.shop.people.length] ?? '';
  deliveryAt = (d: number): Date => this.at(d, this.sizes.deliveries);
  delivery = (d: number): string => idOf(1, d, this.deliveryAt(d));
  lotAt = (n: number): Date => this.deliveryAt(Math.floor(n / LOTS_A_DELIVERY));
  lot = (n: number): string => idOf(2, n, this.lotAt(n));
  portion = (n: number): string => idOf(3, n, this.lotAt(n));
  get lots(): number {
    return this.sizes.deliveries * LOTS_A_DELIVERY;
  }
  species = (n: number): string => SPECIES[n % SPECIES.length]?.key ?? 'rose';
  madeAt = (n: number): Date => this.at(n, this.sizes.arrangements);
  arrangement = (n: number): string => idOf(6, n, this.madeAt(n));
  /** Lots an arrangement is made of, the same number of stems from each. */
  lotsOf = (n: number): number[] =>
    [0, 1, 2].map((k) => Math.floor((n * this.lots) / this.sizes.arrangements + k) % this.lots);
  #made: Uint16Array | null = null;
  /** Stems of a lot that went into arrangements. */
  madeOf(lot: number): number {
    if (!this.#made) {
      this.#made = new Uint16Array(this.lots);
      for (const n of upTo(this.sizes.arrangements))
        for (const of of this.lotsOf(n)) this.#made[of] = (this.#made[of] ?? 0) + STEMS_A_LINE;
    }
    return this.#made[lot] ?? 0;
  }
  hasCard = (n: number): boolean => n % 100 >= WITHOUT_CARD_PERCENT;
}

export const later = (at: Date, hours: number): Date => new Date(at.getTime() + hours * HOUR_MS);
