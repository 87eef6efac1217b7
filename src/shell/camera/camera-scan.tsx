'use client';
import '@mantine/core/styles/AspectRatio.layer.css';
import { AspectRatio, Button, Modal, Stack } from '@mantine/core';
import { useRef } from 'react';
import { Feedback } from '../feedback';
import { useCamera } from './use-camera';

interface Props {
  readonly opened: boolean;
  readonly onClose: () => void;
  readonly onCode: (code: string) => void;
  /** What came of the last code. */
  readonly feedback: string;
}

function Picture({ onCode, feedback }: Pick<Props, 'onCode' | 'feedback'>) {
  const video = useRef<HTMLVideoElement>(null);
  const problem = useCamera(video, onCode);
  return (
    <Stack gap="sm">
      {problem === null && (
        <AspectRatio ratio={4 / 3} bg="var(--ink)">
          <video ref={video} muted playsInline aria-label="What the camera sees" />
        </AspectRatio>
      )}
      <p className="soft">Hold the label of a lot or a pail before it. It opens by itself.</p>
      <Feedback isAlert={problem !== null}>{problem ?? feedback}</Feedback>
    </Stack>
  );
}

/** A tablet's own camera as a scanner of labels. */
export function CameraScan({ opened, onClose, ...props }: Props) {
  return (
    <Modal opened={opened} onClose={onClose} title="Scan a label" size="md">
      <Picture {...props} />
      <Button mt="sm" onClick={onClose}>
        Close
      </Button>
    </Modal>
  );
}
