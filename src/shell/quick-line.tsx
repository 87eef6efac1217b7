'use client';
import { Combobox, Modal, Stack, TextInput, useCombobox } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { useActions } from './actions';
import type { QuickOption } from './quick-option';
import { Said } from './said';
import css from './shell.module.css';
import { useQuickAnswer } from './use-quick-answer';

const LONGEST = 120;

interface Props {
  readonly opened: boolean;
  readonly onClose: () => void;
  readonly ask: (tap: unknown, message: string, yes?: string) => Promise<boolean>;
}

function Words({ onClose, ask }: Omit<Props, 'opened'>) {
  const router = useRouter();
  const { act } = useActions();
  const [text, setText] = useState('');
  const [said, setSaid] = useState<string | null>(null);
  const { options, problem } = useQuickAnswer(text);
  const list = useCombobox({ opened: true });
  const [first] = options;
  useEffect(() => {
    if (first) list.selectFirstOption();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the list is another object at every drawing
  }, [first]);
  const choose = async ({ href, does, words }: QuickOption) => {
    if (href !== undefined) {
      onClose();
      return router.push(href);
    }
    // Told whole before it is done: what was read from a few words may not be what was meant.
    if (!does || !(await ask(null, words, does.yes))) return;
    const outcome = await act(does.name, does.body as never, words);
    if (outcome.ok) onClose();
    else setSaid(outcome.message);
  };
  return (
    <Combobox
      store={list}
      withinPortal={false}
      onOptionSubmit={(id) => {
        const option = options.find((o) => o.id === id);
        if (option) void choose(option);
      }}
    >
      <Stack gap="sm">
        <Combobox.EventsTarget>
          <TextInput
            data-autofocus
            label="A few words"
            placeholder="bin 4 of 148 broken"
            maxLength={LONGEST}
            value={text}
            onChange={(e) => {
              setText(e.target.value);
              setSaid(null);
            }}
            // The list under the field takes this key for itself, and would keep the sheet open.
            onKeyDown={(e) => {
              if (e.key === 'Escape') onClose();
            }}
          />
        </Combobox.EventsTarget>
        {text === '' && (
          <p className="soft">
            where tulip · pail 12 · tip out 7 · bin 4 of 148 broken · 3 rose 20 limp · card foyer · record of
            148
          </p>
        )}
        <Combobox.Options aria-label="What may be meant">
          {options.map(({ id, words, note, does }) => (
            <Combobox.Option key={id} value={id} className={css.quick}>
              <strong>{words}</strong>
              <span className="soft">{does ? `${note}; asks first` : note}</span>
            </Combobox.Option>
          ))}
        </Combobox.Options>
        <Said>{said ?? problem}</Said>
      </Stack>
    </Combobox>
  );
}

/** A few words typed, pasted or scanned become what was meant: a page, a lot, a pail, or something to do. */
export function QuickLine({ opened, onClose, ask }: Props) {
  return (
    <Modal opened={opened} onClose={onClose} title="Find or do" size="lg" centered={false} yOffset="8vh">
      <Words onClose={onClose} ask={ask} />
    </Modal>
  );
}
