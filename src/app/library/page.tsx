import type { Metadata } from 'next';
import { Library } from '@/ui/library/Library';

export const metadata: Metadata = { title: 'Library · Cobble' };

export default function Page() {
  return <Library />;
}
