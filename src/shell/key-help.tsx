'use client';
import { Button, Group, Kbd, Modal, Switch } from '@mantine/core';
import { KEYS } from './places';
import css from './shell.module.css';
import { useKeysOff } from './use-keys';

/** The keys of the application, and whether this tablet listens for them. */
export function KeyHelp({ opened, onClose }: { opened: boolean; onClose: () => void }) {
  const [off, setOff] = useKeysOff();
  return (
    <Modal opened={opened} onClose={onClose} title="Keys">
      <dl className={css.keys}>
        {KEYS.map(({ key, does }) => (
          <div key={key}>
            <dt>
              <Kbd>{key}</Kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <Group justify="space-between">
        <Switch
          label="Listen for keys"
          checked={!off}
          onChange={({ currentTarget: { checked } }) => setOff(!checked)}
        />
        <Button onClick={onClose}>Close</Button>
      </Group>
    </Modal>
  );
}
