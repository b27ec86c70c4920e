'use client';
import { useEffect } from 'react';
import { floorAgain, requestFloor, useFloor } from '@/session/derived/floorStore';
import { openMachines } from '@/session/floor/machineStore';
import { useJob } from '@/session/job/jobStore';
import { openLibrary, useLibrary } from '@/session/shop/libraryStore';
import { Button } from '../components/Button';
import { useHashPart } from '../components/useHashPart';
import { GarmentPart } from './garment/GarmentPart';
import { HoopPart } from './hoop/HoopPart';
import { MachinePart } from './machine/MachinePart';
import { PricePart } from './price/PricePart';
import { PART_KEYS, Rail, type PartKey } from './Rail';
import { RunPart } from './run/RunPart';
import { SheetPart } from './sheet/SheetPart';

const PARTS: Record<PartKey, () => React.ReactNode> = {
  hoop: () => <HoopPart />,
  garment: () => <GarmentPart />,
  sheet: () => <SheetPart />,
  run: () => <RunPart />,
  price: () => <PricePart />,
  machine: () => <MachinePart />,
};

/** How it is made: copies in the hoop, the sheet beside the machine, time and thread, the price, and the machine itself. */
export function Floor() {
  const job = useJob((s) => s.job);
  const work = useLibrary((s) => s.library.work);
  const ready = useLibrary((s) => s.ready);
  const [part, setPart] = useHashPart(PART_KEYS, 'hoop');
  useEffect(() => {
    void openLibrary();
    void openMachines();
  }, []);
  useEffect(() => {
    if (job && ready && job.pieces.length > 0) requestFloor(job, work);
  }, [job, work, ready]);
  if (!job) return null;
  if (job.pieces.length === 0) return <Nothing />;
  return (
    <main className="flex min-h-0 flex-1 max-sm:flex-col">
      <Rail part={part} onPart={setPart} />
      <div className="min-h-0 min-w-0 flex-1">
        <Trouble />
        {PARTS[part]()}
      </div>
    </main>
  );
}

function Nothing() {
  return (
    <main className="grid flex-1 place-content-center justify-items-center gap-2 text-center">
      <h1 className="text-xl font-semibold">Nothing to make yet</h1>
      <p className="max-w-[52ch] text-quiet">
        The floor takes a job that has pieces: copies in the hoop, the sheet for the machine, thread, time and price follow from its
        stitches.
      </p>
    </main>
  );
}

function Trouble() {
  const problem = useFloor((s) => s.problem);
  if (!problem) return null;
  return (
    <p role="alert" className="flex items-center gap-3 border-b border-danger bg-panel px-4 py-2 text-danger">
      {problem}
      <Button dense onClick={floorAgain}>
        Try again
      </Button>
    </p>
  );
}
