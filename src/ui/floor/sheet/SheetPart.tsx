'use client';
import { Printer } from 'lucide-react';
import { recipeFor, stabilizerFor } from '@/core/cloth/house';
import { copiesOf, floorHoop } from '@/core/production/floor';
import { useFloor } from '@/session/derived/floorStore';
import { useJob } from '@/session/job/jobStore';
import { useLibrary } from '@/session/shop/libraryStore';
import { stopSentence } from '@/core/production/stopWords';
import { formatClock, formatLength } from '@/core/units/length';
import { counted } from '@/core/units/count';
import { Button } from '../../components/Button';
import { Swatch } from '../../components/Swatch';
import { PLACE_NAMES } from '../../brief/briefWords';
import { takeAway } from '../../components/takeAwayFile';
import { Figure, PartPage } from '../PartPage';
import { FloorFiles } from './FloorFiles';

/** The sheet that lies beside the machine, on screen. */
export function SheetPart() {
  const view = useFloor((s) => s.view);
  return (
    <PartPage
      title="Worksheet"
      says="What the operator needs beside the machine, stop by stop."
      tools={
        <Button look="primary" disabled={!view} onClick={() => void takeAway('pdf', { sheet: true })}>
          <Printer size={15} aria-hidden="true" /> As PDF
        </Button>
      }
    >
      <div className="grid gap-6">
        {view ? (
          <Sheet />
        ) : (
          <p role="status" className="text-quiet">
            Laying it out …
          </p>
        )}
        <FloorFiles />
      </div>
    </PartPage>
  );
}

function Sheet() {
  const view = useFloor((s) => s.view)!;
  const job = useJob((s) => s.job)!;
  const shop = useLibrary((s) => s.library.shop.name);
  const units = job.brief.units ?? 'mm';
  const copies = copiesOf(job).length;
  const hoop = floorHoop(job);
  return (
    <article className="rounded-md border border-hairline bg-white p-5">
      <header className="mb-4 flex items-start gap-5">
        <img src={view.href} alt="The design, sewn" className="h-[150px] w-[190px] rounded-sm border border-hairline object-contain" />
        <div className="min-w-0 flex-1">
          {shop && <p className="text-quiet">{shop}</p>}
          <h2 className="truncate text-xl font-semibold">{job.name}</h2>
          <dl className="mt-3 grid grid-cols-3 gap-4">
            <Figure
              name="Stitches"
              figure={view.figures.stitches.toLocaleString('en')}
              says={copies > 1 ? `${counted(copies, 'copy', 'copies')} in one hoop` : undefined}
            />
            <Figure
              name="One run"
              figure={formatClock(view.runs.runSeconds)}
              says={`${counted(view.figures.trims, 'trim')}, ${counted(view.stops.length - 1, 'stop')}`}
            />
            <Figure
              name="Size"
              figure={`${formatLength(view.figures.widthMm, units).replace(/ .*/, '')} × ${formatLength(view.figures.heightMm, units)}`}
              says={`hoop ${hoop.width} × ${hoop.height} mm`}
            />
          </dl>
        </div>
      </header>
      <StopTable />
      <Setting />
    </article>
  );
}

function StopTable() {
  const view = useFloor((s) => s.view)!;
  const job = useJob((s) => s.job)!;
  return (
    <table className="w-full border-collapse" data-testid="stops">
      <thead>
        <tr className="border-b border-ink text-left text-quiet">
          <th className="py-1 font-normal">Stop</th>
          <th className="py-1 font-normal">Thread</th>
          <th className="py-1 font-normal">What is done</th>
          <th className="py-1 text-right font-normal">Stitches</th>
          <th className="py-1 text-right font-normal">Trims</th>
          <th className="py-1 text-right font-normal">min</th>
        </tr>
      </thead>
      <tbody>
        {view.stops.map((stop, i) => {
          const thread = view.materials.thread.length > 0 ? job.threads[stop.thread] : undefined;
          return (
            <tr key={stop.from} className="border-b border-hairline align-top">
              <td className="figures py-1.5">{i + 1}</td>
              <td className="py-1.5 pr-3">
                <span className="flex items-center gap-2">
                  <Swatch hex={thread?.hex ?? '#ffffff'} number={stop.thread + 1} title={thread?.name ?? ''} />
                  <span className="figures">{thread?.code}</span> {thread?.name}
                </span>
              </td>
              <td className="py-1.5 pr-3">{stopSentence(stop, view.pieces)}</td>
              <td className="figures py-1.5 text-right">{stop.stitches.toLocaleString('en')}</td>
              <td className="figures py-1.5 text-right">{stop.trims}</td>
              <td className="figures py-1.5 text-right">{(stop.seconds / 60).toFixed(1)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** Cloth, what lies under and over it, needle and speed. */
function Setting() {
  const job = useJob((s) => s.job)!;
  const recipe = recipeFor(job.brief);
  const rows: [string, string][] = [
    ['Cloth', recipe.name],
    ['Place', `${PLACE_NAMES[job.brief.place]}${job.brief.garment ? `, ${job.brief.garment}` : ''}`],
    ['Stabilizer', stabilizerFor(recipe, job.settings)],
    ['Topping', recipe.topping],
    ['Needle', recipe.needle],
    ['Speed', `${recipe.speed} stitches a minute`],
    ['Quantity', String(job.brief.quantity)],
    ...(job.brief.notes ? [['Customer', job.brief.notes] as [string, string]] : []),
  ];
  return (
    <dl className="mt-4 grid grid-cols-[110px_1fr_110px_1fr] gap-x-3 gap-y-1.5">
      {rows.map(([name, value]) => (
        <div key={name} className={`contents ${name === 'Customer' ? '' : ''}`}>
          <dt className="text-quiet">{name}</dt>
          <dd className={name === 'Customer' ? 'col-span-3' : ''}>{value}</dd>
        </div>
      ))}
    </dl>
  );
}
