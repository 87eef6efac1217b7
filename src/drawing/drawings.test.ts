import * as fc from 'fast-check';
import { createElement, type ComponentProps } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { FLAW_KINDS } from '@/core/dock/flaws';
import { SHIPPED_SPECIES } from '@/core/species/registry';
import { Beaker } from './beaker';
import { petalColour } from './colours';
import { FlawMark, flawPlace } from './flaw-mark';
import { LifeLine } from './life-line';
import { Pail } from './pail';
import { Qr } from './qr';
import { NECK_DEGREES, Stem } from './stem';

const stem = (props: ComponentProps<typeof Stem>): string => renderToStaticMarkup(createElement(Stem, props));
const pail = (props: ComponentProps<typeof Pail>): string => renderToStaticMarkup(createElement(Pail, props));
/** A drawing that a browser can draw: no number in it is none, and no word stands for one. */
function expectSound(svg: string): void {
  expect(svg).toMatch(/^<svg /);
  expect(svg).not.toMatch(/NaN|undefined|Infinity|null/);
}
const count = (svg: string, what: string): number => svg.split(what).length - 1;

const droop = fc.constantFrom('firm' as const, 'soft' as const, 'hanging' as const);
const share = fc.double({ min: 0, max: 1, noNaN: true });

describe('a stem', () => {
  test('of every species, at every stage, however it hangs, can be drawn', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SHIPPED_SPECIES.all),
        fc.double({ min: -0.2, max: 1.5, noNaN: true }),
        droop,
        fc.option(fc.constantFrom('red', 'white', 'no such colour')),
        fc.boolean(),
        share,
        ({ habit }, stage, hangs, colour, closeUp, water) => {
          expectSound(stem({ habit, stage, droop: hangs, colour, closeUp, water, cutMark: true }));
        },
      ),
      { numRuns: 300 },
    );
  });

  test('opens as it is told: a bud, an open head and a blown one are three drawings', () => {
    for (const { habit } of SHIPPED_SPECIES.all) {
      const at = (stage: number): string => stem({ habit, stage, droop: 'firm', colour: 'red' });
      expect([habit, new Set([at(0), at(0.5), at(1), at(1.2)]).size]).toEqual([habit, 4]);
    }
  });

  test('hangs further the limper it is, and its water stands as deep as it is said', () => {
    expect(NECK_DEGREES.firm).toBe(0);
    expect(NECK_DEGREES.soft).toBeGreaterThan(20);
    expect(NECK_DEGREES.hanging).toBeGreaterThan(90);
    const water = (depth: number): number =>
      Number(
        /<rect[^>]* height="([\d.]+)"/.exec(
          stem({ habit: 'cup', stage: 0, droop: 'firm', colour: null, water: depth }),
        )?.[1] ?? 0,
      );
    expect(water(0)).toBe(0);
    expect(water(0.5)).toBeCloseTo(75, 6);
    expect(water(1)).toBeGreaterThan(water(0.5));
  });

  test('with words beside it it is hidden from readers; alone it says what it shows', () => {
    const plain = { habit: 'disc', stage: 0.9, droop: 'firm', colour: null } as const;
    expect(stem(plain)).toContain('aria-hidden="true"');
    expect(stem({ ...plain, title: 'Gerbera, firm' })).toContain('aria-label="Gerbera, firm"');
  });
});

