'use client';
import { GARMENT_SIZES, PLACES, type GarmentSize, type Place } from '@/core/document/types';
import { PLACE_WORDS } from '@/core/document/words';
import { hangOf, hangWords, hasSides, hasSizes, type Hang } from '@/core/production/garment/hang';
import { useFloor } from '@/session/derived/floorStore';
import { changeBrief, type BriefPatch } from '@/session/edit/commands';
import { useJob } from '@/session/job/jobStore';
import { toast } from '@/session/notice';
import { Choice } from '../../components/Choice';
import { Tick } from '../../components/Tick';
import { GarmentView } from './GarmentView';

/** Where the open job's design usually sits on its garment; null until it is known, or where there is no usual place. */
export function useHang(): Hang | null {
  const brief = useJob((s) => s.job?.brief);
  const box = useFloor((s) => s.view?.designs[0]?.box ?? null);
  return brief && box ? hangOf(brief, sizeOf(box)) : null;
}

export const sizeOf = (box: { minX: number; maxX: number; minY: number; maxY: number }) => ({
  widthMm: box.maxX - box.minX,
  heightMm: box.maxY - box.minY,
});

function set(label: string, patch: BriefPatch): void {
  const problem = changeBrief(label, patch);
  if (problem) toast.error(problem);
}

/** Where it goes on the garment: drawn to scale, with the distances that are measured on it. */
export function GarmentPart() {
  const brief = useJob((s) => s.job!.brief);
  const hang = useHang();
  const ready = useFloor((s) => s.view !== null);
  return (
    <div className="flex h-full max-sm:flex-col max-sm:overflow-auto">
      {hang ? (
        <GarmentView hang={hang} />
      ) : (
        <div className="grid min-w-0 flex-1 place-content-center bg-mat p-6 text-center">
          <p className="max-w-[44ch] rounded-md bg-panel p-4">
            {ready
              ? `There is no usual place for ‘${PLACE_WORDS[brief.place]}’. Lay it where the customer says, and write that into the brief.`
              : 'Measuring the design …'}
          </p>
        </div>
      )}
      <aside className="flex w-[330px] shrink-0 flex-col gap-5 overflow-auto border-l border-hairline bg-panel p-4 max-lg:w-[280px] max-sm:w-full max-sm:border-l-0">
        <section aria-label="Place on the garment">
          <h1 className="mb-3 text-lg font-semibold">On the garment</h1>
          <div className="grid grid-cols-2 gap-3">
            <Choice<Place>
              label="Place"
              className="col-span-2"
              value={brief.place}
              options={PLACES.map((value) => ({ value, name: PLACE_WORDS[value] }))}
              onChange={(place) => set('Choose place', { place, otherSide: undefined })}
            />
            {hasSizes(brief.place) && (
              <Choice<GarmentSize>
                label="Size of the garment"
                value={brief.garmentSize ?? 'M'}
                options={GARMENT_SIZES.map((value) => ({ value, name: value.length > 3 ? `${value}’s` : value }))}
                onChange={(garmentSize) => set('Size of the garment', { garmentSize })}
              />
            )}
            {hasSides(brief.place) && (
              <div className="flex items-end pb-1.5">
                <Tick
                  name="The other side"
                  on={brief.otherSide ?? false}
                  onChange={(on) => set('Side of the garment', { otherSide: on ? true : undefined })}
                />
              </div>
            )}
          </div>
        </section>
        {hang && <Distances hang={hang} units={brief.units ?? 'mm'} />}
      </aside>
    </div>
  );
}

function Distances({ hang, units }: { hang: Hang; units: 'mm' | 'in' }) {
  const [where, ...notes] = hangWords(hang, units);
  return (
    <section aria-label="Distances">
      <h2 className="mb-1 font-semibold">{hang.title}</h2>
      <p data-testid="hang-words">{where}</p>
      {notes.map((n) => (
        <p key={n} className="mt-2">
          {n}
        </p>
      ))}
      <p className="mt-3 text-xs text-quiet">
        Usual distances, for a garment of usual cut. What is measured on the garment itself, and what the customer asks for, go before them.
      </p>
    </section>
  );
}
