import type { Lettering } from '../document/types';
import type { Line, Point } from '../geometry/point';
import { layOut } from './layout';
import { smallLettersMm } from './textJob';

/** A line that letters stand on or reach up to. */
export interface TextGuide {
  of: 'base' | 'small letters' | 'capitals';
  line: Line;
}

/** The base line of each line of a text, and the heights of its small letters and capitals, on the page, mm. */
export function textGuides(text: Lettering): TextGuide[] {
  const small = smallLettersMm(text);
  const levels: [TextGuide['of'], number][] = [['base', 0], ...(small === null ? [] : [['small letters', small] as [TextGuide['of'], number]]), ['capitals', text.height]]; // prettier-ignore
  const { letters } = layOut(text);
  const rows = [...new Set(letters.map((l) => l.row))];
  return rows.flatMap((row) => {
    const own = letters.filter((l) => l.row === row).sort((a, b) => a.aside - b.aside);
    return levels.map(([of, mm]): TextGuide => {
      const line = own.flatMap(({ glyph, height, index, place }): Point[] => {
        const y = (mm - (text.letters?.[index]?.shift?.[1] ?? 0)) / height;
        return [0, 0.5, 1].map((x) => place({ x: x * glyph.width, y }));
      });
      return { of, line };
    });
  });
}
