import type { Element } from 'domhandler';
import svgpath from 'svgpath';
import { IDENTITY, type Matrix } from '../geometry/path';

/** The choice that a value names, or the first. */
export const oneOf = <T extends string>(value: string | undefined, choices: readonly [T, ...T[]]): T =>
  choices.find((c) => c === value) ?? choices[0];

/** The map of an element's `transform`; identity when it is absent or unreadable. */
export function transformOf(e: Element): Matrix {
  const text = e.attribs['transform'];
  if (!text) return IDENTITY;
  const ends: number[] = [];
  // Three points determine the map; the path library knows SVG's transform grammar.
  svgpath('M0 0L1 0L0 1')
    .transform(text)
    .iterate((s) => {
      ends.push(s[1] as number, s[2] as number);
    });
  const [ox, oy, xx, xy, yx, yy] = ends as [number, number, number, number, number, number];
  const m: Matrix = [xx - ox, xy - oy, yx - ox, yy - oy, ox, oy];
  return m.every(Number.isFinite) ? m : IDENTITY;
}
