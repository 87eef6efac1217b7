import type { Metadata } from 'next';
import { WaterPage } from '@/features/desk/shop/water-page';

export const metadata: Metadata = { title: 'Water and washing' };

export default function Page() {
  return <WaterPage />;
}
