import type { Metadata } from 'next';
import { CostPage } from '@/features/pails/cost/cost-page';

export const metadata: Metadata = { title: 'What water cost' };

export default function Page() {
  return <CostPage />;
}
