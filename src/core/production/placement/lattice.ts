import { Mask } from './mask';

export interface Tile {
  turn: number;
  mask: Mask;
  /** Its cells with those nearer to it than the gap. */
  around: Mask;
}

/** Shifts of every other row are tried so many cells apart. */
const STEP = 2;
/** Beginnings of the whole pattern that are tried in each direction. */
const PHASES = 8;

/**
 * Rows of one shape in which every other row is shifted, so that copies lie in the hollows between those of the row before: for round
 * shapes the densest way there is. The shift, and where the pattern begins, are those that bring most copies into the field.
 * @returns upper left cells of the copies' masks on the field
 */
export function shiftedRows(field: Mask, tile: Tile): { x: number; y: number }[] {
  const meets = overlap(tile);
  const { mask } = tile;
  let pitch = 1;
  while (meets(pitch, 0)) pitch++;
  let best: { x: number; y: number }[] = [];
  for (let shift = 0; shift <= pitch; shift += STEP) {
    const rise = riseAt(meets, pitch, shift, mask.height);
    for (let px = 0; px < PHASES; px++)
      for (let py = 0; py < PHASES; py++) {
        const begin = { x: Math.floor((px * pitch) / PHASES), y: Math.floor((py * rise) / PHASES) };
        const laid = fill(field, mask, { pitch, shift, rise, begin });
        if (laid.length > best.length) best = laid;
      }
  }
  return best;
}

/** Whether a copy moved by so many cells comes too near to one that stays. */
function overlap({ mask, around }: Tile): (dx: number, dy: number) => boolean {
  const [mx, my] = [mask.width + around.width, mask.height + around.height];
  const ground = new Mask(0, 0, 2 * mx + around.width, 2 * my + around.height);
  for (let y = 0; y < around.height; y++) for (let x = 0; x < around.width; x++) if (around.has(x, y)) ground.set(mx + x, my + y);
  const [ox, oy] = [mx + mask.left - around.left, my + mask.top - around.top];
  return (dx, dy) => Math.abs(dx) <= mx && Math.abs(dy) <= my && ground.meets(mask, ox + dx, oy + dy);
}

/** How far down the shifted row must lie, and the next unshifted one twice as far, to be clear. */
function riseAt(meets: (dx: number, dy: number) => boolean, pitch: number, shift: number, height: number): number {
  const near = (rise: number): boolean => {
    for (let k = -2; k <= 2; k++)
      if (meets(shift + k * pitch, rise) || meets(k * pitch - shift, rise) || meets(k * pitch, 2 * rise)) return true;
    return false;
  };
  let rise = Math.max(1, height >> 1);
  while (near(rise)) rise++;
  while (rise > 1 && !near(rise - 1)) rise--;
  return rise;
}

interface Pattern {
  pitch: number;
  shift: number;
  rise: number;
  begin: { x: number; y: number };
}

function fill(field: Mask, mask: Mask, { pitch, shift, rise, begin }: Pattern): { x: number; y: number }[] {
  const out: { x: number; y: number }[] = [];
  for (let row = 0, y = begin.y; y + mask.height <= field.height; row++, y += rise) {
    const first = (begin.x + (row % 2 === 1 ? shift : 0)) % pitch;
    for (let x = first; x + mask.width <= field.width; x += pitch) if (!field.meets(mask, x, y)) out.push({ x, y });
  }
  return out;
}
