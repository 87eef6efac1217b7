'use client';
import { MEASURES, type Measure } from '@/core/units/measures';
import { NumberStepper, type StepperProps } from './number-stepper';
import { useMeasures } from './reader';

/** Its value, bounds and step are in the metric unit. */
type Props = Omit<StepperProps, 'suffix'> & { readonly measure: Measure };

const to = (n: number, step: number, round: (n: number) => number): number =>
  Number((round(n / step) * step).toFixed(2));

/** A measure typed or stepped in its reader's units, and handed on in metric ones. */
export function MeasureStepper({ measure, value, min, max, by = 1, onChange, ...rest }: Props) {
  const { units, unit } = useMeasures();
  const suffix = ` ${unit(measure)}`;
  if (units === 'metric') return <NumberStepper {...rest} {...{ value, min, max, by, suffix, onChange }} />;
  const { toUs, fromUs, byUs } = MEASURES[measure];
  return (
    <NumberStepper
      {...rest}
      value={to(toUs(value), byUs, Math.round)}
      min={to(toUs(min), byUs, Math.ceil)}
      max={to(toUs(max), byUs, Math.floor)}
      by={byUs}
      suffix={suffix}
      onChange={(us) => onChange(Number(fromUs(us).toFixed(2)))}
    />
  );
}
