import type { Metadata } from 'next';
import { PlanPage } from '@/features/bench/plan-page';

export const metadata: Metadata = { title: 'Plan' };

export default function Page() {
  return <PlanPage />;
}
