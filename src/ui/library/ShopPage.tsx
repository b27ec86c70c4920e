'use client';
import { said, setShopUnits, useUnits } from '@/session/view/unitsStore';
import { Plus, Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { loadHands, setWheel, useHands, type WheelHabit } from '@/session/view/handsStore';
import { WEEKDAYS, type Paper, type ShopIdentity } from '@/core/document/shop/identity';
import { DEFAULT_PROFILE, type MachineProfile } from '@/core/document/shop/profile';
import { changeLibrary, useLibrary } from '@/session/shop/libraryStore';
import { Button, SignButton } from '../components/Button';
import { Choice } from '../components/Choice';
import { NumberField } from '../components/NumberField';
import { TextField } from '../components/TextField';
import { Tick } from '../components/Tick';

/** Whose shop it is, when it works and on which machines: set once, for every sheet and quotation. */
export function ShopPage() {
  const shop = useLibrary((s) => s.library.shop);
  return (
    <div className="grid items-start gap-6 lg:grid-cols-[380px_1fr]">
      <Identity shop={shop} />
      <Machines />
    </div>
  );
}

function Identity({ shop }: { shop: ShopIdentity }) {
  const set = (patch: Partial<ShopIdentity>): void => void changeLibrary({ shop: { ...shop, ...patch } });
  const units = useUnits((s) => s.shop);
  const wheel = useHands((s) => s.wheel);
  useEffect(() => void loadHands(), []);
  const hour = { unit: '', min: 0, max: 24, step: 0.5, decimals: 1 } as const;
  return (
    <section aria-label="The shop" className="grid gap-3 rounded-md border border-hairline bg-panel p-4">
      <h2 className="text-lg font-semibold">The shop</h2>
      <p className="text-quiet">Stands on worksheets and quotations. It stays in this browser.</p>
      <TextField label="Name" value={shop.name} maxLength={80} onCommit={(name) => set({ name: name.trim() })} />
      <label className="block">
        <span className="mb-1 block text-quiet">Address</span>
        <textarea
          key={shop.address}
          defaultValue={shop.address}
          rows={3}
          maxLength={400}
          onBlur={(e) => e.target.value !== shop.address && set({ address: e.target.value })}
          className="w-full rounded-md border border-edge bg-white p-2"
        />
      </label>
      <Choice
        label="Lengths, here and in new jobs"
        value={units}
        options={[
          { value: 'mm', name: 'Millimetres' },
          { value: 'in', name: 'Inches' },
        ]}
        onChange={setShopUnits}
      />
      <Choice<WheelHabit>
        label="A wheel over the cloth"
        value={wheel}
        options={[
          { value: 'zooms', name: 'Makes larger and smaller' },
          { value: 'moves', name: 'Moves the view; with Ctrl makes larger' },
        ]}
        onChange={setWheel}
      />
      <Choice<Paper>
        label="Paper"
        value={shop.paper}
        options={[
          { value: 'a4', name: said('A4, 210 × 297 mm') },
          { value: 'letter', name: 'Letter, 8.5 × 11 in' },
        ]}
        onChange={(paper) => set({ paper })}
      />
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          label="Work begins, o’clock"
          value={shop.opens}
          {...hour}
          max={shop.closes - 0.5}
          onCommit={(opens) => set({ opens })}
        />
        <NumberField
          label="Work ends, o’clock"
          value={shop.closes}
          {...hour}
          min={shop.opens + 0.5}
          onCommit={(closes) => set({ closes })}
        />
      </div>
      <fieldset>
        <legend className="mb-1 text-quiet">Days of work</legend>
        <div className="flex flex-wrap gap-3">
          {WEEKDAYS.map((name, day) => (
            <Tick
              key={name}
              name={name}
              on={shop.days.includes(day)}
              onChange={(on) => {
                const days = on ? [...shop.days, day].sort() : shop.days.filter((d) => d !== day);
                if (days.length > 0) set({ days });
              }}
            />
          ))}
        </div>
      </fieldset>
    </section>
  );
}

function Machines() {
  const machines = useLibrary((s) => s.library.machines);
  const put = (i: number, patch: Partial<MachineProfile>): void =>
    void changeLibrary({ machines: machines.map((m, k) => (k === i ? { ...m, ...patch } : m)) });
  const add = (): void => void changeLibrary({ machines: [...machines, { ...DEFAULT_PROFILE, name: freeName(machines) }] });
  return (
    <section aria-label="Machines" className="rounded-md border border-hairline bg-panel p-4">
      <h2 className="text-lg font-semibold">Machines</h2>
      <p className="mb-3 text-quiet">
        What each can do; its manual tells it. The day’s work is lined up on these, and files can be fitted to them.
      </p>
      {machines.length === 0 && <p className="mb-3">None of your own yet: the day is lined up on the two that come with Cobble.</p>}
      <ul className="grid gap-3">
        {machines.map((m, i) => (
          <Machine
            key={i}
            machine={m}
            onChange={(patch) => put(i, patch)}
            onRemove={() => void changeLibrary({ machines: machines.filter((_, k) => k !== i) })}
          />
        ))}
      </ul>
      <Button className="mt-3" disabled={machines.length >= 40} onClick={add}>
        <Plus size={15} aria-hidden="true" /> Add a machine
      </Button>
    </section>
  );
}

function freeName(machines: readonly MachineProfile[]): string {
  let n = machines.length + 1;
  while (machines.some((m) => m.name === `Machine ${n}`)) n++;
  return `Machine ${n}`;
}

function Machine({
  machine: m,
  onChange,
  onRemove,
}: {
  machine: MachineProfile;
  onChange(patch: Partial<MachineProfile>): void;
  onRemove(): void;
}) {
  const [open, setOpen] = useState(false);
  const whole = { unit: '', min: 1, step: 1, decimals: 0 } as const;
  const length = { unit: 'mm', decimals: 1 } as const;
  return (
    <li className="rounded-md border border-hairline bg-white p-3">
      <div className="grid grid-cols-[1fr_90px_90px_90px_90px_auto] items-end gap-2">
        <TextField label="Name" value={m.name} maxLength={80} onCommit={(name) => onChange({ name: name.trim() || m.name })} />
        <NumberField label="Heads" value={m.heads} {...whole} max={60} onCommit={(heads) => onChange({ heads: Math.round(heads) })} />
        <NumberField
          label="Needles"
          value={m.needles}
          {...whole}
          max={60}
          onCommit={(needles) => onChange({ needles: Math.round(needles) })}
        />
        <NumberField
          label="Field width"
          value={m.field.width}
          unit="mm"
          min={10}
          max={2000}
          step={10}
          decimals={0}
          onCommit={(width) => onChange({ field: { ...m.field, width } })}
        />
        <NumberField
          label="Height"
          value={m.field.height}
          unit="mm"
          min={10}
          max={2000}
          step={10}
          decimals={0}
          onCommit={(height) => onChange({ field: { ...m.field, height } })}
        />
        <SignButton name={`Remove ${m.name}`} onClick={onRemove}>
          <Trash2 size={15} />
        </SignButton>
      </div>
      <button type="button" className="mt-2 text-quiet underline" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'Less' : 'Limits and words'}
      </button>
      {open && (
        <div className="mt-2 grid grid-cols-4 gap-2">
          <NumberField
            label="Stitches a minute"
            value={m.speed}
            unit=""
            min={50}
            max={3000}
            step={50}
            decimals={0}
            onCommit={(speed) => onChange({ speed: Math.round(speed) })}
          />
          <NumberField
            label="Longest stitch"
            value={m.longestStitch}
            {...length}
            min={2}
            max={30}
            step={0.5}
            onCommit={(longestStitch) => onChange({ longestStitch })}
          />
          <NumberField
            label="Longest move"
            value={m.longestJump}
            {...length}
            min={2}
            max={1000}
            step={1}
            onCommit={(longestJump) => onChange({ longestJump })}
          />
          <NumberField
            label="Step of the frame"
            value={m.step}
            unit="mm"
            min={0.001}
            max={1}
            step={0.05}
            decimals={3}
            onCommit={(step) => onChange({ step })}
          />
          <div className="col-span-4 flex items-center gap-6">
            <Tick name="It trims by itself" on={m.trimmer} onChange={(trimmer) => onChange({ trimmer })} />
            {!m.trimmer && (
              <NumberField
                label="A cut is so many moves"
                value={m.trimJumps}
                {...whole}
                max={12}
                onCommit={(trimJumps) => onChange({ trimJumps: Math.round(trimJumps) })}
              />
            )}
          </div>
          {(['needle', 'trim', 'stop'] as const).map((key) => (
            <TextField
              key={key}
              label={`Word for ${key}`}
              value={m.words[key]}
              maxLength={9}
              onCommit={(word) => /^[A-Z]\d{1,5}(\.\d{1,2})?$/.test(word) && onChange({ words: { ...m.words, [key]: word } })}
            />
          ))}
        </div>
      )}
    </li>
  );
}
