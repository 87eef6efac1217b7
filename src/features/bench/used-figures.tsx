'use client';
import type { Measure } from '@/core/steps/descriptor';
import { MeasureStepper } from '@/shell/measure-stepper';
import { stepOf, type StepParams } from '@/core/steps/steps';
import { NumberStepper } from '@/shell/number-stepper';
import { useWords } from '@/shell/words';

export type Used = Readonly<Record<string, number>>;

/** What has no unit here is told in its reader's. */
type Shown = { readonly by: number; readonly most: number } & (
  | { readonly key: 'tempC' | 'cm'; readonly unit: null }
  | { readonly key: 'seconds' | 'hours'; readonly unit: string }
);
const MEASURES: readonly Shown[] = [
  { key: 'tempC', unit: null, by: 1, most: 100 },
  { key: 'seconds', unit: 's', by: 5, most: 7200 },
  { key: 'cm', unit: null, by: 0.5, most: 30 },
  { key: 'hours', unit: 'h', by: 0.5, most: 72 },
];

/** What a step says of a measure; null where nobody measures that of it. */
function plannedOf(params: StepParams, key: Measure): number | null {
  const value: unknown = stepOf(params.kind).measured.includes(key) ? Reflect.get(params, key) : null;
  return typeof value === 'number' ? value : null;
}

export const hasMeasures = (params: StepParams): boolean => stepOf(params.kind).measured.length > 0;

/** What was really used, by taps, where it was not what the step says. */
export function UsedFigures({
  params,
  used,
  onUsed,
}: {
  params: StepParams;
  used: Used;
  onUsed: (used: Used) => void;
}) {
  const t = useWords();
  return (
    <>
      {MEASURES.map(({ key, unit, by, most }) => {
        const name = t(`bench.measure.${key}`);
        const planned = plannedOf(params, key);
        if (planned === null) return null;
        const value = used[key] ?? planned;
        const stepper = {
          label: name,
          fewer: t('bench.measure-less', { name }),
          more: t('bench.measure-more', { name }),
          ...{ value, min: 0, max: most, by },
          onChange: (next: number) => onUsed({ ...used, [key]: Math.round(next * 10) / 10 }),
        };
        return unit === null ? (
          <MeasureStepper key={key} measure={key} {...stepper} />
        ) : (
          <NumberStepper key={key} suffix={` ${unit}`} {...stepper} />
        );
      })}
    </>
  );
}
