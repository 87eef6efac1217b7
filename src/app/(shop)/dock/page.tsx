import type { Metadata } from 'next';
import { DockPage } from '@/features/dock/dock-page';

export const metadata: Metadata = { title: 'Dock' };

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <DockPage search={await searchParams} />;
}
