'use client';
import dynamic from 'next/dynamic';
import type { ComponentProps } from 'react';
import { Unfolds } from '@/shell/unfolds';
import type { AddSpecies } from './species-forms';

/** All the words of all steps: wanted where one species is looked at, not with their list. */
export const ProtocolEditor = dynamic(() => import('./protocol-editor').then((m) => m.ProtocolEditor));

const ImportForm = dynamic(() => import('./species-forms').then((m) => m.ImportSpecies), { ssr: false });
const AddForm = dynamic(() => import('./species-forms').then((m) => m.AddSpecies), { ssr: false });

/** A species or its protocol out of a file: asked for once it is opened. */
export function FromFile() {
  return (
    <Unfolds summary="Read a species or its protocol from a file …">
      <ImportForm />
    </Unfolds>
  );
}

/** A species the table has not: asked for once it is opened. */
export function OneMore(props: ComponentProps<typeof AddSpecies>) {
  return (
    <Unfolds summary="Add a species …">
      <AddForm {...props} />
    </Unfolds>
  );
}
