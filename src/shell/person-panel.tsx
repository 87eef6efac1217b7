'use client';
import {
  Button,
  NativeSelect,
  Popover,
  Stack,
  Switch,
  UnstyledButton,
  useComputedColorScheme,
  useMantineColorScheme,
} from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import { saidDate } from '@/core/calendar/said-dates';
import { useActions } from './actions';
import { useShopNow } from './clock';
import css from './shell.module.css';
import { useHydrated } from './use-hydrated';

interface Props {
  readonly name: string;
  readonly timeZone: string;
  readonly language: string;
  readonly languages: readonly { readonly value: string; readonly label: string }[];
  readonly isQuiet: boolean;
  readonly onQuiet: (isQuiet: boolean) => void;
  readonly onKeys: () => void;
  readonly signOut: () => Promise<void>;
}

/** Who is signed in, and what they set for themselves or this tablet. */
export function PersonPanel(props: Props) {
  const { name, timeZone, language, languages, isQuiet, onQuiet, onKeys, signOut } = props;
  const { act } = useActions();
  const now = useShopNow();
  const [opened, { toggle, close }] = useDisclosure(false);
  const isHydrated = useHydrated();
  const { setColorScheme } = useMantineColorScheme();
  // The server knows neither what was chosen on this tablet nor what its system says.
  const dark = useComputedColorScheme('light') === 'dark' && isHydrated;
  return (
    <Popover opened={opened} onDismiss={close} trapFocus returnFocus position="bottom-end">
      <Popover.Target>
        <UnstyledButton className={css.who} onClick={toggle}>
          <span className={css.whoClock}>{now === null ? '' : saidDate(now, timeZone, 'clock')}</span>
          <span className={css.whoName}>{name}</span>
        </UnstyledButton>
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
          <Button
            onClick={() => {
              close();
              onKeys();
            }}
          >
            Keys
          </Button>
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
