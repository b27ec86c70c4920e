'use client';
import { said } from '@/session/view/unitsStore';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from '@/session/notice';
import { fitsHoop } from '@/core/document/job';
import type { Job } from '@/core/document/types';
import { formatLength } from '@/core/units/length';
import { changeBrief, madeFrom, takePieces } from '@/session/edit/commands';
import { useJob } from '@/session/job/jobStore';
import type { Survey } from '@/core/artwork/survey';
import { Button } from '../components/Button';
import { Choice } from '../components/Choice';
import { NumberField } from '../components/NumberField';
import { placeHref } from '../places';
import { ByFeature } from './ByFeature';
import { HoopView, type Feature } from './HoopView';
import { PictureCard } from './picture/PictureCard';
import { Pose } from './Pose';
import { SizeReport } from './SizeReport';
import { RegionList } from './RegionList';
import { useSurvey } from './useSurvey';
import { counted } from '@/core/units/count';
import { Sign } from '../components/Sign';

/** Will the artwork sew at this size? */
export function Art() {
  const job = useJob((s) => s.job);
  const artwork = useJob((s) => s.artwork);
  const state = useSurvey(job, artwork);
  const [marked, setMarked] = useState<number | null>(null);
  const [feature, setFeature] = useState<Feature | null>(null);
  const [picking, setPicking] = useState(false);
  const [place, setPlace] = useState<number | null>(null);
  if (!job) return null;
  const survey = state.progress === null ? state.survey : null;
  return (
    <main className="flex min-h-0 flex-1">
      <h1 className="sr-only">Artwork at real size</h1>
      <div className="relative min-w-0 flex-1 bg-mat">
        <HoopView
          job={job}
          survey={survey}
          marked={marked}
          onMark={setMarked}
          place={place}
          onPlace={setPlace}
          feature={feature}
          onFeature={picking ? setFeature : null}
        />
        {state.progress !== null && (
          <div role="status" className="absolute top-4 left-4 flex items-center gap-3 rounded-md border border-edge bg-panel px-3 py-2">
            Measuring the artwork … <span className="figures w-10 text-right">{Math.round(state.progress * 100)} %</span>
            <Button dense onClick={state.cancel}>
              Cancel
            </Button>
          </div>
        )}
      </div>
      <aside className="relative flex w-[430px] shrink-0 flex-col border-l border-hairline bg-panel">
        <SizeFields job={job} survey={survey} />
        <PictureCard job={job} artwork={artwork} widthMm={state.survey?.widthMm ?? job.brief.size.width ?? 80} />
        {survey && (
          <ByFeature
            survey={survey}
            picking={picking}
            feature={feature}
            onPicking={(on) => {
              setPicking(on);
              setFeature(null);
            }}
          />
        )}
        {job.artwork.length > 0 && <Pose job={job} />}
        {state.problem && (
          <div role="alert" className="m-4 flex items-start gap-3 rounded-md border border-danger p-3 text-danger">
            <p className="flex-1">{state.problem}</p>
            <Button dense onClick={state.again}>
              Measure again
            </Button>
          </div>
        )}
        {job.artwork.length === 0 && (
          <p className="m-4 text-quiet">This job has no artwork: its pieces were drawn or came with a job file. They are on the Bench.</p>
        )}
        {survey && <Report survey={survey} marked={marked} onMark={setMarked} place={place} onPlace={setPlace} />}
        {survey && <MakePieces job={job} survey={survey} />}
      </aside>
    </main>
  );
}

