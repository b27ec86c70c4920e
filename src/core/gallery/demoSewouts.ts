import { frozen, newSewout } from '../document/sewout';
import type { SeenMark, Sewout, SewoutSetup } from '../document/sewoutTypes';
import type { Job } from '../document/types';
import SEWN from './demoSewouts.json';

/** Photos of the demo's tests, as files of `public/demo`. Drawn, laid over their plans and read by `scripts/demoSewouts.ts`. */
export const DEMO_PHOTOS: readonly string[] = SEWN.map((s) => s.file);

const SETUP: SewoutSetup = {
  stabilizer: 'cutaway',
  layers: 1,
  backingGsm: 65,
  clothGsm: 180,
  topping: false,
  hoopKind: 'screw',
  hooping: 'drum-flat',
  needle: '75/11 ballpoint',
  fibre: 'polyester',
  testThread: false,
  tension: 'usual',
  speed: 750,
};
const DAYS = ['2026-11-24', '2026-11-25'];
const TIMES = ['10:20', '09:05'];
const SEWN_BY = 'Maren';
const NOTES = [
  'Cloth shows under the ring at the lower right, and left of the body.',
  'Closed but for a hair. Good enough from across the deck.',
];

/** The tests of the demo polo: the first as it was digitized, the second after its correction. */
export function demoSewouts(first: Job, second: Job): Sewout[] {
  const note = 'Compensation raised where the hills and the sky meet what is sewn later (pull on long rows)';
  const tests = SEWN.map(({ file, width, height, laying, marks }, i): Sewout => {
    const job = i === 0 ? first : second;
    const id = (name: string): string => job.pieces.find((p) => p.name === name)!.id;
    return {
      ...newSewout(job, { id: `test-${i + 1}`, on: DAYS[i]!, by: SEWN_BY, setup: SETUP }),
      time: TIMES[i]!,
      version: { ...frozen({ ...job, sewouts: [] }, i === 0 ? undefined : note), number: i + 1 },
      photos: [{ id: `photo-${i + 1}`, file, width, height, laying: { ...laying, by: 'found' } }],
      marks: marks.map((m, k): SeenMark => ({
        id: `mark-${k + 1}`,
        kind: 'gap',
        piece: id(m.first),
        against: id(m.later),
        at: m.at as [number, number],
        to: m.to as [number, number],
        mm: m.mm,
        found: true,
        ...(i === 0 ? { cause: 'pull' } : {}),
      })),
      notes: NOTES[i]!,
      ...(i === 0 ? { corrections: [note] } : {}),
    };
  });
  return tests;
}
