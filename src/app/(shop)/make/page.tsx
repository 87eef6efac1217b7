import type { Metadata } from 'next';
import { MakePage } from '@/features/make/make-page';

export const metadata: Metadata = { title: 'Make' };

export default function Page() {
  return <MakePage />;
}
