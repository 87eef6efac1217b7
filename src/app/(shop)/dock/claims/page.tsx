import type { Metadata } from 'next';
import { ClaimsPage } from '@/features/dock/claims-page';

export const metadata: Metadata = { title: 'Claims' };

export default function Page() {
  return <ClaimsPage />;
}
