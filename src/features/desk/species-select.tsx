import { Button, Group, NativeSelect } from '@mantine/core';
import type { ReactNode } from 'react';
import { isOwnKey } from '@/core/species/registry';
import type { Species } from '@/core/species/species';

interface Props {
  readonly label: string;
  readonly species: readonly Pick<Species, 'key' | 'name'>[];
  readonly chosen: string;
  /** What stands beside the button. */
  readonly children?: ReactNode;
}

/** Which species a page of the desk shows; it goes without script. */
export function SpeciesSelect({ label, species, chosen, children }: Props) {
  return (
    <Group component="form" gap="0.75rem" align="end">
      <NativeSelect
        label={label}
        name="species"
        defaultValue={chosen}
        data={species.map((s) => ({ value: s.key, label: isOwnKey(s.key) ? `${s.name} (our own)` : s.name }))}
      />
      <Button type="submit">Show</Button>
      {children}
    </Group>
  );
}
