'use client';
import { useEffect } from 'react';
import type { Job } from '@/core/document/types';
import { useClothChange, watchCloth, type ClothChange } from '@/session/derived/clothChangeStore';
import { namesOf, SewnChanges } from '../compare/SewnChanges';

/** What the change of cloth did, piece by piece: nobody has to go and look. */
export function ClothChanged({ job }: { job: Job }) {
  const { change, progress, problem } = useClothChange();
  useEffect(watchCloth, []);
  if (progress === null && !problem && change?.id !== job.id) return null;
  return (
    <section
      aria-label="What the change of cloth did"
      role="status"
      className="rounded-md border border-hairline bg-panel p-5"
      data-testid="cloth-change"
    >
      {problem && <p role="alert">{problem}</p>}
      {progress !== null && <p className="text-quiet">Laying the stitches for the new cloth … {Math.round(progress * 100)} %</p>}
      {progress === null && change && <Told job={job} change={change} />}
    </section>
  );
}

function Told({ job, change: { from, to, stitches, changes } }: { job: Job; change: ClothChange }) {
  return (
    <>
      <h2 className="text-lg font-semibold">
        From {from.toLowerCase()} to {to.toLowerCase()}
      </h2>
      <p>
        <span className="figures">{stitches[0].toLocaleString('en')}</span> stitches became{' '}
        <span className="figures font-semibold">{stitches[1].toLocaleString('en')}</span>. What was set by hand stays.
      </p>
      {changes.length === 0 ? (
        <p className="mt-1 text-quiet">No piece is sewn otherwise.</p>
      ) : (
        <SewnChanges changes={changes} names={namesOf(job)} />
      )}
    </>
  );
}
