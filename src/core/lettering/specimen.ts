import type { Lettering } from '../document/types';
import { ringsToData } from '../geometry/path';
import { boundsOf, type Bounds } from '../geometry/point';
import { layOut } from './layout';

/** Something to draw of a text: an area, or a line of some width, perhaps within an area only. Path data in mm. */
export interface SpecimenPart {
  d: string;
  /** Of a line, mm; an area where absent. */
  width?: number;
  cap?: 'round' | 'butt';
  within?: string;
}

/** Wider than any letter, in heights of capitals. */
const FAR = 6;

/** A text as a drawing: how a face looks before it is sewn. Null when the face has none of its letters. */
export function specimenOf(text: Lettering): { parts: SpecimenPart[]; box: Bounds } | null {
  const { letters, face } = layOut(text);
  const parts = letters.flatMap(({ glyph, place, strokeMm }): SpecimenPart[] => {
    if (glyph.outline) return [{ d: ringsToData(glyph.outline.map((ring) => ring.map(place))) }];
    return glyph.strokes.map((s) => {
      const part = { d: ringsToData([s.middle.map(place)], s.closed), width: s.width * strokeMm };
      if (!s.level) return { ...part, cap: face.ends === 'round' ? 'round' : 'butt' };
      const [low, high] = s.level;
      const corners = [[-FAR, low], [FAR, low], [FAR, high], [-FAR, high]].map(([x, y]) => place({ x: x!, y: y! })); // prettier-ignore
      return { ...part, cap: 'butt', within: ringsToData([corners]) };
    });
  });
  const places = letters.flatMap(({ glyph, place }) => [...glyph.strokes.map((s) => s.middle), ...(glyph.outline ?? [])].map((l) => l.map(place))); // prettier-ignore
  return parts.length === 0 ? null : { parts, box: boundsOf(places) };
}
