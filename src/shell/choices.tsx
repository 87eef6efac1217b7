'use client';
import { useRef, type CSSProperties, type KeyboardEvent, type ReactNode } from 'react';
import css from './taps.module.css';

export interface Choice<T> {
  readonly value: T;
  readonly words: ReactNode;
  /** Where it stands, when the choices are laid out over a drawing. */
  readonly style?: CSSProperties;
}

interface Props<T> {
  readonly label: string;
  readonly options: readonly Choice<T>[];
  readonly value: T | null;
  readonly onChange: (value: T) => void;
  /** Styles of the group and of each choice, where they are not a plain row. */
  readonly className?: string | undefined;
  readonly optionClass?: string | undefined;
}

const STEP: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/** One of several, each a tap wide: a radio group that also goes by arrow keys. */
export function Choices<T extends string | number>({
  label,
  options,
  value,
  onChange,
  className,
  optionClass,
}: Props<T>) {
  const group = useRef<HTMLDivElement>(null);
  const at = Math.max(
    0,
    options.findIndex((o) => o.value === value),
  );
  const move = (event: KeyboardEvent) => {
    const step = STEP[event.key];
    if (step === undefined) return;
    event.preventDefault();
    const next = (at + step + options.length) % options.length;
    const option = options[next];
    if (!option) return;
    onChange(option.value);
    group.current?.querySelectorAll<HTMLButtonElement>('[role=radio]')[next]?.focus();
  };
  return (
    <div
      ref={group}
      role="radiogroup"
      aria-label={label}
      className={className ?? css.choices}
      onKeyDown={move}
    >
      {options.map((o, i) => (
        <button
          key={o.value}
          type="button"
          role="radio"
          aria-checked={o.value === value}
          tabIndex={i === at ? 0 : -1}
          className={optionClass ?? 'plain'}
          style={o.style}
          onClick={() => onChange(o.value)}
        >
          {o.words}
        </button>
      ))}
    </div>
  );
}
