import type { Metadata } from 'next';
import { ProofPage } from '@/features/desk/proof/proof-page';

export const metadata: Metadata = { title: 'Pails, proved' };

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <ProofPage search={await searchParams} />;
}
