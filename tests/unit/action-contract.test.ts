import * as fc from 'fast-check';
import * as v from 'valibot';
import { ACTIONS, isActionName, specOf, WAITING_ACTIONS, type ActionName } from '@/core/actions/actions';
import { ANYBODY, LOCK_ORDER, MANAGER, mayManage, ROLES } from '@/core/actions/contract';
import { ENTRY_DETAILS } from '@/core/record/entry-details';
import { BODIES, type World } from '../support/bodies';
import { hostileBody } from '../support/hostile';

const NAMES = Object.keys(ACTIONS) as ActionName[];
const ID = (n: number): string => `01a21238-a19c-7509-af84-${String(n).padStart(12, '0')}`;
/** Everything an action can be about, none of it there: a contract is asked before any database is. */
const WORLD: World = {
  lotId: ID(1),
  portionId: ID(2),
  stepId: ID(3),
  lookStepId: ID(4),
  mateLotId: ID(5),
  deliveryId: ID(6),
  pailId: ID(7),
  cleanPailId: ID(8),
  dirtyPailId: ID(9),
  arrangementId: ID(10),
  claimId: ID(11),
  keptId: ID(12),
  expectedId: ID(13),
  photoId: ID(14),
  personId: ID(15),
  roomId: ID(16),
  entryId: 17,
};
const bodyOf = (name: ActionName): unknown => (BODIES[name] as (w: World, n: number) => unknown)(WORLD, 0);
const LOCKABLE = new Set<string>([
  ...LOCK_ORDER,
  'step',
  'portion',
  'photo',
  'card',
  'contents of pail',
  'lots of delivery',
  'lots of arrangement',
  'entry',
]);

test('names of actions are a place and a verb; what every object has is none of them', () => {
  for (const name of NAMES) expect(name).toMatch(/^[a-z-]+\/[a-z-]+$/);
  for (const name of ['toString', '__proto__', 'constructor', '', 'bench', 'bench/'])
    expect([name, isActionName(name)]).toEqual([name, false]);
});

/** What anybody does to their own reading and signing in. */
const OWN: readonly ActionName[] = [
  'desk/language',
  'desk/units',
  'shop/set-secret',
  'shop/second-factor',
  'shop/end-second-factor',
  'shop/end-sessions',
];

describe.each(NAMES)('%s', (name) => {
  const spec = specOf(name);

  test('takes the body a page of ours sends, and says what it locks', () => {
    const read = v.safeParse(spec.input, bodyOf(name));
    expect(read.issues).toBeUndefined();
    if (!read.success) return;
    for (const lock of spec.locks(read.output)) {
      expect(LOCKABLE).toContain(lock.what);
      // What is not the shop's own numbers or house has an id, and the field it came from.
      if (lock.what !== 'counters' && lock.what !== 'house') {
        expect(lock.id).not.toBe('');
        expect(lock.field).not.toBe('');
      }
    }
  });

  test('takes or refuses whatever else is sent, with the field and in words, and never throws', () => {
    fc.assert(
      fc.property(hostileBody(spec.input, bodyOf(name)), (body) => {
        const read = v.safeParse(spec.input, body);
        if (read.success) expect(() => spec.locks(read.output)).not.toThrow();
        else for (const issue of read.issues) expect(issue.message.length).toBeGreaterThan(4);
      }),
      { numRuns: 60 },
    );
  });

  test('is somebody’s to do; an auditor changes nothing but what is their own', () => {
    expect(spec.roles.length).toBeGreaterThan(0);
    for (const role of spec.roles) expect(ROLES).toContain(role);
    if (spec.roles.includes('auditor')) {
      expect(OWN).toContain(name);
      expect(['person']).toEqual(expect.arrayContaining([...spec.entries]));
    }
    // Whatever a hand may do, whoever manages may do too.
    if (spec.roles.includes('hand')) expect(spec.roles).toEqual(expect.arrayContaining(['owner', 'manager']));
  });

  test('writes entries of kinds there are, and says how it is taken back or why it is not', () => {
    for (const kind of spec.entries) expect(Object.keys(ENTRY_DETAILS)).toContain(kind);
    if (typeof spec.takenBack === 'object') expect(spec.takenBack.not.length).toBeGreaterThan(10);
    else expect(['restored', 'undone', 'both']).toContain(spec.takenBack);
  });
});

test('what is a secret waits on no tablet, and is a field of what is sent', () => {
  for (const name of NAMES) {
    const { secrets = [], mayWait } = specOf(name);
    if (secrets.length > 0) expect([name, mayWait]).toEqual([name, false]);
    if (secrets.length > 0)
      expect(Object.keys(bodyOf(name) as object).some((field) => secrets.includes(field))).toBe(true);
  }
});

test('what waits on a tablet is work of the bench: anybody’s to do, and of no manager’s alone', () => {
  expect(WAITING_ACTIONS.length).toBeGreaterThan(5);
  for (const name of WAITING_ACTIONS) expect([name, specOf(name).roles]).toEqual([name, ANYBODY]);
});

test('who manages: owner and manager, and nobody else', () => {
  expect(ROLES.filter(mayManage)).toEqual(MANAGER);
  expect(MANAGER).toEqual(['owner', 'manager']);
});
