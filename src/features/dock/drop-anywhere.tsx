'use client';
import '@mantine/dropzone/styles.layer.css';
import { Dropzone } from '@mantine/dropzone';
import css from './dock.module.css';

/** Takes a note that is dropped anywhere on the page. */
export function DropAnywhere({ onFile }: { onFile: (file: File) => void }) {
  return (
    <Dropzone.FullScreen multiple={false} onDrop={([file]) => file && onFile(file)}>
      <p className={css.dropHere}>Let go: the note is read, and nothing is booked in before you say so.</p>
    </Dropzone.FullScreen>
  );
}
