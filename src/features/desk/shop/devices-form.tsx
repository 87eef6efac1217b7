'use client';
import '@mantine/core/styles/Code.layer.css';
import { Button, Code, Group, NativeSelect, Stack, TextInput } from '@mantine/core';
import { useState } from 'react';
import * as v from 'valibot';
import { DEVICE_KINDS, type DeviceKind } from '@/core/devices/device-readings';
import { Feedback } from '@/shell/feedback';
import { someText, useShopForm } from '@/shell/form';
import { useDone } from '../use-done';
import type { DeviceView } from './devices-view';

const SCHEMA = v.object({ name: someText(1, 40, 'What is it called?') });

interface DeviceProps {
  readonly device: DeviceView;
  readonly onRetire: () => void;
}

/** One device: how it stands, and for whoever sets it up what it sends with its readings. */
function Device({ device: { name, kind, stands, isWrong, token }, onRetire }: DeviceProps) {
  return (
    <li>
      <Group justify="space-between" gap="0.75rem">
        <span>
          <strong>{name}</strong> <span className="soft">{kind}</span>{' '}
          <span className={isWrong ? 'late' : 'soft'}>{stands}</span>
        </span>
        {token !== null && (
          <Button variant="quiet" onClick={onRetire} aria-label={`Take ${name} out of use`}>
            Out of use
          </Button>
        )}
      </Group>
      {token !== null && (
        <details>
          <summary>How it sends …</summary>
          <p className="soft">
            It posts its readings to <Code>/devices/readings</Code> as JSON with the header{' '}
            <Code>Authorization: Bearer</Code> and this token, which is its alone:
          </p>
          <Code block>{token}</Code>
        </details>
      )}
    </li>
  );
}

interface Props {
  readonly devices: readonly DeviceView[];
  readonly mayChange: boolean;
}

/** What reads by itself: dosers and readers of strips. */
export function DevicesForm({ devices, mayChange }: Props) {
  const { problem, done } = useDone();
  const [kind, setKind] = useState<DeviceKind>('doser');
  const form = useShopForm(SCHEMA, { name: '' });
  const add = async ({ name }: typeof form.values) => {
    if ((await done('shop/add-device', { name, kind })) !== null) form.reset();
  };
  return (
    <Stack gap="0.875rem">
      {devices.length > 0 && (
        <ul className="rowlist">
          {devices.map((d) => (
            <Device
              key={d.id}
              device={d}
              onRetire={() => void done('shop/retire-device', { deviceId: d.id })}
            />
          ))}
        </ul>
      )}
      {mayChange && (
        <form onSubmit={form.onSubmit((typed) => void add(typed))}>
          <Group gap="0.875rem" align="end">
            <TextInput label="Called" {...form.getInputProps('name')} />
            <NativeSelect
              label="It is a"
              value={kind}
              data={[...DEVICE_KINDS]}
              onChange={(event) => setKind(event.currentTarget.value as DeviceKind)}
            />
            <Button type="submit">Set it up</Button>
          </Group>
        </form>
      )}
      {problem && <Feedback isAlert>{problem}</Feedback>}
    </Stack>
  );
}
