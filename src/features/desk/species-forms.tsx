'use client';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { FIRST_SPECIES } from '@/core/species/species';
import { useActions } from '@/shell/actions';
import { Said } from '@/shell/said';
import css from './desk.module.css';
import { FileTap } from '@/shell/file-tap';
import { ReasonInput } from './reason-input';

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
  const [said, setSaid] = useState<string | null>(null);
  const [reason, setReason] = useState('');
  const choose = async (chosen: File) => {
    setRead(null);
    setSaid(null);
    if (chosen.size > MOST_BYTES) return setSaid('That is larger than a species can be. Nothing was read.');
    const result = readFile(await chosen.text());
    if (typeof result === 'string') setSaid(result);
    else setRead(result);
  };
  const take = async () => {
    const outcome = await act('desk/set-protocol', { file: read?.file, reason });
    if (!outcome.ok) return setSaid(`${outcome.message} Nothing was changed.`);
    const key = read?.file.speciesKey;
    setRead(null);
    setReason('');
    setSaid('Taken. It holds for lots that come from now on.');
    router.push(`/desk/species?species=${typeof key === 'string' ? key : ''}`);
  };
  return (
    <div className={css.change}>
      <FileTap
        label="A file saved here or in another shop, JSON"
        accept=".json,application/json"
        onFile={(file) => void choose(file)}
      >
        A file saved here or in another shop …
      </FileTap>
      {read && (
        <>
          <p>{read.words}</p>
          <ReasonInput value={reason} onChange={setReason} />
          <Button disabled={reason.trim().length < 3} onClick={() => void take()}>
            Take it
          </Button>
        </>
      )}
      <Said>{said}</Said>
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
  const [name, setName] = useState('');
  const [botanical, setBotanical] = useState('');
  const [like, setLike] = useState(FIRST_SPECIES.key);
  const [problem, setProblem] = useState<string | null>(null);
  const add = async () => {
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
    <form
      className={css.change}
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <TextInput label="Name" value={name} maxLength={60} onChange={(e) => setName(e.target.value)} />
      <TextInput
        label="Botanical name"
        value={botanical}
        maxLength={80}
        onChange={(e) => setBotanical(e.target.value)}
      />
      <NativeSelect
        label="Behaves like"
        value={like}
        onChange={(e) => setLike(e.target.value)}
        data={species.map((s) => ({ value: s.key, label: s.name }))}
      />
      <Button type="submit" disabled={name.trim().length < 2 || botanical.trim().length < 2}>
        Add it
      </Button>
      <Said isAlert>{problem}</Said>
    </form>
  );
}
