import { InputError } from '../document/errors';
import { withThread } from '../document/job';
import { without } from '../document/without';
import type { Job, Piece } from '../document/types';
import { movedBy, transformedPiece } from '../editing/transform';
import { boundsOf, type Bounds } from '../geometry/point';
import { prepareShape } from '../pieces/registry';

/** What the file of a hoop of several is called, without its extension. */
export const hoopFile = (k: number): string => `hoop-${String(k + 1).padStart(2, '0')}`;

/** Several jobs are laid no nearer to the edge of their hoop than this: the presser foot needs room, mm. */
const EDGE_MM = 5;

/**
 * Jobs of one hoop size placed in rows, as many in a hoop as there is room for, each sewn in what is left of the list. What has one
 * place in all of them is sewn in one go, so that a hoop has no more stops than one job.
 * @throws InputError when even one job does not fit
 */
export function jobsTogether(jobs: readonly Job[], gapMm: number): Job[] {
  const boxes = jobs.map(extentOf);
  const cell = {
    width: Math.max(...boxes.map((b) => b.maxX - b.minX)),
    height: Math.max(...boxes.map((b) => b.maxY - b.minY)),
  };
  const { hoop } = jobs[0]!.brief;
  const fits = (room: number, one: number): number => Math.floor((room - 2 * EDGE_MM + gapMm) / (one + gapMm));
  const [columns, rows] = [fits(hoop.width, cell.width), fits(hoop.height, cell.height)];
  if (columns < 1 || rows < 1)
    throw new InputError(
      'too-big-for-hoop',
      'One name alone leaves no room at the edge of the hoop; take a larger hoop, or a job for each.',
    );
  const places = placesIn(hoop, { columns, rows, ...cell, gapMm });
  return inGroups(
    jobs.map((job, i) => ({ job, box: boxes[i]! })),
    places.length,
  ).map((group, k) => hoopOf(group, places, k));
}

interface Grid {
  columns: number;
  rows: number;
  width: number;
  height: number;
  gapMm: number;
}

/** Middles of the cells of a grid about the middle of the hoop; those that an oval hoop cuts off are left out. */
function placesIn(hoop: Job['brief']['hoop'], { columns, rows, width, height, gapMm }: Grid): { x: number; y: number }[] {
  const at = (i: number, n: number, one: number): number => (i - (n - 1) / 2) * (one + gapMm);
  const all = Array.from({ length: rows * columns }, (_, i) => ({
    x: at(i % columns, columns, width),
    y: at(Math.floor(i / columns), rows, height),
  }));
  if (hoop.shape === 'rect') return all;
  const [a, b] = [hoop.width / 2 - EDGE_MM, hoop.height / 2 - EDGE_MM];
  const inside = all.filter(({ x, y }) => ((Math.abs(x) + width / 2) / a) ** 2 + ((Math.abs(y) + height / 2) / b) ** 2 <= 1);
  return inside.length > 0 ? inside : [{ x: 0, y: 0 }];
}

function inGroups<T>(all: readonly T[], size: number): T[][] {
  return Array.from({ length: Math.ceil(all.length / size) }, (_, k) => all.slice(k * size, (k + 1) * size));
}

function hoopOf(group: readonly { job: Job; box: Bounds }[], places: readonly { x: number; y: number }[], k: number): Job {
  const first = group[0]!.job;
  let threads = first.threads;
  const copies = group.map(({ job, box }, i) => {
    const { x, y } = places[i]!;
    const move = movedBy(x - (box.minX + box.maxX) / 2, y - (box.minY + box.maxY) / 2);
    return job.pieces.map((p): Piece => {
      const merged = withThread(
        threads,
        without(
          job.threads.find((t) => t.id === p.thread)!,
          'id',
        ),
      );
      ({ threads } = merged);
      return named(transformedPiece(p, move), `${i + 1}`, merged.id);
    });
  });
  const longest = Math.max(...copies.map((c) => c.length));
  // The same piece of all copies, then the next one: thread by thread.
  const pieces = Array.from({ length: longest }, (_, i) => copies.flatMap((c) => c[i] ?? [])).flat();
  const box = boundsOf(pieces.flatMap((p) => prepareShape(p)?.painted ?? []));
  const size = { width: Math.round((box.maxX - box.minX) * 100) / 100, height: Math.round((box.maxY - box.minY) * 100) / 100 };
  return { ...first, name: `${first.name.replace(/, [^,]*$/, '')}, hoop ${k + 1}`, brief: { ...first.brief, size }, threads, pieces };
}

/** A piece of one copy: what it refers to is in the same copy. */
function named(piece: Piece, copy: string, thread: string): Piece {
  const own = (id: string): string => `${id}-${copy}`;
  return {
    ...piece,
    id: own(piece.id),
    thread,
    group: own(piece.group ?? 'name'),
    ...(piece.sewAfter === undefined ? {} : { sewAfter: own(piece.sewAfter) }),
    ...(piece.follows ? { follows: { ...piece.follows, text: own(piece.follows.text) } } : {}),
  };
}

function extentOf(job: Job): Bounds {
  return boundsOf(job.pieces.flatMap((p) => prepareShape(p)?.painted ?? []));
}
