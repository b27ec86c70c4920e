import { emptyJob } from '../document/job';
import type { Job, Lettering } from '../document/types';

/** The stretch of cloth that a face is shown on, mm. */
export const SHEET_BOX = { minX: -70, minY: -44, maxX: 70, maxY: 44 };

/** What stands on the sheet of a face, from the largest down: height of capitals and where its base line lies, mm. */
const LINES = [
  { height: 30, y: -9, text: 'Rae&8' },
  { height: 15, y: 14, text: 'Quilt 26' },
  { height: 8, y: 27, text: 'Harbour Line 1946' },
  { height: 5, y: 38, text: 'Joyful vexed quick' },
] as const;

/** Heights at which every face is shown, mm. */
export const SHEET_HEIGHTS: readonly number[] = LINES.map((l) => l.height);

/** A face at the four heights, as texts. */
export const sheetTexts = (face: string): Lettering[] => LINES.map(({ height, y, text }) => ({ text, face, height, at: [0, y] }));

/** The sheet of a face as a job, each height in its own piece. */
export function jobOfSheet(texts: readonly Lettering[]): Job {
  const job = emptyJob('sheet', 'Face', { cloth: 'twill', clothHex: '#e9ece8', hoop: { width: 160, height: 100, shape: 'rect' } });
  return {
    ...job,
    threads: [{ id: 'a', code: 'Q214', name: 'Deep water', hex: '#0b5563', weight: 40 }],
    pieces: texts.map((lettering, i) => ({
      id: `p${i}`,
      name: `${lettering.height} mm`,
      kind: 'lettering',
      thread: 'a',
      lettering,
      settings: {},
    })),
  };
}
