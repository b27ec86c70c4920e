'use client';
import { ArrowRight } from 'lucide-react';
import Link from 'next/link';
import { toast } from '@/session/notice';
import { useEffect } from 'react';
import { briefRecipe, type HouseRecipe } from '@/core/cloth/house';
import { RECIPES } from '@/core/cloth/recipes';
import { HOOPS } from '@/core/document/job';
import { JOB_STAGES, PLACES as GARMENT_PLACES, type Brief as BriefRecord, type Hoop, type JobStage } from '@/core/document/types';
import { PLACE_WORDS, STAGE_WORDS } from '@/core/document/words';
import { formatLength } from '@/core/units/length';
import { changeBrief, type BriefPatch } from '@/session/edit/commands';
import { setStage } from '@/session/edit/floorCommands';
import { openLibrary, useLibrary } from '@/session/shop/libraryStore';
import { useJob } from '@/session/job/jobStore';
import { Choice } from '../components/Choice';
import { TextField } from '../components/TextField';
import { hoopKey, hoopName } from '../components/hoopWords';
import { NumberField } from '../components/NumberField';
import { placeHref } from '../places';
import { ApprovalCard } from './folder/ApprovalCard';
import { Questions } from './folder/Questions';
import { Versions } from './folder/Versions';
import { ClothChanged } from './ClothChanged';
import { LeftOut } from '../intake/LeftOut';
import { Follows } from './Follows';

function set(label: string, patch: BriefPatch): void {
  const problem = changeBrief(label, patch);
  if (problem) toast.error(problem);
}

/** The twelve cloths, the shop's own, and what this job was made with if the library no longer has it. */
function clothsOf(own: readonly HouseRecipe[], brief: BriefRecord): { value: string; name: string }[] {
  const all = [
    ...RECIPES.map((r) => ({ value: r.key, name: own.some((o) => o.id === r.key) ? `${r.name} (changed)` : r.name })),
    ...own.filter((o) => o.id !== o.cloth).map((o) => ({ value: o.id, name: o.name })),
  ];
  const kept = brief.recipe;
  return kept && !all.some((c) => c.value === kept.id) ? [...all, { value: kept.id, name: kept.name }] : all;
}

function chooseCloth(key: string, own: readonly HouseRecipe[]): void {
  const house = own.find((o) => o.id === key);
  const cloth = RECIPES.find((r) => r.key === key)?.key;
  if (house) set('Choose cloth', briefRecipe(house));
  else if (cloth) set('Choose cloth', { cloth, recipe: undefined });
}

/** What it must be: cloth, place, hoop, size, quantity and the customer's words. */
export function Brief() {
  const job = useJob((s) => s.job);
  if (!job) return null;
  return (
    <main className="min-h-0 flex-1 overflow-auto">
      <div className="mx-auto grid max-w-[1120px] gap-8 px-6 py-6 lg:grid-cols-[1fr_400px]">
        <section aria-labelledby="brief-title">
          <h1 id="brief-title" className="text-xl font-semibold">
            What must it be?
          </h1>
          <p className="mb-5 text-quiet">The cloth decides most numbers. Everything here can be changed later; the stitches follow.</p>
          <LeftOut id={job.id} />
          <Fields brief={job.brief} />
          <div className="mt-6 flex items-center gap-4">
            <Link
              href={placeHref(job.id, 'art')}
              className="inline-flex h-9 items-center gap-2 rounded-md border border-ink bg-tape px-4 font-semibold hover:bg-[#ffd34d]"
            >
              See the artwork at this size <ArrowRight size={16} aria-hidden="true" />
            </Link>
          </div>
          <div className="mt-8 grid gap-6">
            <Questions />
            <ApprovalCard />
            <Versions />
          </div>
        </section>
        <div className="grid content-start gap-6">
          <Follows brief={job.brief} settings={job.settings} />
          <ClothChanged job={job} />
        </div>
      </div>
    </main>
  );
}

