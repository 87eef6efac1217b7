'use client';
import { Group, Radio } from '@mantine/core';
import type { CSSProperties, ReactNode } from 'react';
import kit from './theme/kit.module.css';

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
  /** Styles of the row and of each choice, where they are not the usual ones. */
  readonly className?: string | undefined;
  readonly optionClass?: string | undefined;
}

/** One of several, each a tap wide. */
export function Choices<T extends string | number>({
  label,
  options,
  value,
  onChange,
  className,
  optionClass,
}: Props<T>) {
  const chosen = Math.max(
    0,
    options.findIndex((o) => o.value === value),
  );
  return (
    <Radio.Group
      label={label}
      classNames={{ label: kit.unseen }}
      value={value === null ? '' : String(value)}
      onChange={(text: string) => {
        const option = options.find((o) => String(o.value) === text);
        if (option) onChange(option.value);
      }}
    >
      <Group gap="xs" align="stretch" className={className}>
        {options.map((o, i) => (
          <Radio.Card
            key={o.value}
            value={String(o.value)}
            // One stop for the tab key, at what is chosen; arrows go on from there.
            tabIndex={i === chosen ? 0 : -1}
            className={optionClass}
            style={o.style}
          >
            {o.words}
          </Radio.Card>
        ))}
      </Group>
    </Radio.Group>
  );
}
