'use client';
import { lengthText, said } from '@/session/view/unitsStore';
import { useMemo, useState } from 'react';
import type { Job, Piece } from '@/core/document/types';
import { outlineOf } from '@/core/geometry/outline';
import { openingsOf, switchOpening, type Opening } from '@/core/pieces/fill/holes';
import { editPiece } from '@/session/edit/commands';
import { Tick } from '../../components/Tick';
import { useTried } from './useEffectOf';

/** As many are tried one by one; a net of a hundred holes is switched as a whole. */
const MOST = 24;

interface Asked {
  id: string;
  at: [number, number][];
}

const switched = (job: Job, { id, at }: Asked): Job[] =>
  at.map(([x, y]) => ({ ...job, pieces: job.pieces.map((p) => (p.id === id ? switchOpening(p, { x, y }) : p)) }));

/** Each opening of a fill: how large, what switching it changes, and the switch. */
export function Openings({ piece }: { piece: Piece }) {
  const [open, setOpen] = useState(false);
  const openings = useMemo(() => openingsOf(outlineOf(piece.area ?? '').area, piece), [piece]);
  const offered = openings.slice(0, MOST);
  const effects = useTried<Asked>({ id: piece.id, at: open ? offered.map((o) => [o.at.x, o.at.y]) : [] }, switched);
  if (openings.length < 2) return null;
  return (
    <details className="py-1" data-testid="openings" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="cursor-pointer py-1 text-quiet">One by one</summary>
      <ul>
        {offered.map((o, i) => (
          <OneOpening key={`${o.at.x} ${o.at.y}`} number={i + 1} opening={o} piece={piece} effect={effects[i] ?? null} />
        ))}
      </ul>
      {openings.length > MOST && (
        <p className="text-xs text-quiet">… and {openings.length - MOST} smaller ones, switched all together above.</p>
      )}
    </details>
  );
}

function OneOpening({ number, opening, piece, effect }: { number: number; opening: Opening; piece: Piece; effect: string | null }) {
  const over = opening.sewnOver;
  return (
    <li className="border-t border-hairline py-1">
      <div className="flex items-baseline justify-between gap-2">
        <Tick
          small
          name={`Opening ${number} sewn over`}
          on={over}
          onChange={() =>
            editPiece(piece.id, over ? 'Leave an opening' : 'Sew over an opening', (p) => Object.assign(p, switchOpening(p, opening.at)))
          }
        />
        <span className="figures text-xs text-quiet">{said(`${opening.areaMm2.toFixed(1)} mm²`)}</span>
      </div>
      <p className="text-xs leading-tight text-quiet">
        {over ? 'No gap can open. Left open: ' : `Gaps may open along ${lengthText(opening.edgeMm, 0)} of edge. Sewn over: `}
        <span className="figures">{effect ?? '…'}</span>
      </p>
    </li>
  );
}
