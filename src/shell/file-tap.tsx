'use client';
import { Button, FileButton, type ButtonProps } from '@mantine/core';
import { useRef, type ReactNode } from 'react';
import { PlainButton } from './plain-button';

interface Props extends ButtonProps {
  /** What the file is, for those who hear it. */
  readonly label: string;
  readonly accept: string;
  readonly capture?: 'environment';
  readonly onFile: (file: File) => void;
  /** A hand is at it: what reads the file can be made ready while one is chosen. */
  readonly onReach?: () => void;
  /** What it is called where a list has one in each of its rows. */
  readonly nameInList?: string;
  readonly children: ReactNode;
}

/** A button that asks for a file; the same one may be chosen again. */
export function FileTap({ label, accept, capture, onFile, onReach, nameInList, children, ...button }: Props) {
  const reset = useRef<() => void>(null);
  return (
    <FileButton
      accept={accept}
      {...(capture ? { capture } : {})}
      resetRef={reset}
      inputProps={{ 'aria-label': label }}
      onChange={(file) => {
        if (!file) return;
        reset.current?.();
        onFile(file);
      }}
    >
      {(props) =>
        nameInList ? (
          <PlainButton variant="quiet" aria-label={nameInList} {...props}>
            {children}
          </PlainButton>
        ) : (
          <Button {...button} {...props} onPointerEnter={onReach} onFocus={onReach}>
            {children}
          </Button>
        )
      }
    </FileButton>
  );
}
