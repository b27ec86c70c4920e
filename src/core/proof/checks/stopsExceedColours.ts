import type { Check } from '../check';

/** Changes beyond one per thread that registration may be worth. */
const EXTRA = 3;

export const stopsExceedColours: Check = {
  rule: 'stops-exceed-colours',
  severity: 'note',
  title: 'Threads taken up again and again',
  find({ figures }) {
    const needed = figures.threads - 1;
    if (figures.colourChanges <= needed + EXTRA) return [];
    return [
      {
        pieces: [],
        at: { x: 0, y: 0 },
        measured: figures.colourChanges,
        limit: needed + EXTRA,
        unit: '',
        limitFrom: `${figures.threads} threads need ${needed} changes`,
        message: `${figures.colourChanges} thread changes for ${figures.threads} threads. The path for fewest stops brings them together.`,
      },
    ];
  },
};
