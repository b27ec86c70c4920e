import type { Metadata } from 'next';
import { Day } from '@/ui/day/Day';

export const metadata: Metadata = { title: 'The day’s work · Cobble' };

export default function Page() {
  return <Day />;
}
