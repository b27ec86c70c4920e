'use client';
import { X } from 'lucide-react';
import Link from 'next/link';
import { counted } from '@/core/units/count';
import { SignButton } from '../components/Button';
import { Sign } from '../components/Sign';
import { placeHref } from '../places';
import { forgetBegun, useBegun } from './begunStore';

/** What of the drawing did not become pieces, said before anybody counts on it. */
export function LeftOut({ id }: { id: string }) {
  const { job, notes } = useBegun();
  if (job !== id || notes.length === 0) return null;
  const all = notes.reduce((sum, n) => sum + n.count, 0);
  return (
    <section
      aria-label="Left out of the drawing"
      className="mb-5 rounded-md border border-edge bg-tape-soft px-4 py-3"
      data-testid="left-out"
    >
      <div className="flex items-start gap-2">
        <Sign of="warn" className="mt-1 text-warn" />
        <div className="min-w-0 flex-1">
          <h2 className="font-semibold">
            {counted(all, 'thing')} of the drawing {all === 1 ? 'is' : 'are'} left out or changed
          </h2>
          <ul className="list-disc pl-5">
            {notes.map(({ what, count }) => (
              <li key={what}>{count > 1 ? `${what}, ${count} times` : what}</li>
            ))}
          </ul>
          <p className="mt-1 text-quiet">
            The rest was read.{' '}
            <Link className="underline decoration-dotted underline-offset-4" href={placeHref(id, 'art')}>
              Art
            </Link>{' '}
            shows what it became.
          </p>
        </div>
        <SignButton name="Put this notice away" onClick={forgetBegun}>
          <X size={16} />
        </SignButton>
      </div>
    </section>
  );
}
