import type { Metadata } from 'next';
import { SpeciesPage } from '@/features/desk/species-page';

export const metadata: Metadata = { title: 'Species and protocols' };

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <SpeciesPage search={await searchParams} />;
}
