import type { ReactNode } from 'react';
import { isOwnKey } from '@/core/species/registry';
import type { Species } from '@/core/species/species';
import css from './desk.module.css';

interface Props {
  readonly label: string;
  readonly species: readonly Species[];
  readonly chosen: string;
  /** What stands beside the button. */
  readonly children?: ReactNode;
}

/** Which species a page of the desk shows; it goes without script. */
export function SpeciesSelect({ label, species, chosen, children }: Props) {
  return (
    <form className={css.choose}>
      <label>
        {label}
        <select name="species" defaultValue={chosen}>
          {species.map((s) => (
            <option key={s.key} value={s.key}>
              {s.name}
              {isOwnKey(s.key) ? ' (our own)' : ''}
            </option>
          ))}
        </select>
      </label>
      <button type="submit" className="plain">
        Show
      </button>
      {children}
    </form>
  );
}
