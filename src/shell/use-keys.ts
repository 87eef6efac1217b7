'use client';
import { useHotkeys, useLocalStorage, type UseStorageReturnValue } from '@mantine/hooks';

const TYPING = ['INPUT', 'SELECT', 'TEXTAREA'];

/** Whether this tablet listens for the application's keys; kept on it. */
export const useKeysOff = (): UseStorageReturnValue<boolean> =>
  useLocalStorage<boolean>({ key: 'hush-pail-keys-off', defaultValue: false });

/** Listens for the application's keys, while nobody types and nothing lies over the page. */
export function useKeys(does: Readonly<Record<string, () => void>>): void {
  const [isOff] = useKeysOff();
  useHotkeys(
    isOff
      ? []
      : Object.entries(does).map(([key, act]) => [
          key,
          (event: KeyboardEvent) => {
            // Enter is left to whatever has the focus; a key that is held is one tap.
            if (event.repeat || (event.key === 'Enter' && event.target !== document.body)) return;
            if (document.querySelector('[aria-modal=true],[role=menu]')) return;
            event.preventDefault();
            act();
          },
          { preventDefault: false },
        ]),
    TYPING,
  );
}
