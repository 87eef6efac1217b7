import { kindsOf, lotOfKey, paramsOf, stepsOf } from '../../../tests/support/protocol-steps';
import { composeProtocol } from '../protocol/compose';
import { inEnglish } from '../words/say';
import { SHIPPED_SPECIES } from './registry';
import { hasTrait, isTropical, takesColdNights } from './traits';
import { idealArrivalStage } from './species';

const said = (key: string): string =>
  stepsOf(key)
    .map((s) => [s.title, s.reason, s.risk ?? '', s.caution ?? ''].map(inEnglish).join(' '))
    .join('\n');

/** What the trade does with each species that needs something special, said before it was looked up here. */
test('amaryllis: the bract off, the hollow stem filled and plugged, the cut end taped, no cold room', () => {
  expect(paramsOf('amaryllis', 'unpack')?.off).toContain('bract');
  expect(kindsOf('amaryllis')).toEqual(expect.arrayContaining(['fill-stem', 'wrap']));
  const { chillBelowC } = SHIPPED_SPECIES.byKey('amaryllis');
  expect(paramsOf('amaryllis', 'move')?.lowC).toBeGreaterThanOrEqual(chillBelowC ?? 5);
  expect(paramsOf('amaryllis', 'move')?.place).not.toBe('the cold room');
  expect(SHIPPED_SPECIES.byKey('amaryllis').build).toBe('hollow');
});

test('daffodil and hyacinth: not cut on arrival, alone in cool water for hours, then fresh water', () => {
  for (const key of ['daffodil', 'daffodil-double', 'hyacinth']) {
    expect([key, kindsOf(key).includes('cut')]).toEqual([key, false]);
    const soak = paramsOf(key, 'sap-soak');
    expect(soak?.company).toBe('alone');
    expect(soak?.hours).toBeGreaterThanOrEqual(3);
    expect(soak?.tempC).toBeLessThan(18);
    expect(kindsOf(key).indexOf('sap-soak')).toBeLessThan(kindsOf(key).indexOf('drink'));
  }
});

test('a thin green pencil of a daffodil is looked for where it comes tight, a fat coloured one is not', () => {
  const looks = (stage: number): string[] =>
    composeProtocol(lotOfKey('daffodil', { stage })).map((s) => s.kind);
  expect(looks(0)).toContain('inspect');
  expect(looks(idealArrivalStage(SHIPPED_SPECIES.byKey('daffodil')))).not.toContain('inspect');
});

test('tulip: the coldest water, shallow, soil rinsed, wrapped upright while it drinks, water every two days', () => {
  expect(paramsOf('tulip', 'drink')).toMatchObject({ tempC: 6 });
  expect(paramsOf('tulip', 'drink')?.depthCm).toBeLessThanOrEqual(6);
  expect(kindsOf('tulip')).toEqual(expect.arrayContaining(['rinse', 'condition-upright']));
  expect(paramsOf('tulip', 'condition-upright')?.in).toBe('paper');
  expect(paramsOf('tulip', 'strip')?.to).toBe('lower-two');
  expect(paramsOf('tulip', 'recut')?.everyHours).toBeLessThanOrEqual(48);
});

test('peony is cut under water and drinks warm before it is used', () => {
  expect(paramsOf('peony', 'cut')?.where).toBe('under water');
  expect(paramsOf('peony', 'drink')?.tempC).toBeGreaterThanOrEqual(30);
  expect(paramsOf('peony', 'drink')?.hours).toBeGreaterThanOrEqual(2);
});

test('rose: guard petals come off late, thorns only where a hand will hold', () => {
  const kinds = kindsOf('rose');
  expect(kinds.indexOf('guard-petals')).toBeGreaterThan(kinds.indexOf('drink'));
  expect(paramsOf('rose', 'thorns')?.extent).toBe('to the hand');
});

test('gerbera: a few centimetres, no leaves to strip, heads hung in a grid; a dropped neck is done', () => {
  expect(paramsOf('gerbera', 'drink')?.depthCm).toBeLessThanOrEqual(6);
  expect(kindsOf('gerbera')).not.toContain('strip');
  expect(kindsOf('gerbera')).toContain('grid');
  expect(hasTrait(SHIPPED_SPECIES.byKey('gerbera'), 'neck is lost')).toBe(true);
  // Wide on purpose: from three and a half days to twelve.
  expect(SHIPPED_SPECIES.byKey('gerbera').lifeSpread).toBeGreaterThan(0.25);
});

test('bird of paradise is never cold: its pod soaks in warm water, the florets are lifted by hand', () => {
  expect(paramsOf('bird-of-paradise', 'plunge')).toMatchObject({ part: 'pods' });
  expect(paramsOf('bird-of-paradise', 'plunge')?.minutes).toBeGreaterThanOrEqual(15);
  expect(paramsOf('bird-of-paradise', 'plunge')?.minutes).toBeLessThanOrEqual(20);
  const bird = SHIPPED_SPECIES.byKey('bird-of-paradise');
  expect(isTropical(bird)).toBe(true);
  expect(takesColdNights(bird)).toBe(false);
});

