import type { Metadata } from 'next';
import { Compare } from '@/ui/compare/Compare';

export const metadata: Metadata = { title: 'Compare · Cobble' };

export default async function Page({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const { left, right } = await searchParams;
  const one = (value: string | string[] | undefined): string | undefined => (typeof value === 'string' ? value : undefined);
  return <Compare left={one(left)} right={one(right)} />;
}
