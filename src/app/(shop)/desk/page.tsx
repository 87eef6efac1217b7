import type { Metadata } from 'next';
import { DeskPage } from '@/features/desk/desk-page';

export const metadata: Metadata = { title: 'Desk' };

export default function Page() {
  return <DeskPage />;
}
