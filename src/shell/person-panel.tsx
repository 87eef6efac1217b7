'use client';
import {
  Button,
  NativeSelect,
  Popover,
  Stack,
  Switch,
  useComputedColorScheme,
  useMantineColorScheme,
} from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import type { Units } from '@/core/units/measures';
import { useActions } from './actions';
import { LinkButton } from './link-button';
import { WhoButton } from './band-buttons';
import { UNIT_CHOICES } from './reader';
import { useHydrated } from './use-hydrated';

export interface PersonPanelProps {
  readonly name: string;
  readonly clock: string;
  readonly language: string;
  readonly languages: readonly { readonly value: string; readonly label: string }[];
  readonly units: Units;
  readonly isQuiet: boolean;
  readonly onQuiet: (isQuiet: boolean) => void;
  readonly onKeys: () => void;
  readonly signOut: () => Promise<void>;
}

/** What somebody sets for themselves or this tablet, under their name; it is loaded as it is first opened. */
export function PersonPanel(props: PersonPanelProps) {
  const { name, clock, language, languages, units, isQuiet, onQuiet, onKeys, signOut } = props;
  const { act } = useActions();
  const [opened, { toggle, close }] = useDisclosure(true);
  const isHydrated = useHydrated();
  const { setColorScheme } = useMantineColorScheme();
  // The server knows neither what was chosen on this tablet nor what its system says.
  const dark = useComputedColorScheme('light') === 'dark' && isHydrated;
  return (
    <Popover opened={opened} onDismiss={close} trapFocus returnFocus position="bottom-end">
      <Popover.Target>
        <WhoButton clock={clock} who={name} onClick={toggle} />
      </Popover.Target>
      <Popover.Dropdown>
        <Stack gap="sm">
          <Switch
            label="Dark"
            checked={dark}
            onChange={({ currentTarget: { checked } }) => setColorScheme(checked ? 'dark' : 'light')}
          />
          <Switch
            label="Rings"
            checked={!isQuiet}
            onChange={({ currentTarget: { checked } }) => onQuiet(!checked)}
          />
          <NativeSelect
            label="Language"
            value={language}
            onChange={({ currentTarget: { value } }) => void act('desk/language', { language: value })}
            data={languages}
          />
          <NativeSelect
            label="Measures"
            value={units}
            onChange={({ currentTarget: { value } }) =>
              void act('desk/units', { units: value === 'us' ? 'us' : 'metric' })
            }
            data={UNIT_CHOICES}
          />
          <Button
            onClick={() => {
              close();
              onKeys();
            }}
          >
            Keys
          </Button>
          <LinkButton href="/desk/people" onClick={close}>
            PIN and people
          </LinkButton>
          <form action={signOut}>
            <Button type="submit" fullWidth>
              Change hands
            </Button>
          </form>
        </Stack>
      </Popover.Dropdown>
    </Popover>
  );
}
