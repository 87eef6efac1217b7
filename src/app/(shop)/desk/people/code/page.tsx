import type { Metadata } from 'next';
import { FactorPage } from '@/features/desk/shop/factor-page';

export const metadata: Metadata = { title: 'Sign in with a code' };

export default function Page() {
  return <FactorPage />;
}
