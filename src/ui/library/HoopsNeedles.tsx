'use client';
import { said } from '@/session/view/unitsStore';
import { hoopName } from '../components/hoopWords';
import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { NEEDLES, type NeedleNote } from '@/core/cloth/library';
import { HOOPS } from '@/core/document/job';
import type { Hoop } from '@/core/document/types';
import { changeLibrary, useLibrary } from '@/session/shop/libraryStore';
import { Button, SignButton } from '../components/Button';
import { Choice } from '../components/Choice';
import { DraftField } from '../components/TextField';
import { NumberField } from '../components/NumberField';

const same = (a: Hoop, b: Hoop): boolean => a.width === b.width && a.height === b.height && a.shape === b.shape;

/** Hoop fields and needles: the usual ones and the shop's own. */
export function HoopsNeedles() {
  return (
    <div className="grid items-start gap-6 lg:grid-cols-2">
      <Hoops />
      <Needles />
    </div>
  );
}

function Hoops() {
  const own = useLibrary((s) => s.library.hoops);
  const [made, setMade] = useState<Hoop>({ width: 240, height: 150, shape: 'rect' });
  const known = [...HOOPS, ...own].some((h) => same(h, made));
  return (
    <section aria-label="Hoops" className="rounded-md border border-hairline bg-panel p-4">
      <h2 className="text-lg font-semibold">Hoop fields</h2>
      <p className="mb-2 text-quiet">The area the needle may reach: less than the frame. Your machine’s manual tells it.</p>
      <ul>
        {[...HOOPS, ...own].map((h, i) => (
          <li key={`${h.width} ${h.height} ${h.shape}`} className="flex h-9 items-center gap-3 border-t border-hairline">
            <HoopSign hoop={h} />
            <span className="figures flex-1">{hoopName(h)}</span>
            {i >= HOOPS.length && (
              <SignButton
                name={`Remove the hoop ${h.width} × ${h.height}`}
                onClick={() => void changeLibrary({ hoops: own.filter((o) => !same(o, h)) })}
              >
                <Trash2 size={15} />
              </SignButton>
            )}
          </li>
        ))}
      </ul>
      <div className="mt-3 grid grid-cols-[1fr_1fr_110px_auto] items-end gap-2">
        <NumberField
          label="Width"
          value={made.width}
          unit="mm"
          min={10}
          max={1000}
          step={5}
          decimals={0}
          onCommit={(width) => setMade({ ...made, width, ...(made.shape === 'round' ? { height: width } : {}) })}
        />
        <NumberField
          label="Height"
          value={made.height}
          unit="mm"
          min={10}
          max={1000}
          step={5}
          decimals={0}
          onCommit={(height) => setMade({ ...made, height, ...(made.shape === 'round' ? { width: height } : {}) })}
        />
        <Choice
          label="Shape"
          value={made.shape}
          options={[
            { value: 'rect', name: 'Four sides' },
            { value: 'round', name: 'Round' },
          ]}
          onChange={(shape) => setMade({ ...made, shape, ...(shape === 'round' ? { height: made.width } : {}) })}
        />
        <Button disabled={known} onClick={() => void changeLibrary({ hoops: [...own, made] })}>
          <Plus size={15} aria-hidden="true" /> Add hoop
        </Button>
      </div>
    </section>
  );
}

function HoopSign({ hoop }: { hoop: Hoop }) {
  const k = 24 / 360;
  const [w, h] = [Math.max(5, hoop.width * k), Math.max(5, hoop.height * k)];
  return (
    <svg viewBox="-13 -13 26 26" className="h-6 w-6" aria-hidden="true">
      <rect
        x={-w / 2}
        y={-h / 2}
        width={w}
        height={h}
        rx={hoop.shape === 'round' ? w / 2 : 2}
        fill="none"
        stroke="#1d282c"
        strokeWidth={1.6}
      />
    </svg>
  );
}

const BLANK: NeedleNote = { size: '', use: '', least: 30, most: 60 };

function Needles() {
  const own = useLibrary((s) => s.library.needles);
  const [made, setMade] = useState<NeedleNote>(BLANK);
  const taken = [...NEEDLES, ...own].some((n) => n.size === made.size.trim());
  return (
    <section aria-label="Needles" className="rounded-md border border-hairline bg-panel p-4">
      <h2 className="text-lg font-semibold">Needles</h2>
      <p className="mb-2 text-quiet">Which needle for which cloth and thread. A larger thread number is a thinner thread.</p>
      <ul>
        {[...NEEDLES, ...own].map((n, i) => (
          <li key={n.size} className="flex min-h-9 items-center gap-3 border-t border-hairline py-1">
            <span className="w-[136px] shrink-0 font-semibold">{n.size}</span>
            <span className="flex-1 leading-tight text-quiet">{said(n.use)}</span>
            <span className="figures text-xs whitespace-nowrap">
              {n.least} to {n.most} wt
            </span>
            {i >= NEEDLES.length && (
              <SignButton name={`Remove the needle ${n.size}`} onClick={() => void changeLibrary({ needles: own.filter((o) => o !== n) })}>
                <Trash2 size={15} />
              </SignButton>
            )}
          </li>
        ))}
      </ul>
      <div className="mt-3 grid grid-cols-[130px_1fr_auto] items-end gap-2">
        <DraftField label="Needle" value={made.size} onChange={(size) => setMade({ ...made, size })} />
        <DraftField label="What for" value={made.use} onChange={(use) => setMade({ ...made, use })} />
        <Button
          disabled={made.size.trim() === '' || taken}
          onClick={() => void changeLibrary({ needles: [...own, { ...made, size: made.size.trim() }] }).then(() => setMade(BLANK))}
        >
          <Plus size={15} aria-hidden="true" /> Add needle
        </Button>
      </div>
    </section>
  );
}
