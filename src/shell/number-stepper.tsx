'use client';
import { Button, Group, NumberInput } from '@mantine/core';
import { useInterval, useLongPress } from '@mantine/hooks';
import { useEffect, useRef, type ReactNode } from 'react';
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

/** A number: typed, or stepped by one and by ten, or held until it is right. */
export function NumberStepper(props: StepperProps) {
  const { label, fewer, more, value, min, max, by = 1, suffix = '', onChange, children } = props;
  const step = (steps: number) => onChange(Math.min(max, Math.max(min, value + steps * by)));
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
      <NumberInput
        aria-label={label}
        classNames={{ input: css.number }}
        w={`${String(max).length + suffix.length + 3.4}ch`}
        value={value}
        min={min}
        max={max}
        step={by}
        suffix={suffix}
        decimalScale={by >= 1 ? 0 : by < 0.5 ? 2 : 1}
        allowedDecimalSeparators={[',', '.']}
        selectAllOnFocus
        onChange={(next) => {
          const typed = typeof next === 'number' ? next : Number.parseFloat(next);
          if (Number.isFinite(typed) && typed >= min && typed <= max) onChange(typed);
        }}
      />
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
