import type { Metadata } from 'next';
import { PailsPage } from '@/features/pails/pails-page';

export const metadata: Metadata = { title: 'Pails' };

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <PailsPage search={await searchParams} />;
}
