'use client';
import { Button, Group, VisuallyHidden } from '@mantine/core';
import { useState } from 'react';
import type { SpeciesFile } from '@/core/door/species-schema';
import { Feedback } from '@/shell/feedback';
import { StepForm, type StepShown } from './step-form';
import { useProtocol } from './use-protocol';

const NUMBERED = { listStyle: 'decimal', paddingLeft: '1.625rem' };

interface Props {
  readonly steps: readonly StepShown[];
  readonly file: SpeciesFile;
  readonly mayChange: boolean;
}

/** The steps the bench is told, each with its reason; for a manager the means to do it otherwise. */
export function ProtocolEditor({ steps, file, mayChange }: Props) {
  const [open, setOpen] = useState<number | null>(null);
  const { problem, put } = useProtocol(file);
  return (
    <>
      <ol className="rowlist" style={NUMBERED}>
        {steps.map((step, i) => (
          <li key={`${step.kind} ${step.title}`}>
            <Group gap="1rem" py="sm" wrap="nowrap" justify="space-between">
              <span>
                <strong>{step.title}</strong>
                {step.figures.length > 0 && (
                  <span className="soft"> {step.figures.map((f) => `${f.value} ${f.of}`).join(', ')}</span>
                )}
                <span className="says">
                  {step.reason}
                  {step.who && ` Wants ${step.who}.`}
                  {step.risk && ` ${step.risk}`}
                </span>
              </span>
              {mayChange && (
                <Button aria-expanded={open === i} onClick={() => setOpen(open === i ? null : i)}>
                  Change<VisuallyHidden>: {step.title}</VisuallyHidden>
                </Button>
              )}
            </Group>
            {open === i && <StepForm step={step} file={file} />}
          </li>
        ))}
      </ol>
      {mayChange && file.edits.length > 0 && (
        <Group gap="0.75rem" align="end">
          <p>
            {file.edits.length === 1 ? 'One change' : `${file.edits.length} changes`} of our own:{' '}
            {file.edits
              .map((e) => `${e.op} ${e.op === 'add' ? (e.title ?? e.step.kind) : e.kind}`)
              .join('; ')}
            .
          </p>
          <Button onClick={() => void put([], 'as the product has it')}>The product’s again</Button>
          <Feedback isAlert>{problem}</Feedback>
        </Group>
      )}
    </>
  );
}
