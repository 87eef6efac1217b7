import type { Metadata } from 'next';
import { MakePage } from '@/features/make/make-page';

export const metadata: Metadata = { title: 'Make' };

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <MakePage search={await searchParams} />;
}
