'use client';
import { Button, Combobox, Modal, Stack, TextInput, useCombobox } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { shortcutsFor, type Shortcut } from '@/core/quick-line/shortcuts';
import { useActions } from './actions';
import { askForCamera } from './camera/ask-for-camera';
import type { QuickOption } from './quick-option';
import { Feedback } from './feedback';
import { takeTypedAhead } from './typed-ahead';
import { useQuickAnswer } from './use-quick-answer';

const LONGEST = 120;

/** What has a key, as the line offers it. */
const KEYED: Readonly<Record<Shortcut, { readonly words: string; readonly key: string }>> = {
  'take back': { words: 'Take back your last entry', key: 'Z' },
  next: { words: 'Show what is next', key: 'N' },
  keys: { words: 'Show the keys', key: '?' },
  log: { words: 'Log the step in hand', key: '.' },
};

interface Props {
  readonly opened: boolean;
  readonly onClose: () => void;
  readonly shortcuts: Readonly<Record<Shortcut, () => void>>;
  readonly ask: (tap: unknown, message: string, yes?: string) => Promise<boolean>;
}

/** What is typed, with what was typed before the field was here. */
function useText() {
  const [text, setText] = useState('');
  const takeAhead = () => {
    const ahead = takeTypedAhead();
    if (ahead !== '') setText((typed) => (typed + ahead).slice(0, LONGEST));
  };
  return { text, setText, takeAhead };
}

function Words({ onClose, shortcuts, ask }: Omit<Props, 'opened'>) {
  const router = useRouter();
  const { act } = useActions();
  const { text, setText, takeAhead } = useText();
  const [feedback, setFeedback] = useState<string | null>(null);
  const { options, problem } = useQuickAnswer(text);
  const list = useCombobox({ opened: true });
  const keyed = shortcutsFor(text);
  const first = keyed[0] ?? options[0];
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
    else setFeedback(outcome.message);
  };
  return (
    <Combobox
      store={list}
      withinPortal={false}
      onOptionSubmit={(id) => {
        const shortcut = keyed.find((k) => k === id);
        if (shortcut) {
          onClose();
          return shortcuts[shortcut]();
        }
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
              setFeedback(null);
            }}
            onFocus={takeAhead}
            // The list under the field takes this key for itself, and would keep the sheet open.
            onKeyDown={(e) => {
              if (e.key === 'Escape') onClose();
            }}
          />
        </Combobox.EventsTarget>
        {text === '' && (
          <p className="soft">
            where tulip · pail 12 · tip out 7 · bin 4 of 148 broken · 3 rose 20 limp · food 3 L · card foyer ·
            record of 148
          </p>
        )}
        <Combobox.Options aria-label="What may be meant">
          {keyed.map((shortcut) => (
            <Combobox.Option key={shortcut} value={shortcut} className="line">
              <strong>{KEYED[shortcut].words}</strong>
              <span className="soft">key {KEYED[shortcut].key}</span>
            </Combobox.Option>
          ))}
          {options.map(({ id, words, note, does }) => (
            <Combobox.Option key={id} value={id} className="line">
              <strong>{words}</strong>
              <span className="soft">{does ? `${note}; asks first` : note}</span>
            </Combobox.Option>
          ))}
        </Combobox.Options>
        <Feedback>{feedback ?? (keyed.length > 0 ? null : problem)}</Feedback>
      </Stack>
    </Combobox>
  );
}

/** A few words typed, pasted or scanned become what was meant: a page, a lot, a pail, or something to do. */
export function QuickLine({ opened, ...props }: Props) {
  return (
    <Modal
      opened={opened}
      onClose={props.onClose}
      title="Find or do"
      size="lg"
      centered={false}
      yOffset="8vh"
    >
      <Words {...props} />
      <Button
        mt="sm"
        onClick={() => {
          props.onClose();
          askForCamera();
        }}
      >
        Scan a label with the camera
      </Button>
    </Modal>
  );
}
