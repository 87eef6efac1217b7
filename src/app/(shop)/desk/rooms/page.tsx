import type { Metadata } from 'next';
import { RoomsPage } from '@/features/desk/shop/rooms-page';

export const metadata: Metadata = { title: 'Rooms and pails' };

export default function Page() {
  return <RoomsPage />;
}
