'use client';
import { Button, UnstyledButton, type ButtonProps } from '@mantine/core';
import type { ComponentProps } from 'react';
import css from './shell.module.css';

/** Opens the list of all places. */
export function AllButton(props: ButtonProps & Omit<ComponentProps<'button'>, keyof ButtonProps>) {
  return (
    <Button aria-haspopup="menu" {...props} hiddenFrom="sm">
      All
    </Button>
  );
}

interface WhoProps extends Omit<ComponentProps<typeof UnstyledButton<'button'>>, 'name'> {
  readonly clock: string;
  readonly who: string;
}

/** Who is signed in and what time it is; opens what is theirs to set. */
export function WhoButton({ clock, who, ...props }: WhoProps) {
  return (
    <UnstyledButton aria-haspopup="dialog" {...props} className={css.who}>
      <span className="serif">{clock}</span>
      <span className={css.whoName}>{who}</span>
    </UnstyledButton>
  );
}
