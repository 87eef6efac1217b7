import type { Metadata } from 'next';
import { OnePailPage } from '@/features/pails/one-pail/one-pail-page';

export const metadata: Metadata = { title: 'A pail' };

export default async function Page({ params }: { params: Promise<{ pailId: string }> }) {
  return <OnePailPage pailId={(await params).pailId} />;
}
