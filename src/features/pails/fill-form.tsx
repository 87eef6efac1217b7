'use client';
import { Button, Stack, TextInput } from '@mantine/core';
import { useState } from 'react';
import type { Foods } from '@/core/water/food';
import { depthOf, depthWord, litresFor } from '@/core/water/pail-shape';
import { solutionWords } from '@/core/water/solution-words';
import { SOLUTION_KEYS, type SolutionKey } from '@/core/water/solutions';
import { Choices } from '@/shell/choices';
import { FoodLine } from '@/shell/food-line';
import { MeasureStepper } from '@/shell/measure-stepper';
import { useMeasures } from '@/shell/reader';
import { useSay } from '@/shell/words';
import type { DoIt } from './do-it';
import type { PailView } from './pail-view';

const OFFERED: readonly SolutionKey[] = SOLUTION_KEYS.slice(0, 5);
const WARMTHS = [
  { tempC: 6, words: 'cold' },
  { tempC: 22, words: 'tepid' },
  { tempC: 40, words: 'warm' },
];

/** Water into a pail: what, how much, how warm; into one that is not sanitised only with a reason. */
export function FillForm({ pail, foods, doIt }: { pail: PailView; foods: Foods; doIt: DoIt }) {
  const { told } = useMeasures();
  const say = useSay();
  const shape = { litres: pail.sizeL, heightCm: pail.heightCm, form: pail.form };
  const [solution, setSolution] = useState<SolutionKey>('flower-food');
  const [litres, setLitres] = useState(litresFor(shape, 'normal'));
  const [tempC, setTempC] = useState(22);
  const [reason, setReason] = useState('');
  const [isTried, setTried] = useState(false);
  const clean = pail.state === 'sanitised';
  const cm = depthOf(shape, litres);
  const depth = depthWord(shape, litres);
  const fill = () =>
    void doIt(
      'pails/fill',
      { pailId: pail.id, litres, solution, tempC, depth, ...(clean ? {} : { overrideReason: reason }) },
      `fill pail ${pail.name}`,
    );
  return (
    <Stack gap="0.875rem">
      <Choices
        label="In the water"
        value={solution}
        onChange={setSolution}
        options={OFFERED.map((s) => ({ value: s, words: say(solutionWords(s)) }))}
      />
      <MeasureStepper
        measure="litres"
        label="How much"
        fewer="A little less"
        more="A little more"
        value={litres}
        min={0.5}
        max={pail.sizeL}
        by={0.5}
        onChange={setLitres}
      >
        <span className="soft">about {told('cm', Math.round(cm))}</span>
      </MeasureStepper>
      <FoodLine solution={solution} litres={litres} foods={foods} />
      <Choices
        label="How warm"
        value={tempC}
        onChange={setTempC}
        options={WARMTHS.map((w) => ({ value: w.tempC, words: `${w.words}, ${told('tempC', w.tempC)}` }))}
      />
      {!clean && (
        <TextInput
          label="It is not sanitised. Fill it all the same, because:"
          value={reason}
          error={isTried && reason.trim() === '' && 'Say why; it stands in the record.'}
          maxLength={200}
          onChange={(e) => setReason(e.target.value)}
        />
      )}
      <Button
        variant={clean ? 'main' : 'plain'}
        onClick={() => (clean || reason.trim() !== '' ? fill() : setTried(true))}
      >
        {clean ? `Fill pail ${pail.name}` : 'Fill it unsanitised'}
      </Button>
    </Stack>
  );
}
