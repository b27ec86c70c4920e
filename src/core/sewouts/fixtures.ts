import { emptyJob } from '../document/job';
import type { Brief, Job, Piece } from '../document/types';

/** A thread of its own for cloth-coloured work is not needed here: two that differ. */
const THREADS: Job['threads'] = [
  { id: 't1', code: 'Q214', name: 'Deep water', hex: '#0b5563', weight: 40 },
  { id: 't2', code: 'Q101', name: 'Ember', hex: '#c8401f', weight: 40 },
];

export const madeJob = (pieces: readonly (Partial<Piece> & Pick<Piece, 'id' | 'kind'>)[], brief: Partial<Brief> = {}): Job => ({
  ...emptyJob('made', 'Made up', { hoop: { width: 130, height: 130, shape: 'rect' }, ...brief }),
  threads: THREADS,
  pieces: pieces.map((p) => ({ name: p.id, thread: 't1', settings: {}, ...p })),
});

const square = (x: number, y: number, mm: number): string => `M${x},${y} h${mm} v${mm} h${-mm} Z`;

/** Three fields of level rows with a border round each, the borders sewn last: six level gaps to measure, left and right of each. */
export function threeFields(brief: Partial<Brief> = {}): Job {
  const fields = [
    { id: 'a', x: -45, y: -45, mm: 40 },
    { id: 'b', x: 8, y: -45, mm: 30 },
    { id: 'c', x: -45, y: 10, mm: 24 },
  ];
  return madeJob(
    [
      ...fields.map(({ id, x, y, mm }) => ({ id, kind: 'fill' as const, area: square(x, y, mm), settings: { angle: 0, pullComp: 0 } })),
      ...fields.map(({ id, x, y, mm }) => ({
        id: `${id}-rim`,
        kind: 'border' as const,
        thread: 't2',
        area: square(x - 2.2, y - 2.2, mm + 4.4),
        width: 2.4,
      })),
    ],
    brief,
  );
}
