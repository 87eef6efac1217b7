'use client';
import { Button, Group, Stack, TextInput } from '@mantine/core';
import { useState } from 'react';
import { readNumber } from '@/core/numbers/read-number';
import { MeasureStepper } from '@/shell/measure-stepper';
import { useMeasures } from '@/shell/reader';
import { Feedback } from '@/shell/feedback';
import type { DoIt } from './do-it';
import type { PailView, WaterView } from './pail-view';

interface Props {
  readonly pail: PailView;
  readonly water: WaterView;
  readonly doIt: DoIt;
}

/** What is read, each with the most it can be. */
const READ = [
  { key: 'ph', label: 'pH', most: 14 },
  { key: 'us', label: 'µS/cm', most: 20_000 },
  { key: 'chlorinePpm', label: 'Chlorine, ppm', most: 2000 },
] as const;
type ReadKey = (typeof READ)[number]['key'];
const NOTHING: Readonly<Record<ReadKey, string>> = { ph: '', us: '', chlorinePpm: '' };

/** What is wrong with a number as it was typed; null where it is right or where there is none. */
function wrongWith(text: string, most: number): string | null {
  if (text.trim() === '') return null;
  const read = readNumber(text);
  return read !== null && read >= 0 && read <= most ? null : `A number from 0 to ${most}.`;
}

/** What a strip or a meter says, put together with what was poured and predicted. */
export function ReadForm({ pail, doIt }: Omit<Props, 'water'>) {
  const [typed, setTyped] = useState(NOTHING);
  const isEmpty = Object.values(typed).every((text) => text.trim() === '');
  const [isAsked, setAsked] = useState(false);
  const save = async () => {
    setAsked(true);
    if (isEmpty || READ.some(({ key, most }) => wrongWith(typed[key], most))) return;
    const read = { ph: readNumber(typed.ph), us: readNumber(typed.us) };
    const chlorinePpm = readNumber(typed.chlorinePpm);
    await doIt('pails/read', { pailId: pail.id, ...read, chlorinePpm }, `what pail ${pail.name} read`);
    setTyped(NOTHING);
    setAsked(false);
  };
  return (
    <details>
      <summary>Read a strip or a meter …</summary>
      <Stack gap="0.625rem">
        <Group gap="0.625rem" align="start">
          {READ.map(({ key, label, most }) => (
            <TextInput
              key={key}
              label={label}
              w="7.5rem"
              inputMode="decimal"
              autoComplete="off"
              value={typed[key]}
              error={isAsked && wrongWith(typed[key], most)}
              onChange={({ currentTarget: { value } }) => setTyped((t) => ({ ...t, [key]: value }))}
            />
          ))}
        </Group>
        <Group>
          <Button onClick={() => void save()}>It reads so</Button>
        </Group>
        <Feedback isAlert>{isAsked && isEmpty ? 'Type at least one of what was read.' : null}</Feedback>
      </Stack>
    </details>
  );
}

/** Plain water put to what is left: by the litres that are gone, to begin with. */
export function TopUpForm({ pail, water, doIt }: Props) {
  const { told } = useMeasures();
  const room = Math.max(0.1, pail.sizeL - water.litresLeft);
  const gone = Math.max(0.1, Math.min(room, pail.litres - water.litresLeft));
  const [litres, setLitres] = useState(Math.round(gone * 10) / 10);
  return (
    <details>
      <summary>Top up with plain water …</summary>
      <Stack gap="0.625rem">
        <p className="soft">
          About {told('litres', Math.round(water.litresLeft * 10) / 10)} are left. Plain water thins the food
          in it; fresh food is worth more.
        </p>
        <MeasureStepper
          measure="litres"
          label="Litres put to it"
          fewer="A little less water"
          more="A little more water"
          value={litres}
          by={0.1}
          min={0.1}
          max={Math.round(room * 10) / 10}
          onChange={setLitres}
        />
        <Group>
          <Button
            onClick={() =>
              void doIt('pails/top-up', { pailId: pail.id, litres }, `water put to pail ${pail.name}`)
            }
          >
            Put {told('litres', litres)} to it
          </Button>
        </Group>
      </Stack>
    </details>
  );
}

const share = (dose: number): string => `${Math.round(100 * dose)} %`;
const hours = (due: number): string => (due < 48 ? `${due} h` : `${Math.floor(due / 24)} days`);

/** What the last thing seen, read or done changed, where it changed something anybody would tell. */
export function ChangedBy({ water: { without, dueInHours, dose, log10 } }: Pick<Props, 'water'>) {
  if (!without) return null;
  const told = [
    ...(Math.abs(without.dose - dose) >= 0.02 ? [`its dose ${share(dose)}, not ${share(without.dose)}`] : []),
    ...(Math.abs(without.log10 - log10) >= 0.1
      ? [`10^${log10.toFixed(1)} in a millilitre, not 10^${without.log10.toFixed(1)}`]
      : []),
    ...(without.dueInHours === dueInHours
      ? []
      : [`due in ${hours(dueInHours)}, not ${hours(without.dueInHours)}`]),
  ];
  return (
    <p className="soft">
      {told.length === 0
        ? 'What was told last changed next to nothing: it is as predicted.'
        : `Put together with what was told last: ${told.join('; ')}.`}
    </p>
  );
}

/** How much is left, and how strong it is where it was made with food. */
export function LeftInIt({ pail, water }: Omit<Props, 'doIt'>) {
  const { told } = useMeasures();
  const isLess = pail.litres - water.litresLeft >= 0.1;
  const isThin = water.dose <= 0.95;
  if (!isLess && !isThin) return null;
  return (
    <p className="soft">
      {isLess &&
        `About ${told('litres', Math.round(water.litresLeft * 10) / 10)} left: some was drunk, some went off. `}
      {isThin && pail.solutionKey !== 'plain' && `Its food is down to ${share(water.dose)} of its dose.`}
    </p>
  );
}
