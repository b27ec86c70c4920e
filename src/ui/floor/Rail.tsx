'use client';
import { signOffWords } from '@/core/document/sewout';
import { counted } from '@/core/units/count';
import { useFloor } from '@/session/derived/floorStore';
import { useMachines } from '@/session/floor/machineStore';
import { useJob } from '@/session/job/jobStore';
import { copiesOf } from '@/core/production/floor';
import { CONDITION_WORDS } from './machine/machineWords';
import { formatLength } from '@/core/units/length';
import { PLACE_WORDS } from '@/core/document/words';
import { useHang } from './garment/GarmentPart';
import { usePrice } from './price/usePrice';
import { hoursOf, madeWords } from './words';

export const PART_KEYS = ['hoop', 'garment', 'sheet', 'run', 'price', 'machine'] as const;
export type PartKey = (typeof PART_KEYS)[number];

interface Figure {
  name: string;
  figure: string;
  says: string;
}

/** The parts of the Floor, each with the one figure that matters. */
export function Rail({ part, onPart }: { part: PartKey; onPart(part: PartKey): void }) {
  const figures = useFigures();
  return (
    <nav
      aria-label="Parts of the floor"
      className="flex w-[196px] shrink-0 flex-col border-r border-hairline bg-panel max-lg:w-[150px] max-sm:w-full max-sm:flex-row max-sm:overflow-x-auto"
    >
      {PART_KEYS.map((key) => (
        <button
          key={key}
          type="button"
          aria-current={part === key ? 'true' : undefined}
          onClick={() => onPart(key)}
          className={`border-b border-hairline px-4 py-3 text-left max-sm:min-w-[130px] max-sm:border-r max-sm:py-1.5 ${part === key ? 'bg-tape' : 'hover:bg-tape-soft'}`}
        >
          <span className="block font-semibold">{figures[key].name}</span>
          <span className="figures block truncate text-xl leading-7">{figures[key].figure}</span>
          <span className={`block truncate text-xs ${part === key ? 'text-ink' : 'text-quiet'}`}>{figures[key].says}</span>
        </button>
      ))}
      <SignedOff />
      <p className="mt-auto p-4 text-xs text-quiet max-sm:hidden">
        Keep fingers away from a moving needle. The machine’s manual and your local rules come before anything said here.
      </p>
    </nav>
  );
}

/** Whether what is made here was sewn and signed off. */
function SignedOff() {
  const job = useJob((s) => s.job)!;
  const signed = signOffWords(job);
  if (!signed) return null;
  return (
    <p className={`px-4 py-3 text-xs ${signed.still ? 'text-good' : 'text-danger'}`} data-testid="floor-signed">
      {signed.words}.{signed.still ? '' : ' It was changed since: sew it again first.'}
    </p>
  );
}

function useFigures(): Record<PartKey, Figure> {
  const view = useFloor((s) => s.view);
  const job = useJob((s) => s.job)!;
  const price = usePrice();
  const machine = useMachines((s) => s.list.find((m) => m.id === s.chosen) ?? null);
  const copies = copiesOf(job).length;
  const hang = useHang();
  const wait = '…';
  const share = machine?.job ? `${Math.floor((100 * machine.job.sewn) / machine.job.stitches)} %` : '–';
  return {
    hoop: { name: 'In the hoop', figure: String(copies), says: counted(copies, 'copy', 'copies').replace(/^\d+ /, '') + ' sewn in one go' },
    garment: {
      name: 'On the garment',
      figure: hang?.distances[0] ? formatLength(hang.distances[0].mm, job.brief.units ?? 'mm', 0) : '–',
      says: hang?.distances[0] ? `from ${hang.distances[0].from}` : PLACE_WORDS[job.brief.place],
    },
    sheet: { name: 'Worksheet', figure: view ? String(view.stops.length) : wait, says: 'threads and stops, in order' },
    run: {
      name: 'Time and thread',
      figure: view ? hoursOf(view.runs.totalSeconds) : wait,
      says: `for ${madeWords(job.brief.quantity, job.brief)}`,
    },
    price: {
      name: 'Price',
      figure: price ? `${price.currency} ${price.total.toFixed(2)}` : wait,
      says: price ? `${price.each.toFixed(2)} each` : '',
    },
    machine: { name: 'Machine', figure: share, says: machine ? CONDITION_WORDS[machine.condition] : 'none chosen' },
  };
}
