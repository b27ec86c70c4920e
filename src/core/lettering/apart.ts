import type { FaceOutlines, Lettering } from '../document/types';
import { PI } from '../units/trig';
import { inkOf } from './glyph';
import { toThousandths } from '../units/rounded';
import { layOut } from './layout';

/** The letters of a text as texts of one letter each, where they are and as they look. */
export function lettersApart(text: Lettering): Lettering[] {
  const { letters, face: sized } = layOut(text);
  const { face, wide, weight, slant, outlines } = text;
  const kept = { face, ...(wide === undefined ? {} : { wide }), ...(weight === undefined ? {} : { weight }), ...(slant === undefined ? {} : { slant }) }; // prettier-ignore
  return letters.map(({ char, glyph, height, place, turn }) => {
    const [left, right] = inkOf(glyph, sized.proportions.w);
    const foot = place({ x: (left + right) / 2, y: 0 });
    const turned = toThousandths((-turn * 180) / PI);
    return {
      ...kept,
      ...(outlines ? { outlines: ofOne(outlines, char) } : {}),
      text: char,
      height,
      at: [toThousandths(foot.x), toThousandths(foot.y)],
      ...(turned === 0 ? {} : { turn: turned }),
    };
  });
}

const ofOne = ({ name, glyphs, space }: FaceOutlines, sign: string): FaceOutlines => ({
  name,
  glyphs: { [sign]: glyphs[sign]! },
  kern: {},
  space,
});
