'use client';
import { lengthText } from '@/session/view/unitsStore';
import Link from 'next/link';
import { versionNumber } from '@/core/document/sewout';
import type { Job } from '@/core/document/types';
import { counted } from '@/core/units/count';
import { laidPhotos, photoShown, usePhotoLook, type HeldAgainst, type LaidOn } from '@/session/sewouts/photoLookStore';
import { useSewouts } from '@/session/sewouts/sewoutStore';
import { useJob } from '@/session/job/jobStore';
import { placeHref } from '../../places';
import { Choice } from '../../components/Choice';
import { OVER_WAYS } from '../../sewouts/viewer/overWays';

/** Which photo is looked at, against what, and how the two are told apart. */
export function PhotoLegend() {
  const job = useJob((s) => s.job);
  const chosen = usePhotoLook((s) => s.photo);
  if (!job) return null;
  const shown = photoShown(job, chosen);
  return (
    <div className="absolute top-9 left-0 w-[268px] rounded-md border border-hairline bg-panel p-2 text-xs" data-testid="photo-legend">
      {shown ? <Shown job={job} shown={shown} /> : <NoPhoto job={job} />}
    </div>
  );
}

const NoPhoto = ({ job }: { job: Job }) => (
  <p>
    No photo of a test lies over this plan yet.{' '}
    <Link href={placeHref(job.id, 'sewouts')} className="underline">
      {job.sewouts.length > 0 ? 'Lay one over it in Sew-outs' : 'Log a sew-out with its photo'}
    </Link>
    .
  </p>
);

function Shown({ job, shown: { sewout, photo } }: { job: Job; shown: LaidOn }) {
  const { against, way, at } = usePhotoLook();
  const drawing = useSewouts((s) => s.drawing);
  const laid = laidPhotos(job);
  const now = versionNumber(job);
  return (
    <div className="grid gap-1.5">
      <p className="text-base font-semibold">
        {sewout.marks.length > 0
          ? `${counted(sewout.marks.length, 'mark')} on version ${sewout.version.number}`
          : `Version ${sewout.version.number}, nothing marked`}
      </p>
      {drawing.problem && (
        <p role="alert" className="text-danger">
          {drawing.problem}
        </p>
      )}
      {drawing.progress !== null && <p role="status">Drawing it …</p>}
      <Choice
        label="Photo"
        hideLabel
        dense
        value={photo.id}
        options={laid.map((l) => ({ value: l.photo.id, name: `Version ${l.sewout.version.number}, ${l.sewout.on}, photo ${l.number}` }))}
        onChange={(id) => usePhotoLook.setState({ photo: id })}
      />
      <Choice
        label="Held against"
        hideLabel
        dense
        value={against}
        options={[
          { value: 'now', name: `Over the plan as it is now (version ${now})` },
          { value: 'plan', name: 'Over what was sewn, as planned' },
          { value: 'foreseen', name: 'Over what was sewn, as foreseen' },
        ]}
        onChange={(key: HeldAgainst) => usePhotoLook.setState({ against: key })}
      />
      <div className="flex items-center gap-2">
        <Choice label="Shown as" hideLabel dense value={way} options={OVER_WAYS} onChange={(w) => usePhotoLook.setState({ way: w })} />
        {way === 'slider' && (
          <input
            type="range"
            min={0}
            max={100}
            value={at}
            aria-label="How much of the photo is shown"
            className="min-w-0 flex-1 accent-[#1d282c]"
            onChange={(e) => usePhotoLook.setState({ at: Number(e.target.value) })}
          />
        )}
      </div>
      <p className="leading-tight text-quiet">
        {photo.laying?.errorMm === undefined ? 'Laid by hand.' : `It lies within ${lengthText(photo.laying.errorMm, 2)}.`} A mark chooses
        its piece.
      </p>
    </div>
  );
}
