import type { Job } from '../../src/core/document/types';
import { jobOf, piece } from '../../src/core/pieces/fixtures';

/** Some 105,000 stitches in 16 fills, in a hoop of 300 mm. */
export function large(): Job {
  const job = jobOf(
    Array.from({ length: 16 }, (_, i) => {
      const [x, y] = [-140 + (i % 4) * 71, -140 + Math.floor(i / 4) * 71];
      return piece('fill', { area: `M${x},${y} h68 v68 h-68 Z` }, { spacing: 0.25 });
    }),
  );
  return { ...job, brief: { ...job.brief, hoop: { width: 300, height: 300, shape: 'rect' } } };
}

/** Some 23,000 stitches in 64 fills, in a hoop of 150 mm. */
export function middling(): Job {
  const side = 17;
  const job = jobOf(
    Array.from({ length: 64 }, (_, i) => {
      const [x, y] = [-side * 4 + (i % 8) * side, -side * 4 + Math.floor(i / 8) * side];
      return piece('fill', { area: `M${x},${y} h${side - 1} v${side - 1} h${1 - side} Z` }, { angle: (i * 40) % 180 });
    }),
  );
  return { ...job, brief: { ...job.brief, cloth: 'pique', hoop: { width: 150, height: 150, shape: 'rect' } } };
}
