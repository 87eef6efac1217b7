'use client';
import dynamic from 'next/dynamic';
import { Unfolds } from '@/shell/unfolds';

const AddPersonForm = dynamic(() => import('./add-person-form').then((m) => m.AddPersonForm), { ssr: false });

/** Somebody new: asked for once it is opened. */
export function AddPerson({ isOwner }: { isOwner: boolean }) {
  return (
    <Unfolds summary="Somebody new …">
      <AddPersonForm isOwner={isOwner} />
    </Unfolds>
  );
}
