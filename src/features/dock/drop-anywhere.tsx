'use client';
import '@mantine/dropzone/styles.layer.css';
import { Text } from '@mantine/core';
import { Dropzone } from '@mantine/dropzone';

/** Takes a note that is dropped anywhere on the page. */
export function DropAnywhere({ onFile }: { onFile: (file: File) => void }) {
  return (
    <Dropzone.FullScreen
      styles={{ root: { border: 0, background: 'var(--wash)', color: 'inherit' } }}
      multiple={false}
      onDrop={([file]) => file && onFile(file)}
    >
      <Text p="xl" fz="1.5rem">
        Let go: the note is read, and nothing is booked in before you say so.
      </Text>
    </Dropzone.FullScreen>
  );
}
