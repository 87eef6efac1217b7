'use client';
import { Box, Button, Group, Kbd, Modal, Switch } from '@mantine/core';
import { KEYS } from './places';
import { useKeysOff } from './use-keys';

/** The keys of the application, and whether this tablet listens for them. */
export function KeyHelp({ opened, onClose }: { opened: boolean; onClose: () => void }) {
  const [off, setOff] = useKeysOff();
  return (
    <Modal opened={opened} onClose={onClose} title="Keys">
      <dl className="bare">
        {KEYS.map(({ key, does }) => (
          <Group key={key} wrap="nowrap" mb="xs">
            <Box component="dt" w="5rem" flex="none">
              <Kbd>{key}</Kbd>
            </Box>
            <dd className="bare">{does}</dd>
          </Group>
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
