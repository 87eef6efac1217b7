import { m, type Message } from '../words/message';

/** One side of a disputed question, put as those who hold it would. */
export interface School {
  readonly key: string;
  readonly name: Message;
  readonly says: Message;
}

/** A question good florists answer differently. */
export interface Question {
  readonly key: string;
  readonly asks: Message;
  /** The default first. */
  readonly schools: readonly School[];
  /** Why the default is what it is. */
  readonly why: Message;
  /** Whether a species may have an exception. */
  readonly bySpecies: boolean;
  /** Where it bears: on the steps at the bench, on pails, or on the customer's card. */
  readonly bearsOn: 'bench' | 'pails' | 'card';
}

const school = (key: string, name: Message, says: Message): School => ({ key, name, says });

/** The questions on which good florists disagree, each with its sides; the first of each is the default. */
export const QUESTIONS = [
  {
    key: 'first-drink',
    asks: m('question.first-drink.asks'),
    schools: [
      school('by-species', m('school.first-drink.by-species.name'), m('school.first-drink.by-species.says')),
      school('cold', m('school.first-drink.cold.name'), m('school.first-drink.cold.says')),
      school('warm', m('school.first-drink.warm.name'), m('school.first-drink.warm.says')),
      school('hot-roses', m('school.first-drink.hot-roses.name'), m('school.first-drink.hot-roses.says')),
    ],
    why: m('question.first-drink.why'),
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'rescue',
    asks: m('question.rescue.asks'),
    schools: [
      school('by-build', m('school.rescue.by-build.name'), m('school.rescue.by-build.says')),
      school('hot-tap', m('school.rescue.hot-tap.name'), m('school.rescue.hot-tap.says')),
      school('just-boiled', m('school.rescue.just-boiled.name'), m('school.rescue.just-boiled.says')),
    ],
    why: m('question.rescue.why'),
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'foliage',
    asks: m('question.foliage.asks'),
    schools: [
      school('by-species', m('school.foliage.by-species.name'), m('school.foliage.by-species.says')),
      school('waterline', m('school.foliage.waterline.name'), m('school.foliage.waterline.says')),
      school('keep-75', m('school.foliage.keep-75.name'), m('school.foliage.keep-75.says')),
      school('keep-50', m('school.foliage.keep-50.name'), m('school.foliage.keep-50.says')),
      school('keep-25', m('school.foliage.keep-25.name'), m('school.foliage.keep-25.says')),
      school('bare', m('school.foliage.bare.name'), m('school.foliage.bare.says')),
    ],
    why: m('question.foliage.why'),
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'thorns',
    asks: m('question.thorns.asks'),
    schools: [
      school('to-the-hand', m('school.thorns.to-the-hand.name'), m('school.thorns.to-the-hand.says')),
      school('strip', m('school.thorns.strip.name'), m('school.thorns.strip.says')),
      school('leave', m('school.thorns.leave.name'), m('school.thorns.leave.says')),
    ],
    why: m('question.thorns.why'),
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'tool',
    asks: m('question.tool.asks'),
    schools: [
      school('by-skill', m('school.tool.by-skill.name'), m('school.tool.by-skill.says')),
      school('knife', m('school.tool.knife.name'), m('school.tool.knife.says')),
      school('snips', m('school.tool.snips.name'), m('school.tool.snips.says')),
      school('scissors', m('school.tool.scissors.name'), m('school.tool.scissors.says')),
    ],
    why: m('question.tool.why'),
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'cut-place',
    asks: m('question.cut-place.asks'),
    schools: [
      school('by-need', m('school.cut-place.by-need.name'), m('school.cut-place.by-need.says')),
      school('under-water', m('school.cut-place.under-water.name'), m('school.cut-place.under-water.says')),
      school('in-air', m('school.cut-place.in-air.name'), m('school.cut-place.in-air.says')),
    ],
    why: m('question.cut-place.why'),
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'film',
    asks: m('question.film.asks'),
    schools: [
      school('by-sum', m('school.film.by-sum.name'), m('school.film.by-sum.says')),
      school('leave', m('school.film.leave.name'), m('school.film.leave.says')),
      school('rinse', m('school.film.rinse.name'), m('school.film.rinse.says')),
    ],
    why: m('question.film.why'),
    bySpecies: false,
    bearsOn: 'pails',
  },
  {
    key: 'remedy',
    asks: m('question.remedy.asks'),
    schools: [
      school('flower-food', m('school.remedy.flower-food.name'), m('school.remedy.flower-food.says')),
      school('plain', m('school.remedy.plain.name'), m('school.remedy.plain.says')),
      school('copper', m('school.remedy.copper.name'), m('school.remedy.copper.says')),
      school('bleach', m('school.remedy.bleach.name'), m('school.remedy.bleach.says')),
      school('soda', m('school.remedy.soda.name'), m('school.remedy.soda.says')),
      school('aspirin', m('school.remedy.aspirin.name'), m('school.remedy.aspirin.says')),
      school('sugar-vinegar', m('school.remedy.sugar-vinegar.name'), m('school.remedy.sugar-vinegar.says')),
    ],
    why: m('question.remedy.why'),
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'acid',
    asks: m('question.acid.asks'),
    schools: [
      school('food-does-it', m('school.acid.food-does-it.name'), m('school.acid.food-does-it.says')),
      school('add-acid', m('school.acid.add-acid.name'), m('school.acid.add-acid.says')),
    ],
    why: m('question.acid.why'),
    bySpecies: false,
    bearsOn: 'bench',
  },
  {
    key: 'misting',
    asks: m('question.misting.asks'),
    schools: [
      school('by-species', m('school.misting.by-species.name'), m('school.misting.by-species.says')),
      school('all-but-roses', m('school.misting.all-but-roses.name'), m('school.misting.all-but-roses.says')),
      school('roses-most', m('school.misting.roses-most.name'), m('school.misting.roses-most.says')),
      school('none', m('school.misting.none.name'), m('school.misting.none.says')),
    ],
    why: m('question.misting.why'),
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'water-change',
    asks: m('question.water-change.asks'),
    schools: [
      school('by-model', m('school.water-change.by-model.name'), m('school.water-change.by-model.says')),
      school('daily', m('school.water-change.daily.name'), m('school.water-change.daily.says')),
      school('two-days', m('school.water-change.two-days.name'), m('school.water-change.two-days.says')),
      school(
        'three-four',
        m('school.water-change.three-four.name'),
        m('school.water-change.three-four.says'),
      ),
      school('top-up', m('school.water-change.top-up.name'), m('school.water-change.top-up.says')),
    ],
    why: m('question.water-change.why'),
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'depth',
    asks: m('question.depth.asks'),
    schools: [
      school('by-species', m('school.depth.by-species.name'), m('school.depth.by-species.says')),
      school('deep', m('school.depth.deep.name'), m('school.depth.deep.says')),
      school('third', m('school.depth.third.name'), m('school.depth.third.says')),
    ],
    why: m('question.depth.why'),
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'pollen',
    asks: m('question.pollen.asks'),
    schools: [
      school('bin', m('school.pollen.bin.name'), m('school.pollen.bin.says')),
      school('into-water', m('school.pollen.into-water.name'), m('school.pollen.into-water.says')),
    ],
    why: m('question.pollen.why'),
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'sap-soak',
    asks: m('question.sap-soak.asks'),
    schools: [
      school('four-hours', m('school.sap-soak.four-hours.name'), m('school.sap-soak.four-hours.says')),
      school('overnight', m('school.sap-soak.overnight.name'), m('school.sap-soak.overnight.says')),
    ],
    why: m('question.sap-soak.why'),
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'dry-air',
    asks: m('question.dry-air.asks'),
    schools: [
      school('damp-bag', m('school.dry-air.damp-bag.name'), m('school.dry-air.damp-bag.says')),
      school('spray', m('school.dry-air.spray.name'), m('school.dry-air.spray.says')),
    ],
    why: m('question.dry-air.why'),
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'resting',
    asks: m('question.resting.asks'),
    schools: [
      school('by-state', m('school.resting.by-state.name'), m('school.resting.by-state.says')),
      school('at-once', m('school.resting.at-once.name'), m('school.resting.at-once.says')),
      school('two-hours', m('school.resting.two-hours.name'), m('school.resting.two-hours.says')),
      school('overnight', m('school.resting.overnight.name'), m('school.resting.overnight.says')),
    ],
    why: m('question.resting.why'),
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'cold-nights',
    asks: m('question.cold-nights.asks'),
    schools: [
      school('cool-place', m('school.cold-nights.cool-place.name'), m('school.cold-nights.cool-place.says')),
      school('fridge', m('school.cold-nights.fridge.name'), m('school.cold-nights.fridge.says')),
      school(
        'never-fridge',
        m('school.cold-nights.never-fridge.name'),
        m('school.cold-nights.never-fridge.says'),
      ),
    ],
    why: m('question.cold-nights.why'),
    bySpecies: false,
    bearsOn: 'card',
  },
  {
    key: 'stem-length',
    asks: m('question.stem-length.asks'),
    schools: [
      school(
        'long-then-short',
        m('school.stem-length.long-then-short.name'),
        m('school.stem-length.long-then-short.says'),
      ),
      school('long', m('school.stem-length.long.name'), m('school.stem-length.long.says')),
      school('short', m('school.stem-length.short.name'), m('school.stem-length.short.says')),
    ],
    why: m('question.stem-length.why'),
    bySpecies: false,
    bearsOn: 'card',
  },
] as const satisfies readonly Question[];

/** What nobody disputes. */
export const AGREED = 'Fruit, sun, heaters, draughts, the tops of televisions: all agree, away from them.';
