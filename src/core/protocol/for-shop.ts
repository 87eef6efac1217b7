import type { StepParams } from '../steps/steps';
import { m, type Message } from '../words/message';
import { rendered } from './render';
import { added, after, before, changed, hasKind, without, type DraftProtocol } from './draft-protocol';
import type { Species } from '../species/species';
import type { Change, Need } from './types';
import type { Ways } from './ways';

const lacks = (says: Message): Change => ({ because: 'equipment', says });

const WITHOUT: Readonly<Record<Need, (soFar: DraftProtocol) => DraftProtocol>> = {
  kettle: (soFar) =>
    soFar.steps.some((d) => d.params.kind === 'hot-dip' && d.params.tempC > 60)
      ? without(soFar, 'hot-dip', lacks(m('why.no-kettle-in-the-shop-no-hot')))
      : soFar,
  thermometer: (soFar) => without(soFar, 'hot-dip', lacks(m('why.no-thermometer-no-hot-water-never-by'))),
  secateurs: (soFar) =>
    soFar.steps.some((d) => d.params.kind === 'cut' && d.params.tool === 'secateurs')
      ? changed(soFar, 'cut', lacks(m('why.no-secateurs-a-long-slant-with-strong')), {
          tool: 'snips',
          split: false,
        })
      : soFar,
  'hydrating dip': (soFar) =>
    without(soFar, 'hydrating-dip', lacks(m('why.no-alum-or-hydrating-acid-in-the'))),
  grid: (soFar) => {
    const none = lacks(m('why.no-grid-a-paper-collar-holds-the'));
    const put = hasKind(soFar, 'grid') ? before(soFar, ['grid'], added(none, { kind: 'collar' })) : soFar;
    return without(put, 'grid', none);
  },
  'cold room': (soFar) =>
    soFar.steps.some((d) => d.params.kind === 'move' && d.params.place === 'the cold room')
      ? changed(soFar, 'move', lacks(m('why.no-cold-room-the-coolest-corner-out')), {
          place: 'the coolest corner',
        })
      : soFar,
  'tropical shelf': (soFar) =>
    soFar.steps.some((d) => d.params.kind === 'move' && d.params.place === 'the tropical shelf')
      ? changed(soFar, 'move', lacks(m('why.no-warm-shelf-the-shop-floor-away')), {
          place: 'the shop floor',
        })
      : soFar,
};

/** The sheet bounded by what the shop has. */
export function forEquipment(soFar: DraftProtocol, { has }: Ways): DraftProtocol {
  return (Object.keys(WITHOUT) as Need[])
    .filter((need) => !has.includes(need))
    .reduce((next, need) => WITHOUT[need](next), soFar);
}

/** The sheet with the shop's own changes to this species' protocol; a change to a step that is not there does nothing. */
export function forOwnProtocol(soFar: DraftProtocol, { edits }: Ways, species: Species): DraftProtocol {
  return edits.reduce((next, edit): DraftProtocol => {
    const own: Change = { because: 'own protocol', says: edit.reason };
    if (edit.op === 'leave out') return without(next, edit.kind, own);
    const words = edit.title === undefined ? {} : { title: edit.title };
    if (edit.op === 'add') {
      const step: StepParams = edit.step;
      // Tried here, so that parameters that cannot be said are found when the edit is made.
      rendered(added(own, step), species, 0);
      return after(next, edit.after, added(own, step, words));
    }
    const put = changed(next, edit.kind, own, edit.params ?? {});
    return {
      ...put,
      steps: put.steps.map((d) =>
        d.params.kind === edit.kind
          ? { ...d, ...words, changes: d.changes.includes(own) ? d.changes : [...d.changes, own] }
          : d,
      ),
    };
  }, soFar);
}
