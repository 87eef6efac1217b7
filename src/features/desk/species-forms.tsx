'use client';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import * as v from 'valibot';
import { useActions } from '@/shell/actions';
import { aReason, someText, useShopForm } from '@/shell/form';
import { Feedback } from '@/shell/feedback';
import { FileTap } from '@/shell/file-tap';
import { ReasonInput } from './reason-input';

const REASONED = v.object({ reason: aReason });
const NAMED = v.object({
  name: someText(2, 60, 'What is it called?'),
  botanical: someText(2, 80, 'Its botanical name, so that nobody takes it for another.'),
  like: v.string(),
});
const MOST_BYTES = 200_000;

/** What a file says before it is taken. */
interface Read {
  readonly file: Record<string, unknown>;
  readonly words: string;
}

function readFile(text: string): Read | string {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch {
    return 'That file is not JSON. Nothing was read.';
  }
  if (typeof parsed !== 'object' || parsed === null || Array.isArray(parsed))
    return 'That file holds no species. Nothing was read.';
  const file = parsed as Record<string, unknown>;
  const edits = Array.isArray(file.edits) ? file.edits.length : 0;
  const key = typeof file.speciesKey === 'string' ? file.speciesKey : 'no species';
  return { file, words: `${key}: ${edits} changes${file.species ? ', with its own figures' : ''}` };
}

/** A species or protocol out of a file: read, shown, and taken only when it is said so. */
export function ImportSpecies() {
  const router = useRouter();
  const { act } = useActions();
  const [read, setRead] = useState<Read | null>(null);
  const [feedback, setFeedback] = useState<string | null>(null);
  const form = useShopForm(REASONED, { reason: '' });
  const choose = async (chosen: File) => {
    setRead(null);
    setFeedback(null);
    if (chosen.size > MOST_BYTES)
      return setFeedback('That is larger than a species can be. Nothing was read.');
    const result = readFile(await chosen.text());
    if (typeof result === 'string') setFeedback(result);
    else setRead(result);
  };
  const take = async ({ reason }: { reason: string }) => {
    const outcome = await act('desk/set-protocol', { file: read?.file, reason });
    if (!outcome.ok) return setFeedback(`${outcome.message} Nothing was changed.`);
    const key = read?.file.speciesKey;
    setRead(null);
    form.reset();
    setFeedback('Taken. It holds for lots that come from now on.');
    router.push(`/desk/species?species=${typeof key === 'string' ? key : ''}`);
  };
  return (
    <div className="row low tray">
      <FileTap
        label="A file saved here or in another shop, JSON"
        accept=".json,application/json"
        onFile={(file) => void choose(file)}
      >
        A file saved here or in another shop …
      </FileTap>
      {read && (
        <form className="row low tray" onSubmit={form.onSubmit((typed) => void take(typed))}>
          <p>{read.words}</p>
          <ReasonInput {...form.getInputProps('reason')} />
          <Button type="submit">Take it</Button>
        </form>
      )}
      <Feedback>{feedback}</Feedback>
    </div>
  );
}

/** A species the table has not, begun as one like it; its figures are then changed under Figures. */
export function AddSpecies({
  species,
}: {
  species: readonly { readonly key: string; readonly name: string }[];
}) {
  const router = useRouter();
  const { act } = useActions();
  const form = useShopForm(NAMED, { name: '', botanical: '', like: species[0]?.key ?? '' });
  const [problem, setProblem] = useState<string | null>(null);
  const add = async ({ name, botanical, like }: typeof form.values) => {
    const outcome = await act('desk/add-species', {
      name,
      botanical,
      like,
      reason: `like ${species.find((s) => s.key === like)?.name.toLowerCase() ?? like}`,
    });
    if (!outcome.ok) return setProblem(outcome.message);
    setProblem(null);
    const key = (outcome.value as { key?: string } | null)?.key ?? '';
    router.push(`/desk/species?species=${key}`);
  };
  return (
    <form className="row low tray" onSubmit={form.onSubmit((typed) => void add(typed))}>
      <TextInput label="Name" maxLength={60} {...form.getInputProps('name')} />
      <TextInput label="Botanical name" maxLength={80} {...form.getInputProps('botanical')} />
      <NativeSelect
        label="Behaves like"
        {...form.getInputProps('like')}
        data={species.map((s) => ({ value: s.key, label: s.name }))}
      />
      <Button type="submit">Add it</Button>
      <Feedback isAlert>{problem}</Feedback>
    </form>
  );
}
