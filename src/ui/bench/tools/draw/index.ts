import { PenLine, RectangleHorizontal, Spline } from 'lucide-react';
import type { Tool } from '../tool';
import { aim, begin, end, finish, giveUp, press, setNode } from './draw';
import type { DrawKind } from './drawing';
import { DrawingMarks } from './DrawingMarks';

/** A tool that draws a piece of its own, node by node. */
const drawing = (name: DrawKind, own: Pick<Tool, 'word' | 'key' | 'hint' | 'Sign'>): Tool => ({
  ...own,
  name,
  begin: () => begin(name),
  end,
  hover: aim,
  click: setNode,
  doubleClick: finish,
  press,
  giveUp,
  catchesGuides: true,
  Marks: DrawingMarks,
});

export const run = drawing('run', {
  word: 'Draw a run',
  key: 'R',
  hint: {
    short: 'Click nodes; C: curve; Enter ends',
    full: 'Click to set nodes; C: curve; Shift: 15 degrees; Backspace takes back; Enter ends the line',
  },
  Sign: PenLine,
});

export const satin = drawing('satin', {
  word: 'Draw a satin by its two sides',
  key: 'W',
  hint: {
    short: 'One side, Enter, the other, Enter',
    full: 'Draw the first side, Enter, then the second side, Enter; C: curve; Backspace takes back',
  },
  Sign: RectangleHorizontal,
});

export const area = drawing('area', {
  word: 'Draw an area',
  key: 'D',
  hint: { short: 'Click round; Enter closes', full: 'Click round the outline; click the first node or Enter closes it; C: curve' },
  Sign: Spline,
});