function SizeFields({ job, survey }: { job: Job; survey: Survey | null }) {
  const { size, units = 'mm', hoop } = job.brief;
  const byHeight = size.height !== undefined;
  const set = (patch: { width?: number; height?: number }): void => {
    const problem = changeBrief('Finished size', { size: patch });
    if (problem) toast.error(problem);
  };
  const fits = !survey || fitsHoop(hoop, survey.widthMm - 0.005, survey.heightMm - 0.005);
  return (
    <section aria-label="Size" className="border-b border-hairline p-4">
      <div className="flex items-end gap-3">
        <p className="figures self-center text-lg leading-none font-semibold whitespace-nowrap" data-testid="art-size">
          {survey ? `${formatLength(survey.widthMm, units).replace(/ .*/, '')} × ${formatLength(survey.heightMm, units)}` : '…'}
        </p>
        <div className="ml-auto flex gap-2">
          <Choice
            label="Scale by"
            hideLabel
            className="w-[84px]"
            value={byHeight ? 'height' : 'width'}
            options={[
              { value: 'width', name: 'Width' },
              { value: 'height', name: 'Height' },
            ]}
            onChange={(side) => survey && set({ [side]: Math.round((side === 'width' ? survey.widthMm : survey.heightMm) * 10) / 10 })}
          />
          <NumberField
            label={byHeight ? 'Finished height' : 'Finished width'}
            hideLabel
            className="w-[104px]"
            value={size.height ?? size.width}
            unit="mm"
            lengthUnit={units}
            min={1}
            max={1000}
            step={1}
            decimals={1}
            onCommit={(mm) => set({ [byHeight ? 'height' : 'width']: mm })}
          />
        </div>
      </div>
      {!fits && (
        <p role="alert" className="mt-2 font-semibold text-danger">
          <Sign of="stop" /> Larger than the hoop’s field ({said(`${hoop.width} × ${hoop.height} mm`)}): make it smaller or choose a larger
          hoop in the Brief.
        </p>
      )}
    </section>
  );
}

interface ReportProps {
  survey: Survey;
  marked: number | null;
  onMark(i: number | null): void;
  place: number | null;
  onPlace(i: number | null): void;
}

function Report({ survey, marked, onMark, place, onPlace }: ReportProps) {
  const notes = [
    ...survey.notes.map((n) => (n.count > 1 ? `${n.what}, ${n.count} times` : n.what)),
    ...(survey.hidden > 0
      ? [counted(survey.hidden, 'shape wholly hidden under others is left out', 'shapes wholly hidden under others are left out')]
      : []),
    ...(survey.shading > 0
      ? [counted(survey.shading, 'faint shading over other paint is left out', 'faint shadings over other paint are left out')]
      : []),
    ...(survey.specks > 0 ? [counted(survey.specks, 'speck too small to sew is left out', 'specks too small to sew are left out')] : []),
  ];
  return (
    <>
      {notes.length > 0 && (
        <section aria-label="Left out or changed" className="border-b border-hairline px-4 py-3">
          <h2 className="font-semibold">Left out or changed</h2>
          <ul className="mt-1 list-disc pl-5 text-quiet">
            {notes.map((n) => (
              <li key={n}>{n}</li>
            ))}
          </ul>
        </section>
      )}
      <SizeReport survey={survey} marked={place} onMark={onPlace} />
      <RegionList regions={survey.regions} marked={marked} onMark={onMark} />
    </>
  );
}

function MakePieces({ job, survey }: { job: Job; survey: Survey }) {
  const router = useRouter();
  const made = job.pieces.length > 0;
  const current = madeFrom(job, survey);
  const go = (): void => router.push(placeHref(job.id, 'bench'));
  const make = (): void => {
    const kept = takePieces(survey);
    if (kept > 0) toast.success(`${counted(kept, 'piece')} changed by hand ${kept === 1 ? 'stays' : 'stay'} as before.`);
  };
  return (
    <div className="flex items-center gap-3 border-t border-hairline p-4">
      <p className="flex-1 text-quiet">
        {current
          ? `The bench has ${counted(job.pieces.length, 'piece')} at this size.`
          : made
            ? 'The pieces on the bench were made at another size, from another drawing, or before what you decided above.'
            : 'Nothing is on the bench yet.'}
      </p>
      {current && (
        <Button onClick={make} title="Replaces all pieces; can be undone">
          Make again
        </Button>
      )}
      <Button
        look="primary"
        onClick={() => {
          if (!current) make();
          go();
        }}
      >
        {current ? 'To the bench' : `Make ${counted(survey.pieces.length, 'piece')}`}
      </Button>
    </div>
  );
}
