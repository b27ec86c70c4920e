import type { Metadata } from 'next';
import { Shelf } from '@/ui/shelf/Shelf';

export const metadata: Metadata = { title: 'Cobble' };

export default function Page() {
  return <Shelf />;
}
