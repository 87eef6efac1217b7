import type { Metadata } from 'next';
import { ShopPage } from '@/features/desk/shop/shop-page';

export const metadata: Metadata = { title: 'The shop' };

export default function Page() {
  return <ShopPage />;
}
