/** Who and what the demo shop is made of. All invented. */
export const DEMO_SHOP = { slug: 'slow-tide', name: 'The Slow Tide, Skerrow', timeZone: 'Etc/UTC' } as const;

export const DEMO_PEOPLE = [
  { name: 'Ilse', role: 'manager', login: 'ilse', secret: 'slow water' },
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

/** Pails by name: tall 12 L ones first, then lower ones; the state they start the day in. */
export const DEMO_PAILS = Array.from({ length: 24 }, (_, i) => {
  const tall = i < 14;
  const state = i < 18 ? 'sanitised' : i < 22 ? 'dirty' : 'scrubbed';
  return { name: String(i + 1), sizeL: tall ? 12 : 7, heightCm: tall ? 36 : 24, state } as const;
});

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

/** This morning's delivery note, as the supplier sends it. */
export const DEMO_NOTE_LINES: readonly DemoLine[] = [
  line('Rose', 'rose', 'Pale Ferry', 'blush', 8, 20, 6, 'highland farms by air', 'dry box', 0.62),
  line('Tulip', 'tulip', 'Harbour mix', 'mixed', 10, 10, 2, 'glasshouse by road', 'dry crate', 0.34),
  line('Daffodil, single', 'daffodil', 'Lantern', 'yellow', 6, 10, 2, 'local field', 'dry crate', 0.18),
  line('Hydrangea', 'hydrangea', 'Slate', 'blue', 2, 5, 4, 'glasshouse by road', 'capped', 2.4),
  line(
    'Bird of paradise',
    'bird-of-paradise',
    'Ferrymast',
    'orange',
    1,
    10,
    7,
    'island farms by sea and air',
    'dry box',
    1.8,
  ),
  line('Amaryllis', 'amaryllis', 'Red Buoy', 'red', 2, 10, 4, 'glasshouse by road', 'wet pack', 2.1),
  line('Mimosa', 'mimosa', 'First Light', 'yellow', 4, 5, 3, 'coast farms by road', 'sleeve', 0.95),
];

export const DEMO_SUPPLIER = 'Norrholt Growers';

export function dayBefore(day: Date, days: number): string {
  return new Date(day.getTime() - days * 86_400_000).toISOString().slice(0, 10);
}

/** The note of that day as CSV, dated to it, so that a try-out always has a van at the door. */
export function demoNoteCsv(day: Date): string {
  const heading =
    'delivery_ref,supplier,line,product,variety,colour,length_cm,bunches,stems_per_bunch,heads_min,weight_g,cut_date,origin,packing,unit_price,currency';
  const ref = `QN-${dayBefore(day, 0).slice(5).replace('-', '')}`;
  const quoted = (text: string): string => (text.includes(',') ? `"${text}"` : text);
  const rows = DEMO_NOTE_LINES.map((l, i) =>
    [
      ref,
      DEMO_SUPPLIER,
      i + 1,
      quoted(l.product),
      l.variety,
      l.colour,
      55,
      l.bunches,
      l.stemsPerBunch,
      '',
      '',
      dayBefore(day, l.cutDaysBefore),
      l.origin,
      l.packing,
      l.unitPrice.toFixed(2),
      'EUR',
    ].join(','),
  );
  return [heading, ...rows].join('\n') + '\n';
}
