/** One side of a disputed question, put as those who hold it would. */
export interface School {
  readonly key: string;
  readonly name: string;
  readonly says: string;
}

/** A question good florists answer differently. */
export interface Question {
  readonly key: string;
  readonly asks: string;
  /** The default first. */
  readonly schools: readonly School[];
  /** Why the default is what it is. */
  readonly why: string;
  /** Whether a species may have an exception. */
  readonly bySpecies: boolean;
  /** Where it bears: on the steps at the bench, on pails, or on the customer's card. */
  readonly bearsOn: 'bench' | 'pails' | 'card';
}

const school = (key: string, name: string, says: string): School => ({ key, name, says });

/** The questions on which good florists disagree, each with its sides; the first of each is the default. */
export const QUESTIONS = [
  {
    key: 'first-drink',
    asks: 'First drink',
    schools: [
      school(
        'by-species',
        'By species',
        'Bulbs and soft spring stems cold, most others tepid to warm, hot only as a dip or a rescue.',
      ),
      school('cold', 'Cold', 'Cold water slows the flower and firms it.'),
      school('warm', 'Warm, 38 to 43 °C', 'Warm water moves faster and pushes bubbles on.'),
      school(
        'hot-roses',
        'Hot for roses, 45 to 50 °C',
        'Roses drink hardest from hot water: by the thermometer, never by the hand.',
      ),
    ],
    why: 'Warm at the foot, cool at the flower: warm water in a cool place for most, cold for what is soft and hollow.',
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'rescue',
    asks: 'Rescue of a hanging head',
    schools: [
      school('by-build', 'By build', 'Just-boiled for woody stems, the hot tap for all others.'),
      school('hot-tap', 'Hot tap', '45 to 60 °C until it stands: enough heat, less danger.'),
      school(
        'just-boiled',
        'Just-boiled',
        '5 cm deep for 30 s, then a fresh cut, then deep cold water: it clears what the tap does not.',
      ),
    ],
    why: 'Boiling water cooks a soft stem and scalds a hand; wood stands it. A thick polypropylene or enamel pail, never glass.',
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'foliage',
    asks: 'Foliage above the water',
    schools: [
      school('by-species', 'By species', 'To the waterline; bare for those that want it bare.'),
      school('waterline', 'Waterline only', 'Leaves feed the flower and look well.'),
      school('keep-75', 'Three quarters stay', 'Between the two: a quarter of the leaves come off.'),
      school('keep-50', 'Half stays', 'Between the two: half of the leaves come off.'),
      school('keep-25', 'A quarter stays', 'Between the two: most of the leaves come off.'),
      school('bare', 'Bare stem', 'Leaves only lose water.'),
    ],
    why: 'What stands in the water rots; above it leaves cost water and are part of what was bought.',
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'thorns',
    asks: 'Thorns',
    schools: [
      school('to-the-hand', 'Where a hand will hold', 'Rub them off there, do not tear bark.'),
      school('strip', 'Strip all', 'Hands first: nobody bleeds over a bouquet.'),
      school('leave', 'Leave', 'Every scar lets bacteria in.'),
    ],
    why: 'Hands are spared where they hold, and the bark is whole elsewhere.',
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'tool',
    asks: 'Cutting tool',
    schools: [
      school(
        'by-skill',
        'Knife for the trained, snips for all',
        'Each with what they were shown; secateurs for wood.',
      ),
      school('knife', 'Knife', 'Nothing is crushed.'),
      school('snips', 'Snips or shears', 'Safer, and sharp ones crush little.'),
      school('scissors', 'Scissors', 'They are at hand; they crush the end.'),
    ],
    why: 'A clean cut matters and so does a whole thumb. No paper scissors.',
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'cut-place',
    asks: 'Where to cut',
    schools: [
      school(
        'by-need',
        'In air, under water where needed',
        'In air within seconds; under water for peony and anything limp.',
      ),
      school('under-water', 'Under water', 'No air follows the blade.'),
      school(
        'in-air',
        'In air, straight into water',
        'A firm stem takes up no air in the seconds between, and the basin is never clean.',
      ),
    ],
    why: 'The basin costs time and grows dirty; it is worth it for stems already short of water.',
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'film',
    asks: 'Rinse after sanitising',
    schools: [
      school('by-sum', 'By the sum', 'Leave the film under 1 ppm in this pail and fill, rinse above it.'),
      school('leave', 'Leave the film', 'A trace keeps water clean: drain upside down.'),
      school('rinse', 'Rinse', 'No residue near flowers.'),
    ],
    why: 'Some 15 mL stays in a drained pail: the sum is shown for each. Rinse always where the product’s label says so, and before acid food goes into a pail that has not drained.',
    bySpecies: false,
    bearsOn: 'pails',
  },
  {
    key: 'remedy',
    asks: 'In the water',
    schools: [
      school('flower-food', 'Flower food', 'Sugar, acid and a biocide in one dose.'),
      school('plain', 'Plain water', 'Nothing to dose wrong; changed often it does.'),
      school('copper', 'A copper coin', 'Copper keeps bacteria down.'),
      school('bleach', 'A drop of bleach', 'The water stays clear.'),
      school('soda', 'Lemon soda', 'Sugar and acid from the shop next door.'),
      school('aspirin', 'Aspirin', 'It makes the water acid.'),
      school('sugar-vinegar', 'Sugar and vinegar', 'Sugar feeds, vinegar makes acid.'),
    ],
    why: 'Side by side in jars food beats plain; copper is near plain, soda a little worse, bleach clear but harmful to leaf and petal, aspirin and sugar with vinegar end cloudy with bent necks. Sugar without a biocide feeds bacteria.',
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'acid',
    asks: 'Acid',
    schools: [
      school('food-does-it', 'The food does it', 'A right dose stands at pH 3.5 to 5 by the strip.'),
      school('add-acid', 'Add acid', 'Stems drink better at pH 4 to 5 than at 6 to 7.'),
    ],
    why: 'Food is acid already. Never add acid to chlorine: poisonous gas.',
    bySpecies: false,
    bearsOn: 'bench',
  },
  {
    key: 'misting',
    asks: 'Misting',
    schools: [
      school('by-species', 'By species', 'Foliage, hydrangea, orchids, astilbe, mimosa; roses no.'),
      school('all-but-roses', 'Everything but roses', 'Petals drink too; only roses spot.'),
      school(
        'roses-most',
        'Roses most of all',
        'A rose gives off most water of all: mist it, if it dries within the hour.',
      ),
      school('none', 'Nothing', 'Wet petals feed grey mould.'),
    ],
    why: 'Wet petals feed grey mould, unless the room is very dry and they dry off within the hour.',
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'water-change',
    asks: 'Change of water',
    schools: [
      school(
        'by-model',
        'When it will be due',
        'When the predicted count would pass its limit, or the house’s own longest if that is sooner.',
      ),
      school('daily', 'Daily', 'Fresh water every morning.'),
      school('two-days', 'Every 2 days', 'Often enough, and half the work.'),
      school(
        'three-four',
        'Every 3 to 4 days with food',
        'Food’s biocide holds that long; changing wastes it.',
      ),
      school('top-up', 'Top up only', 'Every handling bruises.'),
    ],
    why: 'A clean pail at 20 °C bears about four days in plain water and a week with food, half of that with leaf litter or from a rinsed pail.',
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'depth',
    asks: 'Depth of water',
    schools: [
      school('by-species', 'By species', 'Deep for thirsty wood, a few centimetres for fleshy stems.'),
      school('deep', 'Deep for all', 'The more water, the longer until it is dry.'),
      school('third', 'A third is enough', 'Wet necks mould.'),
    ],
    why: 'Hollow and hairy stems rot where they are wet; hydrangea and lilac drink through the whole stem.',
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'pollen',
    asks: 'Lily pollen',
    schools: [
      school('bin', 'Take off and bin', 'Out as the flower cracks, before it dusts.'),
      school('into-water', 'Drop the anthers in the water', 'It is quick, and nothing is on the floor.'),
    ],
    why: 'Anthers in the water are litter in it, and that water can kill a cat.',
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'resting',
    asks: 'Resting before design',
    schools: [
      school('by-state', 'By species and state', 'At least until the look-back says upright.'),
      school('at-once', 'Design at once', 'It drinks as well in the arrangement.'),
      school('two-hours', 'Two hours', 'Time to firm and to show what will not.'),
      school('overnight', 'Overnight', 'What stands in the morning stays standing.'),
    ],
    why: 'A stem that came firm shows in two hours whether it drinks; one that came limp takes longer.',
    bySpecies: true,
    bearsOn: 'bench',
  },
  {
    key: 'cold-nights',
    asks: 'Cold nights at home',
    schools: [
      school('cool-place', 'A cool dark place', '5 to 10 °C without fruit.'),
      school(
        'fridge',
        'In the fridge every night',
        'In a side-by-side test the best of all: two weeks and more.',
      ),
      school(
        'never-fridge',
        'Never in a household fridge',
        'Colder, drier and full of fruit gas: it burns petals.',
      ),
    ],
    why: 'The fridge only at 3 °C or more, no fruit in it, heads loosely covered; never tropicals.',
    bySpecies: false,
    bearsOn: 'card',
  },
  {
    key: 'stem-length',
    asks: 'Stem length',
    schools: [
      school(
        'long-then-short',
        'Long in the pail, short in the vase',
        'In the vase big, soft heads are shortened first.',
      ),
      school('long', 'Long', 'It is what was paid for.'),
      school('short', 'Big heads short', 'Less way for the water to go.'),
    ],
    why: 'Length lost in the pail cannot be sold; in the vase dahlia, hydrangea and garden rose last longer short.',
    bySpecies: false,
    bearsOn: 'card',
  },
] as const satisfies readonly Question[];

/** What nobody disputes. */
export const AGREED = 'Fruit, sun, heaters, draughts, the tops of televisions: all agree, away from them.';
