import { notFound } from 'next/navigation';
import { JobPlace } from '@/ui/JobPlace';
import { idOfAddress, isPlace } from '@/ui/places';

export default async function Page({ params }: { params: Promise<{ id: string; place: string }> }) {
  const { id, place } = await params;
  if (!isPlace(place)) notFound();
  return <JobPlace id={idOfAddress(id)} place={place} />;
}
