'use client';
import { Box, Button, Collapse, Group } from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import { useState } from 'react';
import { changeRound, foodForRound, type RoundStop } from '@/core/water/change-round';
import type { Foods } from '@/core/water/food';
import { foodWords } from '@/core/water/food-words';
import { useActions } from '@/shell/actions';
import { FoodLine } from '@/shell/food-line';
import { useSay } from '@/shell/words';
import { Feedback } from '@/shell/feedback';
import { useMeasures } from '@/shell/reader';
import type { PailView } from './pail-view';

/** Water that is due within so many hours is changed today. */
const TODAY_H = 24;

const dueOf = (pails: readonly PailView[]) =>
  pails.flatMap((p) =>
    p.water && p.solutionKey && p.water.dueInHours < TODAY_H
      ? [
          {
            ...{ id: p.id, name: p.name, room: p.room, sizeL: p.sizeL, litres: p.litres },
            solution: p.solutionKey,
            stems: p.lots.reduce((sum, l) => sum + l.stems, 0),
            dueInHours: p.water.dueInHours,
          },
        ]
      : [],
  );

interface StopProps {
  readonly stop: RoundStop;
  readonly what: string;
  readonly foods: Foods;
  readonly onDone: (stop: RoundStop) => void;
}

/** One change: from which pail into which, with one tap. */
function Stop({ stop, what, foods, onDone }: StopProps) {
  const { pail, into } = stop;
  return (
    <li>
      <Group gap="0.75rem" py="0.375rem" wrap="nowrap" justify="space-between">
        <span>
          <strong>{pail.name}</strong> <span className="soft">{what}</span>
          {into && <FoodLine solution={pail.solution} litres={pail.litres} foods={foods} />}
        </span>
        {pail.stems === 0 ? (
          <Button miw="7rem" onClick={() => onDone(stop)} aria-label={`Tip out pail ${pail.name}`}>
            Tip out
          </Button>
        ) : into ? (
          <Button
            miw="7rem"
            onClick={() => onDone(stop)}
            aria-label={`Turn pail ${pail.name} over into pail ${into.name}`}
          >
            into {into.name}
          </Button>
        ) : (
          <span className="late">no clean pail</span>
        )}
      </Group>
    </li>
  );
}

/** The day's changes of water as a round through the shop, one tap each. */
export function RoundPanel({ pails, foods }: { pails: readonly PailView[]; foods: Foods }) {
  const say = useSay();
  const { act } = useActions();
  const [isOpen, { toggle }] = useDisclosure(false);
  const { told } = useMeasures();
  const [feedback, setFeedback] = useState<string | null>(null);
  const clean = pails.filter((p) => p.state === 'sanitised');
  const round = changeRound(dueOf(pails), clean);
  if (round.stops.length === 0) return null;
  const logDone = async ({ pail, into }: RoundStop) => {
    const outcome =
      pail.stems === 0
        ? await act('pails/tip-out', { pailId: pail.id }, `tip out pail ${pail.name}`)
        : await act(
            'pails/turn-over',
            { pailId: pail.id, toPailId: into?.id ?? '' },
            `turn pail ${pail.name} over into ${into?.name ?? ''}`,
          );
    setFeedback(outcome.ok || outcome.why === 'unavailable' ? null : outcome.message);
  };
  const food = foodForRound(round, foods);
  const rooms = [...new Set(round.stops.map((s) => s.pail.room))];
  return (
    <section aria-label="Today’s changes of water">
      <Group gap="1rem">
        <Button onClick={toggle} aria-expanded={isOpen}>
          Change {round.stops.length} today
        </Button>
        <span className={round.short > 0 ? 'late' : 'soft'}>
          {told('litres', Math.round(round.litres))}, about {Math.max(1, Math.round(round.minutes))} min
          {round.short > 0 &&
            `; ${round.short === 1 ? 'one clean pail is' : `${round.short} clean pails are`} missing`}
        </span>
      </Group>
      <Collapse expanded={isOpen}>
        {food.length > 0 && (
          <p>
            Take along{' '}
            {food.map((f) => (
              <strong key={f.product}>{say(foodWords(f, f.sachets?.fillsL ?? 0))} </strong>
            ))}
          </p>
        )}
        {rooms.map((room) => (
          <Box key={room} mt="1rem">
            <h3>{room}</h3>
            <ul className="rowlist">
              {round.stops
                .filter((s) => s.pail.room === room)
                .map((stop) => (
                  <Stop
                    key={stop.pail.id}
                    stop={stop}
                    what={pails.find((p) => p.id === stop.pail.id)?.lots[0]?.words ?? 'nothing stands in it'}
                    foods={foods}
                    onDone={(s) => void logDone(s)}
                  />
                ))}
            </ul>
          </Box>
        ))}
      </Collapse>
      <Feedback isAlert>{feedback}</Feedback>
    </section>
  );
}
