import { mayManage } from '@/core/actions/contract';
import { FOODS } from '@/core/water/food';
import { solutionWords } from '@/core/water/solution-words';
import { say } from '@/core/words/say';
import { maybeTap } from '@/data/tap';
import { manyTools } from '@/data/tools';
import { foodsOf } from '@/server/foods';
import { sanitiserOf } from '@/server/sanitiser';
import { once } from '@/server/once';
import { inMyShop } from '@/server/session';
import { AtRest } from '@/shell/at-rest';
import { DeskTabs } from '../desk-tabs';
import { DevicesForm } from './devices-form';
import { deviceViews } from './devices-view';
import { FoodForm } from './food-form';
import { SanitiserForm } from './sanitiser-form';
import { TapForm } from './tap-form';
import { ToolsForm } from './tools-form';

/** What the shop keeps its water and what stands in it clean and fed with. */
export async function WaterPage() {
  const { me, sanitiser, foods, tap, tools, devices, currency } = await inMyShop(async (from, me, at) => {
    const [sanitiser, foods, tap, tools, devices] = await Promise.all([
      once(from, sanitiserOf),
      once(from, foodsOf),
      once(from, maybeTap),
      once(from, manyTools),
      from.made('devices', [me.role], at, async () => deviceViews(await from.trx(), me)),
    ]);
    return { me, sanitiser, foods, tap, tools, devices, currency: me.shop.currency };
  });
  const mayChange = mayManage(me.role);
  return (
    <section className="narrow stack">
      <DeskTabs here="/desk/water" />
      <h1>Water and washing</h1>
      <h2>What pails are sanitised with</h2>
      <p className="soft">
        Doses are worked out from it, for the bottle as old as it is. Its label and local rules come first.
        {mayChange ? '' : ' A manager changes it.'}
      </p>
      <SanitiserForm sanitiser={sanitiser} currency={currency} mayChange={mayChange} />
      <h2>What flowers are fed with</h2>
      <p className="soft">
        By the label: how much goes into a pail is told wherever one is filled, in sachets or in a scoop that
        was weighed once. A sachet is never parted.
      </p>
      <AtRest>
        <FoodForm
          foods={foods}
          offered={FOODS.map((key) => ({ value: key, words: say(solutionWords(key), me.language) }))}
          mayChange={mayChange}
        />
        <h2>What the tap gives</h2>
        <p className="soft">
          A strip’s pH and a meter’s conductivity say how much food is in a pail by what they are over or
          under the tap’s own. {tap ? '' : 'A town’s usual water is taken until somebody measures yours.'}
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
      </AtRest>
    </section>
  );
}
