import type { Metadata } from 'next';
import { FiguresPage } from '@/features/desk/figures-page';

export const metadata: Metadata = { title: 'Figures' };

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <FiguresPage search={await searchParams} />;
}