test('lilies: anthers out as the flower cracks; deadly to cats; day by day, in the bin', () => {
  for (const { key, pets } of SHIPPED_SPECIES.all.filter((s) => hasTrait(s, 'lily'))) {
    expect([key, pets]).toEqual([key, 'deadly to cats']);
    expect(paramsOf(key, 'de-pollen')).toMatchObject({ how: 'bin' });
  }
  // The calla and lily grass are no lilies.
  for (const key of ['calla', 'lily-grass'])
    expect([key, hasTrait(SHIPPED_SPECIES.byKey(key), 'lily')]).toEqual([key, false]);
});

test('calla: a sliver off and no more, shallow', () => {
  expect(paramsOf('calla', 'cut')).toMatchObject({ sliver: true });
  expect(paramsOf('calla', 'cut')?.cm).toBeLessThan(1);
  expect(paramsOf('calla', 'drink')?.depthCm).toBeLessThanOrEqual(6);
});

test('hydrangea: hot dip, then the cut into acid or alum', () => {
  const kinds = kindsOf('hydrangea');
  expect(kinds.indexOf('cut')).toBeLessThan(kinds.indexOf('hot-dip'));
  expect(kinds.indexOf('hot-dip')).toBeLessThan(kinds.indexOf('hydrating-dip'));
  expect(paramsOf('hydrangea', 'hot-dip')).toMatchObject({ tempC: 80, seconds: 30 });
});

test('dahlia: 70 to 80 °C at the cut for half a minute, then cool', () => {
  const dip = paramsOf('dahlia', 'hot-dip');
  expect(dip?.tempC).toBeGreaterThanOrEqual(70);
  expect(dip?.tempC).toBeLessThanOrEqual(80);
  expect(dip?.seconds).toBe(30);
});

test('tweedia and scarlet plume weep: dabbed, drinking with their own kind, then free to join', () => {
  for (const key of ['tweedia', 'euphorbia']) {
    const kinds = kindsOf(key);
    expect(kinds.indexOf('cut')).toBeLessThan(kinds.indexOf('sap-dab'));
    expect(paramsOf(key, 'sap-soak')?.company).toBe('its own kind');
    expect(said(key)).toMatch(/eye/i);
  }
});

test('humid air for those that shrivel: misted or kept in their sleeve', () => {
  for (const key of ['astilbe', 'hydrangea'])
    expect([key, kindsOf(key).includes('mist')]).toEqual([key, true]);
  expect(paramsOf('mimosa', 'unpack')?.keepsSleeve).toBe(true);
  expect(kindsOf('eucalyptus')).toContain('wrap');
  expect(kindsOf('rose')).not.toContain('mist');
});

test('wood is cut long and slanted and split once with secateurs, never hammered', () => {
  for (const key of ['lilac', 'curly-willow', 'pussy-willow', 'magnolia-foliage', 'pieris', 'privet-berry']) {
    expect([key, paramsOf(key, 'cut')]).toMatchObject([key, { split: true, tool: 'secateurs' }]);
    expect(said(key)).toMatch(/hammering only crushes/);
  }
});

test('the chrysanthemums open no further: what you buy is what you get', () => {
  for (const key of ['chrysanthemum-spray', 'chrysanthemum-disbud'])
    expect([key, SHIPPED_SPECIES.byKey(key).opensAfterCut]).toEqual([key, false]);
});

test('carnations open at room temperature in warm water: the cold holds them shut', () => {
  expect(paramsOf('carnation', 'drink')?.tempC).toBeGreaterThanOrEqual(38);
  expect(hasTrait(SHIPPED_SPECIES.byKey('carnation'), 'opens warm')).toBe(true);
});

test('mesh is rolled up from the stem end of what is sold in it', () => {
  expect(paramsOf('gypsophila', 'unpack')?.off).toContain('mesh');
  const inMesh = paramsOf('statice', 'unpack', undefined, { packing: 'dry box, mesh' });
  expect(inMesh?.off).toContain('mesh');
  expect(said('gypsophila')).toMatch(/stem end|from the foot|mesh/i);
});

test('statice is stripped to its wings and dries well; the misty kinds below the waterline', () => {
  expect(hasTrait(SHIPPED_SPECIES.byKey('statice'), 'winged stem')).toBe(true);
  expect(hasTrait(SHIPPED_SPECIES.byKey('statice'), 'dries well')).toBe(true);
  expect(paramsOf('limonium', 'strip')?.to).toBe('waterline');
});

test('what is said not to be on plates is never silent about it', () => {
  for (const key of [
    'hydrangea',
    'delphinium',
    'larkspur',
    'daffodil',
    'hyacinth',
    'amaryllis',
    'euphorbia',
    'pieris',
    'privet-berry',
    'ivy',
    'sweet-pea',
  ])
    expect([key, SHIPPED_SPECIES.byKey(key).notOnFood]).toEqual([key, 'yes']);
});

test('gloves are said for whatever burns, weeps or raises a rash, before it is unpacked', () => {
  for (const key of [
    'daffodil',
    'hyacinth',
    'tulip',
    'ivy',
    'alstroemeria',
    'calla',
    'anthurium',
    'tweedia',
    'euphorbia',
    'chrysanthemum-spray',
  ])
    expect([key, /glove/i.test(said(key))]).toEqual([key, true]);
});
