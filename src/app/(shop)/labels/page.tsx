import type { Metadata } from 'next';
import { LabelsPage } from '@/features/labels/labels-page';

export const metadata: Metadata = { title: 'Labels' };

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function Page({ searchParams }: { searchParams: Search }) {
  return <LabelsPage search={await searchParams} />;
}
