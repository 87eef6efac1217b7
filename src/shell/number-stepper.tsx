'use client';
import { Button, Group, TextInput } from '@mantine/core';
import { useInterval, useLongPress } from '@mantine/hooks';
import { useEffect, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { numberInField } from '@/core/numbers/read-number';
import css from './number-stepper.module.css';

const HOLD_MS = 450;
const AGAIN_MS = 90;
/** A number that has so many steps in it can also be stepped by ten. */
const TENS_FROM = 20;

export interface StepperProps {
  /** What is counted, for those who hear it: "Litres", "Stems to bin". */
  readonly label: string;
  readonly fewer: string;
  readonly more: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly by?: number;
  /** Stands behind the number: " L", " °C". */
  readonly suffix?: string;
  readonly onChange: (value: number) => void;
  readonly children?: ReactNode;
}

/** A button that goes on for as long as it is held. */
function StepButton({
  label,
  words,
  disabled,
  onStep,
}: {
  label: string;
  words: string;
  disabled: boolean;
  onStep: () => void;
}) {
  const latest = useRef(onStep);
  useEffect(() => {
    latest.current = onStep;
  });
  const again = useInterval(() => latest.current(), AGAIN_MS);
  const held = useLongPress(() => again.start(), {
    threshold: HOLD_MS,
    onFinish: again.stop,
    onCancel: again.stop,
  });
  // At its end the button is disabled under the finger, and no end of the hold is heard.
  useEffect(() => {
    if (disabled) again.stop();
  }, [disabled, again]);
  return (
    <Button aria-label={label} disabled={disabled} onClick={onStep} px={6} {...held}>
      {words}
    </Button>
  );
}

type FieldProps = Required<
  Pick<StepperProps, 'label' | 'value' | 'min' | 'max' | 'by' | 'suffix' | 'onChange'>
> & {
  readonly onStep: (steps: number) => void;
};

/** Digits behind the point that such a step needs. */
const digitsOf = (by: number): number => (by >= 1 ? 0 : by < 0.5 ? 2 : 1);

/**
 * The number itself: what is typed counts as soon as it is one, with a comma or a point, and stands as it was
 * typed until the hand goes on.
 */
function NumberField({ label, value, min, max, by, suffix, onChange, onStep }: FieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const digits = digitsOf(by);
  const readIn = (text: string) => numberInField(text, suffix.trim(), digits);
  const take = (text: string) => {
    setTyped(text);
    const next = readIn(text);
    if (next !== null && next >= min && next <= max) onChange(next);
  };
  /** The hand goes on: what is more than there can be is the most there can be. */
  const settle = () => {
    const last = typed === null ? null : readIn(typed);
    setTyped(null);
    if (last !== null && (last < min || last > max)) onChange(Math.min(max, Math.max(min, last)));
  };
  const stepByKey = (event: KeyboardEvent) => {
    const steps = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
    if (steps === 0) return;
    event.preventDefault();
    setTyped(null);
    onStep(steps);
  };
  return (
    <TextInput
      aria-label={label}
      classNames={{ input: css.number }}
      w={`${String(max).length + suffix.length + 3.4}ch`}
      inputMode={digits === 0 ? 'numeric' : 'decimal'}
      autoComplete="off"
      value={typed ?? `${Number(value.toFixed(digits))}${suffix}`}
      onFocus={(event) => event.currentTarget.select()}
      onChange={(event) => take(event.currentTarget.value)}
      onBlur={settle}
      onKeyDown={stepByKey}
    />
  );
}

/** A number: typed, or stepped by one and by ten, or held until it is right. */
export function NumberStepper(props: StepperProps) {
  const { label, fewer, more, value, min, max, by = 1, suffix = '', onChange, children } = props;
  const step = (steps: number) =>
    onChange(Math.min(max, Math.max(min, Number((value + steps * by).toFixed(digitsOf(by))))));
  const ten = (max - min) / by >= TENS_FROM;
  return (
    <Group gap={6} className={css.stepper} role="group" aria-label={label}>
      {ten && (
        <StepButton
          label={`${label} −${10 * by}`}
          words={`−${10 * by}`}
          disabled={value <= min}
          onStep={() => step(-10)}
        />
      )}
      <StepButton label={fewer} words="−" disabled={value <= min} onStep={() => step(-1)} />
      <NumberField {...{ label, value, min, max, by, suffix, onChange }} onStep={step} />
      <StepButton label={more} words="+" disabled={value >= max} onStep={() => step(1)} />
      {ten && (
        <StepButton
          label={`${label} +${10 * by}`}
          words={`+${10 * by}`}
          disabled={value >= max}
          onStep={() => step(10)}
        />
      )}
      {children}
    </Group>
  );
}
