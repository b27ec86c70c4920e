import type { Laying } from '../../document/sewoutTypes';
import type { Job } from '../../document/types';
import type { MeetingEdge, MeetingPlace } from '../../forecast/edgeMeetings';
import { offset } from '../../geometry/area';
import { contains } from '../../geometry/area';
import { boundsOf, distance, type Area, type Point } from '../../geometry/point';
import type { Shaped } from '../../pieces/prepare/shaped';
import { hypot } from '../../units/trig';
import { onPhoto } from './camera';
import type { PreparedPhoto } from './find';
import { valueAt } from './field';

/** Cloth that shows on a photo where two pieces should meet. */
export interface SeenOnPhoto {
  /** Indices in the job: sewn first, sewn later. */
  first: number;
  later: number;
  /** Across the gap, from the edge of the one to that of the other, mm. */
  from: Point;
  to: Point;
  mm: number;
  /** Length of edge along which it shows, mm. */
  alongMm: number;
}

/** Edges of pieces whose thread looks like the cloth, or that nobody can tell apart from it. */
export interface GapsOnPhoto {
  gaps: SeenOnPhoto[];
  /** Ids of pieces whose thread is too near to the cloth's colour to be told from it. */
  unseen: string[];
}

/** Profiles across an edge reach so far to both sides, in steps of so much, mm. */
const REACH_MM = 2.6;
const STEP_MM = 0.05;
/** Narrower gaps are not told from the photo: blur and weave make such lines by themselves, mm. */
const LEAST_MM = 0.35;
/** A gap goes on over so many places of an edge at least, and so far between two of them, mm. */
const LEAST_PLACES = 3;
const GOES_ON_MM = 4.2;
/** A thread differs from the cloth by so many times what cloth differs from itself. */
const TOLD_APART = 4;
/** A thread's look is taken from within its piece, mm; of narrow ones from as far in as they are wide. */
const INSET_MM = [1.2, 0.6, 0.3];
const SAMPLES = 400;

/** How a thread looks on the photo, as a difference from the cloth. */
type Look = readonly [number, number, number];

/** Finds gaps on a photo that lies over its plan. @param meetings edges where pieces should meet, as the forecast has them */
export function gapsOnPhoto(
  photo: PreparedPhoto,
  laying: Laying,
  job: Job,
  shaped: readonly Shaped[],
  meetings: readonly MeetingEdge[],
): GapsOnPhoto {
  const at = sampler(photo, laying);
  const looks = shaped.map(({ shape }, i) =>
    meetings.some((m) => m.first === i || m.later === i) && shape ? lookOf(shape.painted, shaped, i, at) : null,
  );
  const told = looks.map((l) => (l && hypot(hypot(l[0], l[1]), l[2]) >= TOLD_APART * photo.noise ? l : null));
  const gaps = meetings.flatMap(({ first, later, line, places }): SeenOnPhoto[] => {
    const [a, b] = [told[first], told[later]];
    if (!a || !b || line) return [];
    const seen = places.map((place) => (place.backed ? null : acrossOf(place, [a, b], at)));
    return runsOf(places, seen).map((run) => ({ first, later, ...run }));
  });
  const unseen = looks.flatMap((l, i) => (l && !told[i] ? [job.pieces[i]!.id] : []));
  return { gaps: distinct(gaps).sort((a, b) => b.mm - a.mm), unseen };
}

function sampler(photo: PreparedPhoto, laying: Laying): (p: Point) => Look {
  return (p) => {
    const q = onPhoto(laying, photo.shape, p);
    const [x, y] = [q.x * photo.off.width - 0.5, q.y * photo.off.width - 0.5];
    return [valueAt(photo.off, x, y, 0), valueAt(photo.off, x, y, 1), valueAt(photo.off, x, y, 2)];
  };
}

