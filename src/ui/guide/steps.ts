import { recipeFor, stabilizerFor } from '@/core/cloth/house';
import { counted } from '@/core/units/count';
import { PIECE_KINDS } from '@/core/document/kinds';
import type { Job } from '@/core/document/types';
import type { PlanFigures } from '@/core/plan/measure';
import type { PlaceKey } from '../places';

/** One station of a first job: what is asked of the person, why, and what Cobble has decided meanwhile. */
export interface Step {
  place: PlaceKey;
  title: string;
  why: string;
  /** Lengths in mm. */
  decided: string;
}

export interface Known {
  job: Job;
  figures: PlanFigures | null;
  /** What the proof found and nobody accepted; null before it has looked at the job as it is. */
  findings: { stops: number; others: number } | null;
}

/** The way of a first job in order; sew-outs come when the cloth has spoken. */
export const WAY: readonly PlaceKey[] = ['brief', 'art', 'bench', 'floor'];

function decidedSize({ brief, settings }: Job): string {
  const r = recipeFor(brief);
  return `For ${r.name.toLowerCase()}: fill rows ${r.fillSpacing.toFixed(2)} mm apart, ${r.pullComp.toFixed(2)} mm compensation, ${stabilizerFor(r, settings)}.`;
}

function decidedPieces({ pieces, threads }: Job): string {
  if (pieces.length === 0) return 'No pieces yet.';
  const kinds = new Map<string, number>();
  for (const p of pieces) kinds.set(PIECE_KINDS[p.kind].word.toLowerCase(), (kinds.get(PIECE_KINDS[p.kind].word.toLowerCase()) ?? 0) + 1);
  const told = [...kinds].map(([kind, n]) => `${n} × ${kind}`).join(', ');
  return `${counted(pieces.length, 'piece')} in ${counted(threads.length, 'thread')}: ${told}; order and foundation are chosen.`;
}

function decidedPlan({ figures, findings }: Known): string {
  if (!figures) return 'The stitches are being laid.';
  const sewn = `${counted(figures.stitches, 'stitch', 'stitches')}, ${counted(figures.trims, 'trim')}.`;
  if (!findings) return `${sewn} The proof is looking at it.`;
  const { stops, others } = findings;
  if (stops > 0) return `${sewn} ${counted(stops, 'severe finding')}: open the findings and mend them first.`;
  return `${sewn} ${others === 0 ? 'The proof finds nothing.' : `Nothing severe; ${counted(others, 'smaller finding')} to look at if you like.`}`;
}

/** The step at a place, or null where the way does not lead through it. */
export function stepAt(place: PlaceKey, known: Known): Step | null {
  switch (place) {
    case 'brief':
      return {
        place,
        title: 'Say how large it is, and on what cloth',
        why: 'This is the one decision that all others follow from.',
        decided: decidedSize(known.job),
      };
    case 'art':
      return {
        place,
        title: 'See whether it sews at this size',
        why: 'Lines thinner than two threads vanish, and narrow openings close: each place offers an answer.',
        decided: decidedPieces(known.job),
      };
    case 'bench':
      return {
        place,
        title: 'Look at what will be sewn',
        why: 'The cloth shows the thread as it will lie; click a piece to change it.',
        decided: decidedPlan(known),
      };
    case 'floor':
      return {
        place,
        title: 'Take it to the machine',
        why: 'The worksheet says threads, stops and hooping. Trace the hoop before the first run, and follow the machine’s manual.',
        decided: decidedPlan(known),
      };
    case 'sewouts':
      return null;
  }
}

/** Where the way goes on from a place; null at its end. */
export const nextPlace = (place: PlaceKey): PlaceKey | null => WAY[WAY.indexOf(place) + 1] ?? null;
