'use client';
import type { Job } from '@/core/document/types';
import { namesOf, SewnChanges } from '../compare/SewnChanges';
import { useClothChange } from './useClothChange';

/** What the change of cloth did, piece by piece: nobody has to go and look. */
export function ClothChanged({ job }: { job: Job }) {
  const change = useClothChange(job);
  if (!change) return null;
  return (
    <section
      aria-label="What the change of cloth did"
      role="status"
      className="rounded-md border border-hairline bg-panel p-5"
      data-testid="cloth-change"
    >
      {change === 'laying' ? (
        <p className="text-quiet">Laying the stitches for the new cloth …</p>
      ) : (
        <>
          <h2 className="text-lg font-semibold">
            From {change.from.toLowerCase()} to {change.to.toLowerCase()}
          </h2>
          <p>
            <span className="figures">{change.stitches[0].toLocaleString('en')}</span> stitches became{' '}
            <span className="figures font-semibold">{change.stitches[1].toLocaleString('en')}</span>. What was set by hand stays.
          </p>
          {change.changes.length === 0 ? (
            <p className="mt-1 text-quiet">No piece is sewn otherwise.</p>
          ) : (
            <SewnChanges changes={change.changes} names={namesOf(job)} />
          )}
        </>
      )}
    </section>
  );
}
