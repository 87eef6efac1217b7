import type { Metadata } from 'next';
import { OpenShopForm } from '@/features/open-shop/open-shop-form';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Open my shop' };

export default function Page() {
  return <OpenShopForm />;
}
