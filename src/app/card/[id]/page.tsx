import type { Metadata } from 'next';
import { PrintPage } from '@/features/send-off/print-page';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Care card' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  return <PrintPage cardId={(await params).id} />;
}
