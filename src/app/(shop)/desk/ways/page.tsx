import type { Metadata } from 'next';
import { WaysPage } from '@/features/desk/ways-page';

export const metadata: Metadata = { title: 'House ways' };

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <WaysPage search={await searchParams} />;
}
