import type { Sanitiser } from '@/core/sanitising/sanitiser';
import type { TapWater } from '@/core/water/dose-reading';
import { FOODS, type Foods } from '@/core/water/food';
import { solutionWords } from '@/core/water/solution-words';
import type { LanguageTag } from '@/core/words/catalogues';
import { say } from '@/core/words/say';
import type { Trx } from '@/data/connection';
import { maybeTap } from '@/data/tap';
import { manyTools, type ToolRow } from '@/data/tools';
import { foodsOf } from '@/server/foods';
import { sanitiserOf } from '@/server/sanitiser';
import type { SignedIn } from '@/server/session';
import { DevicesForm } from './devices-form';
import { deviceViews, type DeviceView } from './devices-view';
import { FoodForm } from './food-form';
import { SanitiserForm } from './sanitiser-form';
import { TapForm } from './tap-form';
import { ToolsForm } from './tools-form';

interface Kept {
  readonly sanitiser: Sanitiser;
  readonly foods: Foods;
  readonly tap: TapWater | null;
  readonly tools: readonly ToolRow[];
  readonly devices: readonly DeviceView[];
}

/** What the shop keeps its water and what stands in it clean and fed with. */
export async function waterKept(trx: Trx, me: SignedIn): Promise<Kept> {
  const [sanitiser, foods, tap, tools, devices] = await Promise.all([
    sanitiserOf(trx),
    foodsOf(trx),
    maybeTap(trx),
    manyTools(trx),
    deviceViews(trx, me),
  ]);
  return { sanitiser, foods, tap, tools, devices };
}

interface Props extends Kept {
  readonly currency: string;
  readonly language: LanguageTag;
  readonly mayChange: boolean;
}

/** Sanitiser, food, tap, knives and what reads by itself, as the shop has them. */
export function WaterKept({ sanitiser, foods, tap, tools, devices, currency, language, mayChange }: Props) {
  return (
    <>
      <h2>What pails are sanitised with</h2>
      <p className="soft">
        Doses are worked out from it, for the bottle as old as it is. Its label and local rules come first.
      </p>
      <SanitiserForm sanitiser={sanitiser} currency={currency} mayChange={mayChange} />
      <h2>What flowers are fed with</h2>
      <p className="soft">
        By the label: how much goes into a pail is told wherever one is filled, in sachets or in a scoop that
        was weighed once. A sachet is never parted.
      </p>
      <FoodForm
        foods={foods}
        offered={FOODS.map((key) => ({ value: key, words: say(solutionWords(key), language) }))}
        mayChange={mayChange}
      />
      <h2>What the tap gives</h2>
      <p className="soft">
        A strip’s pH and a meter’s conductivity say how much food is in a pail by what they are over or under
        the tap’s own. {tap ? '' : 'A town’s usual water is taken until somebody measures yours.'}
      </p>
      <TapForm tap={tap} mayChange={mayChange} />
      <h2>Knives and the like</h2>
      <p className="soft">
        They carry what lives in water from one pail to the next. Each is cleaned on its clock, with a tap
        beside the pails.
      </p>
      <ToolsForm tools={tools} mayChange={mayChange} />
      <h2>What reads by itself</h2>
      <p className="soft">
        A doser that counts its strokes, a reader of strips: what it reads counts for the pail it was held
        into.
      </p>
      <DevicesForm devices={devices} mayChange={mayChange} />
    </>
  );
}
