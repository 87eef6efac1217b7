import type { Metadata } from 'next';
import { KnifePage } from '@/features/bench/knife-page';

export const metadata: Metadata = { title: 'Knife card' };

export default function Page() {
  return <KnifePage />;
}