describe('a pail', () => {
  const FILLED = { sizeL: 10, state: 'filled', litres: 4, clarity: 'clear', stems: [] } as const;

  test('in every state, however full, can be drawn; no more than a dozen stems stand in it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(2, 5, 10, 20),
        fc.constantFrom(
          'dirty' as const,
          'scrubbed' as const,
          'contact' as const,
          'sanitised' as const,
          'filled' as const,
        ),
        fc.double({ min: 0, max: 30, noNaN: true }),
        fc.constantFrom('clear' as const, 'hazy' as const, 'cloudy' as const),
        fc.array(fc.constantFrom('#b5384a', '#f6f2e9'), { maxLength: 30 }),
        (sizeL, state, litres, clarity, stems) => {
          const svg = pail({ sizeL, state, litres, clarity, stems });
          expectSound(svg);
          expect(count(svg, 'a5.5 5.5 0 1 0 11 0')).toBe(Math.min(12, stems.length));
          expect(count(svg, 'Q')).toBe(Math.min(12, stems.length));
        },
      ),
      { numRuns: 200 },
    );
  });

  test('each state is told by its shape, not by colour alone', () => {
    const of = (state: ComponentProps<typeof Pail>['state']): string => pail({ ...FILLED, state });
    expect(of('sanitised')).toContain('rotate(180');
    expect(of('contact')).toContain('<circle');
    const states = (['dirty', 'scrubbed', 'contact', 'sanitised', 'filled'] as const).map(of);
    expect(new Set(states.map((svg) => svg.replace(/(fill|stroke)="[^"]*"/g, ''))).size).toBe(5);
  });

  test('the murkier its water, the more it is stippled; the same pail always looks the same', () => {
    const dots = (clarity: 'clear' | 'hazy' | 'cloudy'): number => count(pail({ ...FILLED, clarity }), 'h0');
    expect(dots('clear')).toBe(0);
    expect(dots('hazy')).toBeGreaterThan(5);
    expect(dots('cloudy')).toBeGreaterThan(2 * dots('hazy'));
    expect(pail({ ...FILLED, clarity: 'cloudy' })).toBe(pail({ ...FILLED, clarity: 'cloudy' }));
  });
});

describe('small drawings', () => {
  test('every flaw has its own, and sits somewhere on the stem', () => {
    const drawn = FLAW_KINDS.map((kind) => renderToStaticMarkup(createElement(FlawMark, { kind })));
    drawn.forEach(expectSound);
    expect(new Set(drawn).size).toBe(FLAW_KINDS.length);
    for (const kind of FLAW_KINDS) expect(['head', 'leaf', 'stem', 'foot']).toContain(flawPlace(kind));
    expect(flawPlace('yellow-leaves')).toBe('leaf');
    expect(flawPlace('broken')).toBe('stem');
  });

  test('a figure is drawn as what it is; hot water otherwise than cold', () => {
    const of = (drawn: 'depth' | 'warmth' | 'length' | 'time' | 'dose', level: number): string =>
      renderToStaticMarkup(createElement(Beaker, { figure: { drawn, level } }));
    for (const drawn of ['depth', 'warmth', 'length', 'time', 'dose'] as const)
      for (const level of [0, 0.3, 5, 98, 5000]) expectSound(of(drawn, level));
    expect(of('warmth', 60)).toContain('var(--rust)');
    expect(of('warmth', 6)).not.toContain('var(--rust)');
  });

  test('a label’s code has its quiet edge, says its text, and is another for every text', () => {
    const code = (text: string): string => renderToStaticMarkup(createElement(Qr, { text, sizePx: 90 }));
    const one = code('P12-AB');
    expectSound(one);
    expect(one).toContain('aria-label="Code P12-AB"');
    expect(code('P12-AC')).not.toBe(one);
    // Nothing dark within four squares of any edge.
    const side = Number(/viewBox="0 0 (\d+)/.exec(one)?.[1]);
    for (const [, x, y] of one.matchAll(/M(\d+) (\d+)h/g)) {
      expect(Number(x)).toBeGreaterThanOrEqual(4);
      expect(Number(y)).toBeGreaterThanOrEqual(4);
      expect(Number(y)).toBeLessThan(side - 4);
    }
  });

  test('a life line can be drawn of any lot, also one that is over', () => {
    const line = (shareByDay: number[], p50: number): string =>
      renderToStaticMarkup(
        createElement(LifeLine, {
          scale: { pastDays: 6, aheadDays: 20 },
          daysSinceCut: 4,
          daysSinceArrival: 1,
          shareByDay,
          p10: p50 - 1,
          p50,
          p90: p50 + 2,
          label: 'about five days',
        }),
      );
    fc.assert(
      fc.property(
        fc.array(share, { minLength: 1, maxLength: 41 }),
        fc.integer({ min: 0, max: 40 }),
        (shares, p50) => {
          const falling = [...shares].sort((a, b) => b - a);
          expectSound(line(falling, p50));
        },
      ),
    );
    expectSound(line([0], 0));
    expect(line([1, 0.5, 0], 2)).toContain('aria-label="about five days"');
  });
});

test.each([
  ['red', 'rot', 'rouge', 'rojo', 'rood', 'rosso', 'czerwona', 'vermelha', 'röd'],
  ['white', 'weiß', 'blanc', 'blanca', 'wit', 'bianco', 'biała', 'branco', 'hvid'],
  ['yellow', 'gelb', 'jaune', 'amarillo', 'geel', 'giallo', 'żółta', 'gul'],
  ['pink', 'rosa', 'rosado', 'roze', 'różowa', 'hot pink', 'dusty pink'],
  ['deep red', 'burgundy', 'bordeaux', 'dunkelrot'],
  ['blue', 'blau', 'bleu', 'azul', 'blauw', 'niebieska'],
  ['mixed', 'gemischt', 'mezcla', 'assorted', 'mix'],
])('petals that are %s are drawn so in every language', (english, ...others) => {
  for (const word of others) expect([word, petalColour(word)]).toEqual([word, petalColour(english)]);
});

test('a colour nobody knows, or none, is drawn muted; case and blanks are nothing', () => {
  expect(petalColour(null)).toBe(petalColour('no such colour'));
  expect(petalColour(' Red ')).toBe(petalColour('red'));
  expect(petalColour('red')).not.toBe(petalColour(null));
});
