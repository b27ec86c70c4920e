import { MousePointer2 } from 'lucide-react';
import { letGo, pickPiece } from '../pickPiece';
import type { Tool } from '../tool';
import { BoxMarks } from './BoxMarks';
import { boxing } from './boxing';
import { carrying } from './carrying';

/** At rest: a click chooses, a drag of what is chosen moves it, with Shift a box chooses what lies in it. */
export const choose: Tool = {
  name: 'choose',
  word: 'Choose',
  key: 'Q',
  hint: {
    short: 'Click a piece, drag it to move; wheel zooms',
    full: 'Click a piece to see how it is sewn, then drag it to move it; drag the cloth to move the view; wheel to zoom',
  },
  Sign: MousePointer2,
  atRest: true,
  drag: (from, mark) => (from.shift ? boxing(from) : carrying(from, mark)),
  click: (spot) => {
    if (!pickPiece(spot)) letGo();
  },
  Marks: BoxMarks,
};
