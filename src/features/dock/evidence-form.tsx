'use client';
import '@mantine/core/styles/Image.layer.css';
import { Box, Button, Group, Image, Text, VisuallyHidden } from '@mantine/core';
import { useSpecies } from '@/shell/species';
import { useState } from 'react';
import { boxTemperature, packWaterTemperature } from '@/core/dock/temperatures';
import { useActions } from '@/shell/actions';
import { MeasureStepper } from '@/shell/measure-stepper';
import type { LotView } from '@/server/stock';
import { smallPicture } from './small-picture';
import { Feedback } from '@/shell/feedback';
import { FileTap } from '@/shell/file-tap';
import { useSay } from '@/shell/words';
import { useMeasures } from '@/shell/reader';

export interface Evidence {
  readonly boxC: number | null;
  readonly waterC: number | null;
  readonly photoIds: readonly string[];
}

const USUAL_C = { box: 4, water: 10 } as const;

function Thermometer({ lot, place, was }: { lot: LotView; place: 'box' | 'water'; was: number | null }) {
  const { act } = useActions();
  const species = useSpecies();
  const { told } = useMeasures();
  const say = useSay();
  const [tempC, setTempC] = useState(was ?? USUAL_C[place]);
  const [problem, setProblem] = useState<string | null>(null);
  const said =
    place === 'box' ? boxTemperature(species.byKey(lot.speciesKey), tempC) : packWaterTemperature(tempC);
  const log = async () => {
    const outcome = await act(
      'dock/temperature',
      { lotId: lot.id, place, tempC },
      `${place} of lot ${lot.number}: ${told('tempC', tempC)}`,
    );
    setProblem(outcome.ok ? null : outcome.message);
  };
  const name = place === 'box' ? 'In the box' : 'Water of the pack';
  return (
    <Group gap="0.75rem" pt="0.5rem" pb="0.5rem">
      <Text component="span" miw="8.125rem">
        {name}
      </Text>
      <MeasureStepper
        measure="tempC"
        label={`${name}, how warm`}
        fewer={`${name}: one degree colder`}
        more={`${name}: one degree warmer`}
        value={tempC}
        min={-5}
        max={40}
        onChange={setTempC}
      />
      <p className="grow" role="status">
        <span className={said.isGrave ? 'late' : 'soft'}>{say(said.words)}</span>
      </p>
      <Button onClick={() => void log()}>
        {was === null ? 'Log' : 'Log anew'}
        <VisuallyHidden>, {name}</VisuallyHidden>
      </Button>
      <Feedback isAlert>{problem}</Feedback>
    </Group>
  );
}

/** How warm it came. */
export function WarmthForm({ lot, evidence }: { lot: LotView; evidence: Evidence }) {
  return (
    <>
      <Thermometer key={`box ${evidence.boxC}`} lot={lot} place="box" was={evidence.boxC} />
      <Thermometer key={`water ${evidence.waterC}`} lot={lot} place="water" was={evidence.waterC} />
    </>
  );
}

/** Photographs of a lot: made small on this tablet, without where they were taken. */
export function PhotoForm({ lot, evidence }: { lot: LotView; evidence: Evidence }) {
  const { act } = useActions();
  const [feedback, setFeedback] = useState<string | null>(null);
  const take = async (file: File) => {
    setFeedback('Making it small …');
    const jpeg = await smallPicture(file);
    if (jpeg === null)
      return setFeedback(`“${file.name}” is no picture this tablet can read. Nothing was kept.`);
    const outcome = await act('dock/photo', { lotId: lot.id, jpeg });
    setFeedback(
      outcome.ok
        ? `Kept, ${Math.round((jpeg.length * 3) / 4 / 1000)} kB, without its place. Z takes it back.`
        : outcome.message,
    );
  };
  const drop = async (photoId: string) => {
    const outcome = await act('dock/photo-away', { lotId: lot.id, photoId });
    setFeedback(outcome.ok ? 'Taken away. Z brings it back.' : outcome.message);
  };
  return (
    <>
      <Group gap="sm" align="end">
        {evidence.photoIds.map((id, i) => (
          <Box component="figure" key={id} m={0}>
            <Image
              h={130}
              w="auto"
              maw={220}
              fit="contain"
              src={`/dock/photo/${id}`}
              alt={`Photograph ${i + 1} of lot ${lot.number}`}
            />
            <Button variant="quiet" onClick={() => void drop(id)}>
              take away<VisuallyHidden> photograph {i + 1}</VisuallyHidden>
            </Button>
          </Box>
        ))}
        <FileTap
          label={`Photograph of lot ${lot.number}`}
          accept="image/*"
          capture="environment"
          onFile={(file) => void take(file)}
        >
          Take a photograph
        </FileTap>
      </Group>
      <Feedback>{feedback}</Feedback>
    </>
  );
}
