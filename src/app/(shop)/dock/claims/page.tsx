import type { Metadata } from 'next';
import { ClaimsPage } from '@/features/dock/claims-page';

export const metadata: Metadata = { title: 'Claims' };

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <ClaimsPage search={await searchParams} />;
}
