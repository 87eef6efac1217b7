import type { Metadata } from 'next';
import { DeskPage } from '@/features/desk/desk-page';

export const metadata: Metadata = { title: 'Desk' };

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <DeskPage search={await searchParams} />;
}
