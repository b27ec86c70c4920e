'use client';
import { Printer } from 'lucide-react';
import type { WorksheetStop } from '@/core/production/worksheet';
import { copiesOf } from '@/core/production/floor';
import { useJob } from '@/session/job/jobStore';
import { useFloor } from '@/session/derived/floorStore';
import { useLibrary } from '@/session/shop/libraryStore';
import { Button } from '../../components/Button';
import { Swatch } from '../../components/Swatch';
import { takeAway } from '../../components/takeAwayFile';
import { Figure, PartPage } from '../PartPage';
import { FloorFiles } from './FloorFiles';
import { usePaper } from './usePaper';

/** The sheet that lies beside the machine, on screen. */
export function SheetPart() {
  const view = useFloor((s) => s.view);
  const paper = usePaper();
  return (
    <PartPage
      title="Worksheet"
      says="What the operator needs beside the machine, stop by stop."
      tools={
        <Button look="primary" disabled={!view} onClick={() => void takeAway('pdf', { sheet: true, ...paper })}>
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
  const { designs, sheet } = useFloor((s) => s.view)!;
  const first = useJob((s) => copiesOf(s.job!)[0]!.of);
  const shown = designs.find((d) => d.id === first) ?? designs[0]!;
  const shop = useLibrary((s) => s.library.shop.name);
  return (
    <article className="rounded-md border border-hairline bg-white p-5">
      <header className="mb-4 flex items-start gap-5 max-sm:flex-col">
        <img src={shown.href} alt="The design, sewn" className="h-[150px] w-[170px] rounded-sm border border-hairline object-contain" />
        <div className="min-w-0 flex-1">
          {shop && <p className="text-quiet">{shop}</p>}
          <h2 className="truncate text-xl font-semibold">{sheet.title}</h2>
          <dl className="mt-3 grid grid-cols-2 gap-4 sm:grid-cols-[auto_auto_auto_auto] sm:justify-between">
            {sheet.figures.map((f) => (
              <Figure key={f.name} {...f} />
            ))}
          </dl>
        </div>
      </header>
      <StopTable stops={sheet.stops} />
      <Setting rows={sheet.setting} />
      {sheet.hang && <Lines title={`On the garment: ${sheet.hang.title}`} lines={sheet.hang.lines} />}
      <Lines title="Foam" lines={sheet.foam?.lines ?? []} />
      <Lines title="Caution" lines={sheet.cautions} />
      <Lines title="Known and accepted" lines={sheet.accepted} />
      <Lines title="Questions to the customer" lines={sheet.questions} />
      <Lines title="Approval" lines={sheet.approval ? [sheet.approval] : []} />
    </article>
  );
}

function StopTable({ stops }: { stops: readonly WorksheetStop[] }) {
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse" data-testid="stops">
        <thead>
          <tr className="border-b border-ink text-left text-quiet">
            <th className="py-1 pr-2 font-normal">Stop</th>
            <th className="py-1 font-normal">Thread</th>
            <th className="py-1 font-normal">What is done</th>
            <th className="py-1 pl-3 text-right font-normal">Stitches</th>
            <th className="py-1 pl-3 text-right font-normal">Trims</th>
            <th className="py-1 pl-3 text-right font-normal">min</th>
          </tr>
        </thead>
        <tbody>
          {stops.map((stop) => (
            <tr key={stop.number} className="border-b border-hairline align-top">
              <td className="py-1.5 pr-2">
                <Swatch hex={stop.hex} number={stop.number} title={stop.name} />
              </td>
              <td className="py-1.5 pr-3">
                <span className="figures">{stop.code}</span> {stop.name}
              </td>
              <td className="py-1.5 pr-3">
                {stop.hand && <span className="block font-semibold">{stop.hand}</span>}
                {stop.sews}
              </td>
              <td className="figures py-1.5 pl-3 text-right">{stop.stitches.toLocaleString('en')}</td>
              <td className="figures py-1.5 pl-3 text-right">{stop.trims}</td>
              <td className="figures py-1.5 pl-3 text-right">{stop.minutes.toFixed(1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Long words have a line of their own. */
const LONG = 60;

/** Cloth, what lies under and over it, hoop, needle, speed, and the customer's words. */
function Setting({ rows }: { rows: readonly { name: string; words: string }[] }) {
  return (
    <dl className="mt-4 grid gap-x-6 sm:grid-cols-2">
      {rows.map(({ name, words }) => (
        <div key={name} className={`grid grid-cols-[90px_1fr] gap-3 py-0.5 ${words.length > LONG ? 'sm:col-span-2' : ''}`}>
          <dt className="text-quiet">{name}</dt>
          <dd className="whitespace-pre-line">{words}</dd>
        </div>
      ))}
    </dl>
  );
}

function Lines({ title, lines }: { title: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <div className="mt-4">
      <h3 className="font-semibold">{title}</h3>
      {lines.map((l) => (
        <p key={l}>{l}</p>
      ))}
    </div>
  );
}