function Fields({ brief }: { brief: BriefRecord }) {
  const units = brief.units ?? 'mm';
  const own = useLibrary((s) => s.library);
  useEffect(() => void openLibrary(), []);
  const offered = [...HOOPS, ...own.hoops];
  const hoops: Hoop[] = offered.some((h) => hoopKey(h) === hoopKey(brief.hoop)) ? offered : [brief.hoop, ...offered];
  const byHeight = brief.size.height !== undefined;
  return (
    <div className="grid grid-cols-1 gap-x-5 gap-y-4 sm:grid-cols-2">
      <TextField
        label="Garment"
        value={brief.garment ?? ''}
        placeholder="Polo shirt, white"
        onCommit={(garment) => set('Garment', { garment })}
      />
      <Choice
        label="Cloth"
        value={brief.recipe?.id ?? brief.cloth}
        options={clothsOf(own.recipes, brief)}
        onChange={(key) => chooseCloth(key, own.recipes)}
      />
      <Choice
        label="Place on it"
        value={brief.place}
        options={GARMENT_PLACES.map((p) => ({ value: p, name: PLACE_WORDS[p] }))}
        onChange={(place) => set('Choose place', { place })}
      />
      <Choice
        label="Hoop field"
        value={hoopKey(brief.hoop)}
        options={hoops.map((h) => ({ value: hoopKey(h), name: hoopName(h) }))}
        onChange={(key) => set('Choose hoop', { hoop: hoops.find((h) => hoopKey(h) === key)! })}
      />
      <div className="grid grid-cols-[1fr_120px] gap-2">
        <Choice
          label="Finished size by"
          value={byHeight ? 'height' : 'width'}
          options={[
            { value: 'width', name: 'Width of what is painted' },
            { value: 'height', name: 'Height of what is painted' },
          ]}
          onChange={(side) => set('Size by', { size: { [side]: brief.size.width ?? brief.size.height ?? 80 } })}
        />
        <NumberField
          label={byHeight ? 'Height' : 'Width'}
          value={brief.size.height ?? brief.size.width}
          unit="mm"
          lengthUnit={units}
          min={1}
          max={1000}
          step={1}
          decimals={1}
          onCommit={(mm) => set('Finished size', { size: { [byHeight ? 'height' : 'width']: mm } })}
        />
      </div>
      <div className="grid grid-cols-[1fr_120px] gap-2">
        <NumberField
          label="Quantity"
          value={brief.quantity}
          unit=""
          min={1}
          max={100000}
          step={1}
          decimals={0}
          onCommit={(quantity) => set('Quantity', { quantity: Math.round(quantity) })}
        />
        <Choice
          label="Units"
          value={units}
          options={[
            { value: 'mm', name: 'Millimetres' },
            { value: 'in', name: 'Inches' },
          ]}
          onChange={(u) => set('Units', { units: u })}
        />
      </div>
      <label className="block">
        <span className="mb-1 block text-quiet">Due</span>
        <input
          type="date"
          value={brief.due ?? ''}
          onChange={(e) => set('Due date', { due: e.target.value })}
          className="h-8 w-full rounded-md border border-edge bg-white px-2"
        />
      </label>
      <label className="block">
        <span className="mb-1 block text-quiet">Colour of the cloth</span>
        <span className="flex h-8 items-center gap-2">
          <input
            type="color"
            value={brief.clothHex ?? RECIPES.find((r) => r.key === brief.cloth)!.hex}
            onChange={(e) => set('Cloth colour', { clothHex: e.target.value })}
            className="h-8 w-14 rounded-md border border-edge bg-white"
          />
          <span className="text-quiet">{brief.clothHex ? 'set by hand' : 'usual for this cloth'}</span>
        </span>
      </label>
      <Stage />
      <NotesField key={brief.notes} value={brief.notes} />
      <p className="text-xs text-quiet sm:col-span-2">
        {units === 'mm' &&
          brief.size.width !== undefined &&
          `${formatLength(brief.size.width)} is ${formatLength(brief.size.width, 'in')}.`}
      </p>
    </div>
  );
}

/** Where the job stands: the shelf is sorted by it, and the day's work leaves out what is done. */
function Stage() {
  const stage = useJob((s) => s.job?.stage ?? 'digitizing');
  return (
    <Choice<JobStage>
      label="Where it stands"
      value={stage}
      options={JOB_STAGES.map((value) => ({ value, name: STAGE_WORDS[value] }))}
      onChange={setStage}
    />
  );
}

function NotesField({ value }: { value: string }) {
  return (
    <label className="block sm:col-span-2">
      <span className="mb-1 block text-quiet">The customer’s words</span>
      <textarea
        defaultValue={value}
        rows={5}
        maxLength={20000}
        onBlur={(e) => {
          if (e.target.value !== value) set('Notes', { notes: e.target.value });
        }}
        className="w-full rounded-md border border-edge bg-white p-2"
      />
    </label>
  );
}
