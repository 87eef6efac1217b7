import { soundLot as lot } from '../../../tests/support/lot-state';
import { DEPTH_CM } from '../species/depths';
import { SPECIES, type Species } from '../species/species';
import { hasTrait } from '../species/traits';
import { inEnglish } from '../words/say';
import { composeProtocol } from './compose';
import { waterMostHours } from './ordinary';
import { QUESTIONS } from './questions';
import type { QuestionKey } from './schools';
import type { LotState, ProtocolStep } from './types';
import { DEFAULT_LIMITS, DEFAULT_WAYS, PURPOSES, type Purpose } from './ways';

const DROOPS = ['firm', 'soft', 'hanging'] as const;
const kept = (state: LotState, question?: QuestionKey, school?: string, purpose: Purpose = 'usual') =>
  composeProtocol(state, {
    ...DEFAULT_WAYS,
    purpose,
    eventInDays: 3,
    ...(question && school ? { schools: { house: { [question]: school }, exceptions: {} } } : {}),
  });
const everySchool = QUESTIONS.flatMap((q) => q.schools.map((s) => [q.key, s.key] as const));

/** What a step asks that a species' own limits forbid; null where nothing is. */
function broken({ params, title }: ProtocolStep, species: Species, isDeepRescue: boolean): string | null {
  const coldest = species.chillBelowC ?? -99;
  if (params.kind === 'drink') {
    if (params.tempC < coldest) return `water at ${params.tempC} °C`;
    const isDeep = species.depth === 'shallow' && params.depthCm > DEPTH_CM.shallow;
    if (isDeep && !isDeepRescue) return `water ${params.depthCm} cm deep`;
  }
  if (params.kind === 'recut' && params.newWater) {
    const most = waterMostHours(species, 'flower-food', DEFAULT_LIMITS);
    if (params.everyHours > most) return `the same water for ${params.everyHours} h`;
  }
  if (params.kind === 'move') {
    if (params.lowC < coldest) return `a room at ${params.lowC} °C`;
    if (coldest > 4 && /cold room/.test(inEnglish(title))) return 'the cold room';
  }
  return null;
}

test('no school, state or purpose takes any of the 66 out of its limits: chill line, depth, longest water', () => {
  const found: string[] = [];
  for (const species of SPECIES)
    for (const droop of DROOPS) {
      const isDeepRescue = droop === 'hanging' && hasTrait(species, 'lifts in cold');
      const check = (steps: readonly ProtocolStep[], of: string) => {
        for (const step of steps) {
          const what = broken(step, species, isDeepRescue);
          if (what) found.push(`${species.key}, ${droop}, ${of}: ${what}`);
        }
      };
      for (const [question, school] of everySchool)
        check(kept(lot(species, { droop }), question, school), `${question} ${school}`);
      for (const purpose of PURPOSES)
        check(kept(lot(species, { droop }), undefined, undefined, purpose), purpose);
    }
  expect(found).toEqual([]);
});

test('where a limit stops a school the card says why', () => {
  const says = (key: string, question: QuestionKey, school: string, kind: string): string => {
    const species = SPECIES.find((s) => s.key === key) as Species;
    const step = kept(lot(species), question, school).find((s) => s.kind === kind);
    return step ? inEnglish(step.reason) : '';
  };
  expect(says('anthurium', 'first-drink', 'cold', 'drink')).toMatch(/injured under 12 °C/);
  expect(says('gerbera', 'depth', 'deep', 'drink')).toMatch(/rots in deep water/);
  expect(says('tulip', 'water-change', 'three-four', 'recut')).toMatch(/serves 48 h at most/);
});

test('every school changes something for some species, or bears on the card or the pails alone', () => {
  const idle = QUESTIONS.filter((q) => q.bearsOn === 'bench').flatMap((q) =>
    q.schools.slice(1).flatMap(({ key }) => {
      const does = SPECIES.some((species) =>
        DROOPS.some((droop) => {
          const state = lot(species, { droop });
          const spoken = (steps: readonly ProtocolStep[]) =>
            JSON.stringify(steps.map((s) => [s.params, s.reason]));
          return spoken(kept(state, q.key, key)) !== spoken(kept(state));
        }),
      );
      return does ? [] : [`${q.key} ${key}`];
    }),
  );
  expect(idle).toEqual([]);
});

test('what comes off is what the species always has and what the packing adds: nothing is lost to how it was packed', () => {
  const off = (species: Species, packing: string): readonly string[] =>
    kept(lot(species, { packing })).flatMap((s) => (s.params.kind === 'unpack' ? s.params.off : []));
  for (const species of SPECIES)
    for (const packing of ['capped', 'dry box mesh', 'wet pack', 'capped, in sleeves, tied', '']) {
      expect(off(species, packing)).toEqual(expect.arrayContaining([...off(species, '')]));
      if (/capped/.test(packing)) expect(off(species, packing)).toContain('water caps');
      if (/mesh/.test(packing)) expect(off(species, packing)).toContain('mesh');
      if (/tied/.test(packing)) expect(off(species, packing)).toContain('ties');
    }
});

test('blown and tight heads are treated alike, seen as a stage or counted as a flaw', () => {
  const params = (state: LotState) => kept(state).map((s) => s.params);
  for (const species of SPECIES.filter((s) => !hasTrait(s, 'pencil buds'))) {
    const ideal = lot(species);
    expect(params({ ...ideal, stage: 1.2 })).toEqual(params({ ...ideal, flaws: ['blown'] }));
    expect(params({ ...ideal, stage: 0 })).toEqual(params({ ...ideal, flaws: ['too-tight'] }));
  }
});

test('a head that no heat lifts gets none: cold and paper, a slice, or the bin; what hangs is looked at after two hours', () => {
  for (const species of SPECIES) {
    const steps = kept(lot(species, { droop: 'hanging' }));
    const kinds = steps.map((s) => s.kind);
    const own = kept(lot(species)).some((s) => s.kind === 'hot-dip');
    if (hasTrait(species, 'lifts in cold')) expect(kinds).toContain('condition-upright');
    if (
      ['lifts in cold', 'lifts by a recut', 'neck is lost'].some((t) =>
        hasTrait(species, t as 'neck is lost'),
      )
    )
      expect(kinds.includes('hot-dip')).toBe(own);
    if (hasTrait(species, 'neck is lost')) expect(kinds).toContain('discard');
    const drink = steps.find((s) => s.kind === 'drink');
    expect(drink?.waitSeconds).toBe(2 * 3600);
    expect(steps[steps.findIndex((s) => s.kind === 'drink') + 1]?.kind).toBe('look-back');
  }
});

test('what does not go on opening is not forced nor set out for an event, and says so; what opens is told its hours of warmth', () => {
  const reasons = (key: string, purpose: Purpose) => {
    const species = SPECIES.find((s) => s.key === key) as Species;
    return kept(lot(species), undefined, undefined, purpose)
      .map((s) => inEnglish(s.reason))
      .join(' ');
  };
  for (const purpose of ['force', 'event'] as const)
    expect(reasons('chrysanthemum-spray', purpose)).toMatch(/does not go on opening.*Buy it at the stage/);
  expect(reasons('chrysanthemum-spray', 'force')).not.toMatch(/warm, bright/);
  expect(reasons('tulip', 'event')).toMatch(/out into the warmth \d+ h before/);
  expect(reasons('rose', 'dry')).toMatch(/does not dry well/);
});
