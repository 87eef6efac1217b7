import { mayManage } from '@/core/actions/contract';
import { MORE_CAUTION } from '@/core/steps/cautions';
import { say } from '@/core/words/say';
import { manySkills } from '@/data/house';
import { manyActivePeople } from '@/data/people';
import { once } from '@/server/once';
import { inMyShop } from '@/server/session';
import { KnifeCard } from './knife-card';

/** How a blade is held, and who was shown what. */
export async function KnifePage() {
  const { people, skills, me } = await inMyShop(
    async (from, me) => {
      const [people, skills] = await Promise.all([once(from, manyActivePeople), once(from, manySkills)]);
      return { people, skills, me };
    },
    [manyActivePeople],
  );
  return (
    <KnifeCard
      people={people.map((p) => ({ id: p.id, name: p.name }))}
      skills={skills.map((s) => ({ ...s, at: s.at.getTime() }))}
      mayRecord={mayManage(me.role)}
      timeZone={me.shop.timeZone}
      caution={say(MORE_CAUTION.blade, me.language)}
    />
  );
}
