'use client';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { nearestThreads, THREAD_CHART } from '@/core/cloth/threads';
import { changeLibrary, useLibrary } from '@/session/shop/libraryStore';
import { Button, SignButton } from '../components/Button';
import { DraftField } from '../components/TextField';
import { NumberField } from '../components/NumberField';

interface Shown {
  code: string;
  name: string;
  hex: string;
  difference?: number;
}

/** The thread chart, the nearest to any colour, and the shop's own cones. */
export function Threads() {
  const own = useLibrary((s) => s.library.threads);
  const [wanted, setWanted] = useState<string | null>(null);
  const chart: Shown[] = wanted
    ? nearestThreads(wanted).map((n) => ({ ...n.thread, difference: n.difference }))
    : THREAD_CHART.map((t) => ({ ...t }));
  return (
    <div className="grid gap-6 lg:grid-cols-[1fr_320px]">
      <section aria-label="Thread chart">
        <div className="mb-3 flex items-center gap-3">
          <h2 className="text-xl font-semibold">Thread chart</h2>
          <label className="ml-auto flex items-center gap-2 text-quiet">
            Nearest to
            <input
              type="color"
              aria-label="Colour to match"
              value={wanted ?? '#808080'}
              onChange={(e) => setWanted(e.target.value)}
              className="h-8 w-12 rounded-md border border-edge bg-white p-0.5"
            />
          </label>
          {wanted && (
            <Button dense onClick={() => setWanted(null)}>
              By family
            </Button>
          )}
        </div>
        <ul className="grid grid-cols-2 gap-x-4 sm:grid-cols-3 xl:grid-cols-4" data-testid="chart">
          {chart.slice(0, wanted ? 24 : undefined).map((t) => (
            <li key={t.code} className="flex items-center gap-2 border-t border-hairline py-1">
              <span className="h-6 w-9 shrink-0 rounded-sm border border-edge" style={{ backgroundColor: t.hex }} />
              <span className="min-w-0 flex-1 truncate">{t.name}</span>
              <span className="figures text-xs text-quiet">{t.difference === undefined ? t.code : `ΔE ${t.difference.toFixed(1)}`}</span>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="Own cones" className="self-start rounded-md border border-hairline bg-panel p-4">
        <h2 className="text-lg font-semibold">Own cones</h2>
        {own.length === 0 && (
          <p className="mt-1 text-quiet">None yet. Add what is on your rack; it is offered beside the chart in every job.</p>
        )}
        <ul className="mt-2">
          {own.map((t) => (
            <li key={t.code} className="flex items-center gap-2 border-t border-hairline py-1">
              <span className="h-6 w-9 shrink-0 rounded-sm border border-edge" style={{ backgroundColor: t.hex }} />
              <span className="min-w-0 flex-1 truncate">{t.name}</span>
              <span className="figures text-xs text-quiet">
                {t.code} · {t.weight} wt
              </span>
              <SignButton name={`Remove ${t.name}`} onClick={() => void changeLibrary({ threads: own.filter((o) => o.code !== t.code) })}>
                <Trash2 size={15} />
              </SignButton>
            </li>
          ))}
        </ul>
        <AddCone />
      </section>
    </div>
  );
}

function AddCone() {
  const own = useLibrary((s) => s.library.threads);
  const [cone, setCone] = useState({ code: '', name: '', hex: '#7a1f2b', weight: 40 });
  const taken = own.some((t) => t.code === cone.code.trim());
  return (
    <form
      className="mt-3 grid grid-cols-2 gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (cone.code.trim() === '' || taken) return;
        void changeLibrary({ threads: [...own, { ...cone, code: cone.code.trim(), name: cone.name.trim() || cone.code.trim() }] });
        setCone({ ...cone, code: '', name: '' });
      }}
    >
      <DraftField label="Code" value={cone.code} maxLength={40} onChange={(code) => setCone({ ...cone, code })} />
      <DraftField label="Name" value={cone.name} maxLength={80} onChange={(name) => setCone({ ...cone, name })} />
      <label>
        <span className="mb-1 block text-quiet">Colour</span>
        <input
          type="color"
          className="h-8 w-full rounded-md border border-edge bg-white p-0.5"
          value={cone.hex}
          onChange={(e) => setCone({ ...cone, hex: e.target.value })}
        />
      </label>
      <NumberField
        label="Weight"
        value={cone.weight}
        unit=""
        min={8}
        max={150}
        step={10}
        decimals={0}
        onCommit={(weight) => setCone({ ...cone, weight })}
      />
      <Button type="submit" look="primary" className="col-span-2" disabled={cone.code.trim() === '' || taken}>
        {taken ? 'This code is taken' : 'Add the cone'}
      </Button>
    </form>
  );
}