/** What a piece's thread looks like: the middle value of each channel over what of it nothing later covers. */
function lookOf(painted: Area, shaped: readonly Shaped[], index: number, at: (p: Point) => Look): Look | null {
  const over = shaped.slice(index + 1).flatMap(({ shape }) => (shape && shape.painted.length > 0 ? [shape.painted] : []));
  for (const inset of INSET_MM) {
    const inner = offset(painted, -inset);
    if (inner.length === 0) continue;
    const { minX, minY, maxX, maxY } = boundsOf(inner);
    const step = Math.max(0.3, Math.sqrt(((maxX - minX) * (maxY - minY)) / SAMPLES));
    const seen: Look[] = [];
    for (let y = minY; y <= maxY; y += step) {
      for (let x = minX; x <= maxX; x += step) {
        const p = { x, y };
        if (contains(inner, p) && !over.some((o) => contains(o, p))) seen.push(at(p));
      }
    }
    if (seen.length >= 5) return [0, 1, 2].map((c) => middleOf(seen.map((s) => s[c]!))) as unknown as Look;
  }
  return null;
}

const middleOf = (values: readonly number[]): number => values.slice().sort((a, b) => a - b)[values.length >> 1]!;

/** How much of a look is a thread's: 0 for bare cloth, 1 for the thread. */
const threadShare = (seen: Look, threads: readonly Look[]): number =>
  Math.max(...threads.map((t) => (seen[0] * t[0] + seen[1] * t[1] + seen[2] * t[2]) / (t[0] * t[0] + t[1] * t[1] + t[2] * t[2])));

interface Across {
  from: Point;
  to: Point;
  mm: number;
}

/** The widest stretch of cloth across an edge that has thread on both sides. */
function acrossOf({ at, out }: MeetingPlace, threads: readonly [Look, Look], look: (p: Point) => Look): Across | null {
  const n = Math.round((2 * REACH_MM) / STEP_MM);
  const place = (k: number): Point => ({ x: at.x + out.x * (k * STEP_MM - REACH_MM), y: at.y + out.y * (k * STEP_MM - REACH_MM) });
  const shares = Array.from({ length: n + 1 }, (_, k) => threadShare(look(place(k)), threads));
  let best: Across | null = null;
  for (let k = 1; k <= n; k++) {
    if (shares[k - 1]! < 0.5 || shares[k]! >= 0.5) continue;
    const start = k - (0.5 - shares[k]!) / (shares[k - 1]! - shares[k]!);
    let e = k;
    while (e <= n && shares[e]! < 0.5) e++;
    if (e > n) break;
    const end = e - (shares[e]! - 0.5) / (shares[e]! - shares[e - 1]!);
    const mm = (end - start) * STEP_MM;
    if (mm >= LEAST_MM && (!best || mm > best.mm)) best = { from: place(start), to: place(end), mm };
    k = e;
  }
  return best;
}

/** Stretches of an edge along which a gap goes on; each told by its widest place, of which the middle of three counts. */
function runsOf(places: readonly MeetingPlace[], seen: readonly (Across | null)[]): (Across & { alongMm: number })[] {
  const runs: number[][] = [];
  seen.forEach((s, i) => {
    if (!s) return;
    const run = runs[runs.length - 1];
    const last = run?.[run.length - 1];
    if (last !== undefined && distance(places[last]!.at, places[i]!.at) <= GOES_ON_MM) run!.push(i);
    else runs.push([i]);
  });
  return runs
    .filter((run) => run.length >= LEAST_PLACES)
    .map((run) => {
      const calm = run.map((_, k) => middleOf([k - 1, k, k + 1].map((j) => seen[run[Math.min(run.length - 1, Math.max(0, j))]!]!.mm)));
      const k = calm.indexOf(Math.max(...calm));
      return { ...seen[run[k]!]!, mm: Math.round(calm[k]! * 20) / 20, alongMm: run.length };
    });
}

/** One gap is told once, though it lies between several edges: by the pair that it is widest of. */
function distinct(gaps: readonly SeenOnPhoto[]): SeenOnPhoto[] {
  const kept: SeenOnPhoto[] = [];
  for (const gap of gaps.slice().sort((a, b) => b.mm - a.mm))
    if (!kept.some((k) => distance(k.from, gap.from) < 1 && distance(k.to, gap.to) < 1)) kept.push(gap);
  return kept;
}
