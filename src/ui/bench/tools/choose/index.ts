import { MousePointer2 } from 'lucide-react';
import { letGo, pickPiece } from '../pickPiece';
import type { Tool } from '../tool';
import { boxing } from './boxing';
import { carrying } from './carrying';
import { ChooseMarks } from './ChooseMarks';

/** At rest: a click chooses, a drag of what is chosen moves it, with Shift a box chooses what lies in it. */
export const choose: Tool = {
  name: 'choose',
  word: 'Choose',
  key: 'Q',
  hint: {
    short: 'Click a piece; drag it, or its grips; wheel zooms',
    full: 'Click a piece to see how it is sewn, then drag it to move it, and its grips to turn and scale it; drag the cloth, or anything with Space held, to move the view; wheel to zoom',
  },
  label: 'Choose',
  Sign: MousePointer2,
  motion: { lies: 'M20,14 H44 V38 H20 Z', hand: 'M32,26 L66,26', makes: 'M54,14 H78 V38 H54 Z' },
  atRest: true,
  drag: (from, mark) => (from.shift ? boxing(from) : carrying(from, mark)),
  click: (spot) => {
    if (!pickPiece(spot)) letGo();
  },
  Marks: ChooseMarks,
};
