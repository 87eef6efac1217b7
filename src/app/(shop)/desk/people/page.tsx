import type { Metadata } from 'next';
import { PeoplePage } from '@/features/desk/shop/people-page';

export const metadata: Metadata = { title: 'People' };

export default function Page() {
  return <PeoplePage />;
}
