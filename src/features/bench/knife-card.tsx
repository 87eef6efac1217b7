'use client';
import { Button, VisuallyHidden } from '@mantine/core';
import { PlainTable } from '@/shell/plain-table';
import { formatDate } from '@/core/calendar/format-date';
import { ShopLink as Link } from '@/shell/shop-link';
import { SKILLS, type Skill } from '@/core/protocol/types';
import { useLog, type Log } from './use-log';
import { EmergencyLine } from '@/shell/emergency';
import { Feedback } from '@/shell/feedback';
import { BLADES } from './blades';

const HOW = [
  {
    tool: 'knife',
    title: 'Knife',
    rules: [
      'Short, straight, sharp: a blunt one slips.',
      'The blade stands still at the slant; draw the stem up and off it, away from you.',
      'A guard or a fabric plaster on the thumb, which stays behind the edge.',
      'Shut it before you put it down. Let a dropped knife fall: step back.',
    ],
  },
  {
    tool: 'snips',
    title: 'Snips',
    rules: [
      'For everyone, and for new hands until they were shown the knife.',
      'Hold the stem well above the cut; one clean snip on the slant.',
      'Twice through the same stem crushes it: if they chew, sharpen them.',
    ],
  },
  {
    tool: 'secateurs',
    title: 'Secateurs',
    rules: [
      'For wood only. A long slant first, then once up the middle; never hammer.',
      'The other hand above the cut, fingers clear of the jaws.',
      'Close the catch every time you put them down.',
    ],
  },
] as const;

interface Props {
  readonly people: readonly { readonly id: string; readonly name: string }[];
  readonly skills: readonly {
    readonly personId: string;
    readonly skill: Skill;
    readonly at: number;
    readonly shownByName: string;
  }[];
  readonly mayRecord: boolean;
  readonly timeZone: string;
  /** What stands behind the caution of every blade. */
  readonly caution: string;
}

/** Who was shown what, by whom, and the tap that records it. */
function Shown({
  people,
  skills,
  mayRecord,
  timeZone,
  log,
  busy,
}: Omit<Props, 'caution'> & Pick<Log, 'log' | 'busy'>) {
  const day = (at: number): string => formatDate(at, timeZone, 'day');
  const record = (personId: string, skill: Skill, shown: boolean, name: string) =>
    void log('bench/skill', { personId, skill, shown }, `${name}: ${skill}`);
  return (
    <div className="scrolls" role="region" aria-label="Who has been shown what" tabIndex={0}>
      <PlainTable>
        <thead>
          <tr>
            <th scope="col">Name</th>
            {SKILLS.map((skill) => (
              <th key={skill} scope="col">
                {skill}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {people.map((p) => (
            <tr key={p.id}>
              <th scope="row">{p.name}</th>
              {SKILLS.map((skill) => {
                const has = skills.find((s) => s.personId === p.id && s.skill === skill);
                return (
                  <td key={skill}>
                    {has ? (
                      <span>
                        shown {day(has.at)} <span className="soft">by {has.shownByName}</span>
                      </span>
                    ) : (
                      <span className="soft">not yet</span>
                    )}
                    {mayRecord && (
                      <Button
                        variant="quiet"
                        disabled={busy}
                        onClick={() => record(p.id, skill, !has, p.name)}
                      >
                        {has ? 'no longer counts' : 'was shown'}
                        <VisuallyHidden>
                          : {p.name}, {skill}
                        </VisuallyHidden>
                      </Button>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </PlainTable>
    </div>
  );
}

/** How to cut safely and cleanly, and who has been shown what. */
export function KnifeCard({ people, skills, mayRecord, timeZone, caution }: Props) {
  const { log, busy, said } = useLog('knife card');
  return (
    <section className="stack">
      <h1>Cut safely, cut clean</h1>
      <p className="soft">
        45°, in one stroke, with a clean edge: a crushed end drinks little.{' '}
        <Link href="/bench">To the bench</Link>
      </p>
      <div className="many">
        {HOW.map(({ tool, title, rules }) => {
          const Blade = BLADES[tool];
          return (
            <article key={tool}>
              <h2>{title}</h2>
              <Blade />
              <ul>
                {rules.map((rule) => (
                  <li key={rule}>{rule}</li>
                ))}
              </ul>
            </article>
          );
        })}
      </div>
      <p className="prose">{caution}</p>
      <EmergencyLine />
      <h2>Who has been shown</h2>
      <Shown
        people={people}
        skills={skills}
        mayRecord={mayRecord}
        timeZone={timeZone}
        log={log}
        busy={busy}
      />
      {!mayRecord && <p className="soft">The manager records what somebody was shown.</p>}
      <Feedback isAlert>{said}</Feedback>
    </section>
  );
}
