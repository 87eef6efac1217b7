import type { Metadata } from 'next';
import { SendOffPage } from '@/features/send-off/send-off-page';

export const metadata: Metadata = { title: 'Send-off' };

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <SendOffPage search={await searchParams} />;
}
