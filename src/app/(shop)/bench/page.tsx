import type { Metadata } from 'next';
import { BenchPage } from '@/features/bench/bench-page';

export const metadata: Metadata = { title: 'Bench' };

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <BenchPage search={await searchParams} />;
}
