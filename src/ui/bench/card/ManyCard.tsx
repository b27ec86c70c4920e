'use client';
import { Trash2, X } from 'lucide-react';
import { useMemo, useState } from 'react';
import { among } from '@/core/document/among';
import { PIECE_KINDS } from '@/core/document/kinds';
import type { Job, Piece } from '@/core/document/types';
import type { ResolvedSettings } from '@/core/pieces/resolve';
import { copySettings } from '@/session/edit/commands';
import { removeSaying } from './removeSaying';
import { usePlan } from '@/session/derived/planStore';
import { select, selectAll, useView } from '@/session/view/viewStore';
import { Button, SignButton } from '../../components/Button';
import { Arrange } from './Arrange';
import { TheySay } from './lettering/TheySay';
import { mergedSettings } from './mergedSettings';
import { ShapeTools } from './ShapeTools';
import { Settings } from './Settings';
import { SizeFields } from './SizeFields';
import { ThreadChoice } from './ThreadChoice';

/** Several pieces at once: what they share, with mixed values shown, set for all in one step. */
export function ManyCard({ job }: { job: Job }) {
  const selected = useView((s) => s.selected);
  const also = useView((s) => s.also);
  const planned = usePlan((s) => s.planned?.plan.pieces);
  const ids = useMemo(() => [selected!, ...also], [selected, also]);
  const pieces = useMemo(() => ofIds(job.pieces, ids), [job.pieces, ids]);
  const sewn = useMemo(() => ofIds(planned ?? [], ids), [planned, ids]);
  const settings = useMemo(() => sewn.flatMap((p): ResolvedSettings[] => (p.settings ? [p.settings] : [])), [sewn]);
  const merged = useMemo(() => mergedSettings(settings), [settings]);
  const first = pieces.find((p) => p.id === selected) ?? pieces[0];
  if (!first) return null;
  const stitches = sewn.reduce((sum, p) => sum + p.stitches, 0);
  const kinds = [...new Set(pieces.map((p) => PIECE_KINDS[p.kind].word.toLowerCase()))].join(', ');
  const threads = new Set(pieces.map((p) => p.thread));
  return (
    <div className="p-4" data-testid="many">
      <div className="flex items-start gap-2">
        <div className="min-w-0 flex-1">
          <h2 className="text-lg font-semibold">{pieces.length} pieces chosen</h2>
          <p className="text-xs text-quiet">
            {kinds} · <span className="figures">{stitches.toLocaleString('en')}</span> stitches
          </p>
        </div>
        <SignButton name="Remove them" onClick={() => removeSaying(ids)}>
          <Trash2 size={16} />
        </SignButton>
        <SignButton name="Choose nothing" onClick={() => select(null)}>
          <X size={16} />
        </SignButton>
      </div>
      <div className="mt-3">
        <ThreadChoice job={job} ids={ids} value={threads.size === 1 ? first.thread : ''} mixed={`Mixed: ${threads.size} threads`} />
      </div>
      <Button dense className="mt-2" onClick={() => copySettings(first.id, ids)}>
        Settings of ‘{first.name}’ to all
      </Button>
      <Arrange />
      <SizeFields />
      <ShapeTools pieces={pieces} />
      <TheySay pieces={pieces} />
      {settings.length === pieces.length && <Settings ids={ids} piece={first} settings={merged} units={job.brief.units ?? 'mm'} />}
      <ChosenList pieces={pieces} onLeaveOut={(id) => selectAll(ids.filter((other) => other !== id))} />
    </div>
  );
}

function ofIds<T extends { id: string }>(all: readonly T[], ids: readonly string[]): T[] {
  const chosen = among(ids);
  return all.filter((one) => chosen(one.id));
}

/** So many are listed at first. */
const LISTED = 50;

function ChosenList({ pieces, onLeaveOut }: { pieces: readonly Piece[]; onLeaveOut: (id: string) => void }) {
  const [all, setAll] = useState(false);
  const listed = all ? pieces : pieces.slice(0, LISTED);
  return (
    <>
      <ol className="mt-3">
        {listed.map((p) => (
          <li key={p.id} className="flex items-center justify-between border-t border-hairline py-1">
            <span className="truncate">{p.name}</span>
            <button type="button" className="text-xs underline decoration-dotted underline-offset-2" onClick={() => onLeaveOut(p.id)}>
              leave out
            </button>
          </li>
        ))}
      </ol>
      {listed.length < pieces.length && (
        <Button dense className="mt-2" onClick={() => setAll(true)}>
          List the other {(pieces.length - listed.length).toLocaleString('en')}
        </Button>
      )}
    </>
  );
}
