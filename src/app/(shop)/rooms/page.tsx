import type { Metadata } from 'next';
import { RoomsPage } from '@/features/rooms/rooms-page';

export const metadata: Metadata = { title: 'Rooms' };

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <RoomsPage search={await searchParams} />;
}
