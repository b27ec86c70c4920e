import { recipeFor } from '@/core/cloth/house';
import { FIBRES, HOOPINGS, HOOP_KINDS, STABILIZER_KINDS, TENSIONS, type Sewout, type SewoutSetup } from '@/core/document/sewoutTypes';
import type { Job } from '@/core/document/types';
import { FIBRE_WORDS, HOOPING_WORDS, HOOP_KIND_WORDS, STABILIZER_WORDS, TENSION_WORDS } from '@/core/sewouts/words';
import { changeSewout, removeSewout, setSetup } from '@/session/edit/sewoutCommands';
import { Button } from '../../components/Button';
import { Choice } from '../../components/Choice';
import { NumberField } from '../../components/NumberField';
import { TextField } from '../../components/TextField';
import { MachineLog } from './MachineLog';

const UNKNOWN = 'unknown';
type Words<T extends string> = Record<T, string>;

/** A list whose first entry says that nobody noted it. */
function Noted<T extends string>(props: {
  label: string;
  value: T | undefined;
  all: readonly T[];
  words: Words<T>;
  onChange(value: T | undefined): void;
}) {
  return (
    <Choice<T | typeof UNKNOWN>
      label={props.label}
      value={props.value ?? UNKNOWN}
      options={[{ value: UNKNOWN, name: 'Not noted' }, ...props.all.map((v) => ({ value: v, name: props.words[v] }))]}
      onChange={(v) => props.onChange(v === UNKNOWN ? undefined : v)}
    />
  );
}

const YES_NO: Words<'yes' | 'no'> = { yes: 'Yes', no: 'No' };
const yesNo = (v: boolean | undefined): 'yes' | 'no' | undefined => (v === undefined ? undefined : v ? 'yes' : 'no');
const flag = (v: 'yes' | 'no' | undefined): boolean | undefined => (v === undefined ? undefined : v === 'yes');

/** How the test was sewn. Everything may stay open; what is noted makes the causes surer. */
export function SetupPanel({ job, sewout }: { job: Job; sewout: Sewout }) {
  const { id, setup } = sewout;
  const recipe = recipeFor(sewout.version.brief);
  const set = (patch: Parameters<typeof setSetup>[1]): void => setSetup(id, patch);
  const number = (label: string, key: 'backingGsm' | 'clothGsm' | 'layers' | 'speed', max: number, placeholder: string) => (
    <NumberField
      label={label}
      value={setup[key]}
      unit=""
      min={key === 'layers' ? 0 : 5}
      max={max}
      step={key === 'layers' ? 1 : 5}
      decimals={0}
      placeholder={placeholder}
      onCommit={(v) => set({ [key]: Math.round(v) })}
    />
  );
  return (
    <div className="grid gap-4">
      <p className="text-quiet">
        {recipe.name}: recipe says {recipe.stabilizer}, {recipe.needle}, {recipe.speed} a minute.{' '}
        <button type="button" className="underline decoration-dotted underline-offset-4" onClick={() => set(asRecipe(recipe))}>
          It was sewn so
        </button>
      </p>
      <div className="grid grid-cols-2 gap-x-3 gap-y-3">
        <Noted
          label="Stabilizer"
          value={setup.stabilizer}
          all={STABILIZER_KINDS}
          words={STABILIZER_WORDS}
          onChange={(stabilizer) => set({ stabilizer })}
        />
        {number('Layers', 'layers', 5, '1')}
        {number('Backing, g/m²', 'backingGsm', 500, '65')}
        {number('Cloth, g/m²', 'clothGsm', 2000, '180')}
        <Noted
          label="Film on top"
          value={yesNo(setup.topping)}
          all={['yes', 'no']}
          words={YES_NO}
          onChange={(v) => set({ topping: flag(v) })}
        />
        <Noted label="Hooping" value={setup.hooping} all={HOOPINGS} words={HOOPING_WORDS} onChange={(hooping) => set({ hooping })} />
        <Noted
          label="Kind of hoop"
          value={setup.hoopKind}
          all={HOOP_KINDS}
          words={HOOP_KIND_WORDS}
          onChange={(hoopKind) => set({ hoopKind })}
        />
        <TextField
          label="Needle"
          value={setup.needle ?? ''}
          placeholder={recipe.needle}
          onCommit={(needle) => set({ needle: needle || undefined })}
        />
        <Noted label="Fibre" value={setup.fibre} all={FIBRES} words={FIBRE_WORDS} onChange={(fibre) => set({ fibre })} />
        <Noted
          label="Bright test thread"
          value={yesNo(setup.testThread)}
          all={['yes', 'no']}
          words={YES_NO}
          onChange={(v) => set({ testThread: flag(v) })}
        />
        <Noted label="Tension" value={setup.tension} all={TENSIONS} words={TENSION_WORDS} onChange={(tension) => set({ tension })} />
        {number('Stitches a minute', 'speed', 2000, String(recipe.speed))}
      </div>
      <label className="block">
        <span className="mb-1 block text-quiet">Notes</span>
        <textarea
          key={sewout.notes}
          defaultValue={sewout.notes}
          rows={3}
          maxLength={20_000}
          onBlur={(e) => e.target.value !== sewout.notes && changeSewout(id, 'Notes of a sew-out', (s) => void (s.notes = e.target.value))}
          className="w-full rounded-md border border-edge bg-white px-2 py-1"
        />
      </label>
      <MachineLog job={job} sewout={sewout} />
      <div>
        <Button look="danger" onClick={() => removeSewout(id)}>
          Remove this test
        </Button>
      </div>
    </div>
  );
}

/** What the recipe says, as it would be noted. */
function asRecipe({
  stabilizer,
  needle,
  speed,
  topping,
}: {
  stabilizer: string;
  needle: string;
  speed: number;
  topping: string;
}): Partial<SewoutSetup> {
  const first = stabilizer.split(', or ')[0]!;
  const kind = (['soft-cutaway', 'cap-tear-away', 'tear-away', 'cutaway', 'soluble'] as const).find((k) =>
    first.includes(k.replace('-cut', ' cut').replace('cap-', 'cap ')),
  );
  return {
    ...(kind ? { stabilizer: kind } : {}),
    layers: Number(/\b([1-3])\b/.exec(first)?.[1] ?? 1),
    ...(/heavy/.test(first) ? { backingGsm: 90 } : {}),
    needle,
    speed,
    topping: topping === 'film',
    hooping: 'drum-flat',
    tension: 'usual',
  };
}
