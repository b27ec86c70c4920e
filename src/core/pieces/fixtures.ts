import { recipeOf } from '../cloth/recipes';
import { emptyJob } from '../document/job';
import type { ClothKey, Job, Piece, PieceSettings } from '../document/types';
import type { StartEnd } from '../stitches/startEnd';
import { StitchBuffer, type StitchColumns } from '../stitches/buffer';
import { prepareShape, resolveSettings, stitchShape } from './registry';

/** Made-up pieces for tests and for the gallery. */
export function piece(kind: Piece['kind'], shape: Partial<Piece>, settings: PieceSettings = {}): Piece {
  return { id: 'p1', name: 'Piece', kind, thread: 't1', ...shape, settings };
}

export function jobOf(pieces: readonly Piece[], cloth: ClothKey = 'twill'): Job {
  const job = emptyJob('test', 'Test', { cloth });
  const ids = [...new Set(pieces.map((p) => p.thread))];
  const threads = ids.map((id, i) => ({ id, code: `Q${i}`, name: `Thread ${i}`, hex: '#0b5563', weight: 40 }));
  return { ...job, threads, pieces: pieces.map((p, i) => ({ ...p, id: `p${i + 1}` })) };
}

/** Stitches of one piece alone, without ties. */
export function stitchesOf(p: Piece, cloth: ClothKey = 'twill', ends: StartEnd = { start: null, end: null }): StitchColumns {
  const shape = prepareShape(p);
  if (!shape) throw new Error('the piece has no shape');
  const out = new StitchBuffer();
  const settings = resolveSettings(p, shape.facts, { recipe: recipeOf(cloth), settings: {}, threadWeight: 40 });
  stitchShape(p, out, shape, settings, ends);
  return out.columns();
}
