import { SquareDashedMousePointer } from 'lucide-react';
import { useView } from '@/session/view/viewStore';
import { BoxMarks } from '../choose/BoxMarks';
import { boxing } from '../choose/boxing';
import { letGo, pickPiece } from '../pickPiece';
import type { Tool } from '../tool';

/** Draws a box that chooses what lies wholly in it, without a key to hold. */
export const box: Tool = {
  name: 'box',
  word: 'Choose by a box',
  key: '1',
  hint: {
    short: 'Drag a box round pieces',
    full: 'Drag a box round pieces to choose all that lie wholly in it; a click chooses one; Esc puts the box away',
  },
  label: 'Box',
  Sign: SquareDashedMousePointer,
  motion: { lies: 'M26,16 H42 V36 H26 Z M54,18 H72 V34 H54 Z', hand: 'M16,8 L82,44', makes: 'M16,8 H82 V44 H16 Z' },
  drag: boxing,
  click: (spot) => {
    if (!pickPiece(spot)) letGo();
  },
  end: () => useView.setState({ box: null }),
  Marks: BoxMarks,
};
