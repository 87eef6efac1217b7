import { DAY_MS } from '../core/calendar/spans';
import { openBox, vanOn, type BoxFound, type Van } from '../core/simulate/van';

/** Who and what the demo shop is made of. All invented. */
export const DEMO_SHOP = { slug: 'slow-tide', name: 'The Slow Tide, Skerrow', timeZone: 'Etc/UTC' } as const;

export const DEMO_PEOPLE = [
  { name: 'Ilse', role: 'owner', login: 'ilse', secret: 'slow water' },
  { name: 'Wen', role: 'hand', login: null, secret: '2468' },
  { name: 'Bram', role: 'hand', login: null, secret: '2468' },
  { name: 'Tove', role: 'hand', login: null, secret: '2468' },
] as const;

export const DEMO_ROOMS = [
  { name: 'Bench', kind: 'bench', tempC: 17, humidityPct: 62, litHours: 11 },
  { name: 'Cold room', kind: 'cold', tempC: 3.4, humidityPct: 88, litHours: 2 },
  { name: 'Warm shelf', kind: 'warm', tempC: 15, humidityPct: 80, litHours: 10 },
  { name: 'Shop floor', kind: 'floor', tempC: 18.5, humidityPct: 58, litHours: 12 },
] as const;

export interface DemoPail {
  readonly name: string;
  readonly sizeL: number;
  readonly heightCm: number;
  readonly state: 'dirty' | 'scrubbed' | 'sanitised';
}

const pail = (i: number, tall: boolean, state: DemoPail['state']): DemoPail => ({
  name: String(i + 1),
  sizeL: tall ? 12 : 7,
  heightCm: tall ? 36 : 24,
  state,
});

/** Pails by name: tall 12 L ones first, then lower ones; the state they start the day in. */
export const DEMO_PAILS: readonly DemoPail[] = Array.from({ length: 24 }, (_, i) =>
  pail(i, i < 14, i < 18 ? 'sanitised' : i < 22 ? 'dirty' : 'scrubbed'),
);

/** Those that a shop at work has besides; each starts clean, and what was done with it since is told. */
export const MORE_PAILS: readonly DemoPail[] = Array.from({ length: 52 }, (_, i) =>
  pail(DEMO_PAILS.length + i, i % 4 < 3, 'sanitised'),
);

interface DemoLine {
  readonly product: string;
  readonly variety: string;
  readonly colour: string;
  readonly speciesKey: string;
  readonly bunches: number;
  readonly stemsPerBunch: number;
  readonly cutDaysBefore: number;
  readonly origin: string;
  readonly packing: string;
  readonly unitPrice: number;
}

const line = (
  product: string,
  speciesKey: string,
  variety: string,
  colour: string,
  bunches: number,
  stemsPerBunch: number,
  cutDaysBefore: number,
  origin: string,
  packing: string,
  unitPrice: number,
): DemoLine => ({
  product,
  speciesKey,
  variety,
  colour,
  bunches,
  stemsPerBunch,
  cutDaysBefore,
  origin,
  packing,
  unitPrice,
});

/** What came in two days before the demo starts, processed and standing in its pails. */
export const DEMO_EARLIER_LINES: readonly DemoLine[] = [
  line('Rose', 'rose', 'Evening Buoy', 'red', 3, 20, 5, 'highland farms by air', 'dry box', 0.58),
  line('Gerbera', 'gerbera', 'Signal', 'orange', 2, 10, 3, 'glasshouse by road', 'dry box', 0.48),
  line(
    'Oriental lily',
    'lily-oriental',
    'Long Quay',
    'white',
    2,
    10,
    4,
    'glasshouse by road',
    'wet pack',
    1.35,
  ),
  line('Tweedia', 'tweedia', 'Skerry', 'blue', 2, 10, 4, 'glasshouse by road', 'wet pack', 0.85),
  line('Eucalyptus', 'eucalyptus', 'Round leaf', 'grey', 3, 5, 6, 'coast farms by road', 'dry box', 0.9),
  line('Statice', 'statice', 'Low Tide', 'lilac', 2, 10, 5, 'glasshouse by road', 'dry box mesh', 0.45),
  line('Carnation', 'carnation', 'Foghorn', 'coral', 2, 20, 8, 'highland farms by air', 'dry box', 0.29),
];

export const DEMO_SUPPLIER = 'Norrholt Growers';

export function dayBefore(day: Date, days: number): string {
  return new Date(day.getTime() - days * DAY_MS).toISOString().slice(0, 10);
}

/** What the demo's vans are drawn from. */
const DEMO_VAN_SEED = 20_261;

/** The van of a morning in the demo's town. */
export const demoVan = (day: Date): Van => vanOn(dayBefore(day, 0), DEMO_VAN_SEED);

/** What is in a box of a van, where the demo's own suppliers sent it; null for any other. */
export function demoBox(supplier: string, deliveryRef: string, line: number, came: Date): BoxFound | null {
  const van = demoVan(came);
  // A lot bears its line of the file, where the heading is the first.
  const found = van.lines.find((l) => l.line + 1 === line);
  if (van.supplier !== supplier || van.deliveryRef !== deliveryRef || !found) return null;
  return openBox(found, BOX_SAMPLE, DEMO_VAN_SEED + Math.floor(came.getTime() / DAY_MS));
}
const BOX_SAMPLE = 20;

/** The note of that day's van as CSV, dated to it, so that a try-out always has a van at the door. */
export function demoNoteCsv(day: Date): string {
  const heading =
    'delivery_ref,supplier,line,product,variety,colour,length_cm,bunches,stems_per_bunch,heads_min,weight_g,cut_date,origin,packing,unit_price,currency';
  const quoted = (text: string): string => (text.includes(',') ? `"${text}"` : text);
  const van = demoVan(day);
  const rows = van.lines.map((l) =>
    [
      van.deliveryRef,
      van.supplier,
      l.line,
      quoted(l.product),
      l.variety,
      l.colour,
      l.lengthCm,
      l.bunches,
      l.stemsPerBunch,
      '',
      '',
      l.cutDate,
      l.origin,
      l.packing,
      l.unitPrice.toFixed(2),
      'EUR',
    ].join(','),
  );
  return [heading, ...rows].join('\n') + '\n';
}
