import { AreaSign, RunSign, SatinSign } from '../signs';
import type { Tool } from '../tool';
import { aim, begin, end, finish, giveUp, press, setNode } from './draw';
import type { DrawKind } from './drawing';
import { DrawingMarks } from './DrawingMarks';

/** A tool that draws a piece of its own, node by node. */
const drawing = (name: DrawKind, own: Pick<Tool, 'word' | 'label' | 'key' | 'hint' | 'Sign' | 'motion'>): Tool => ({
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
  lays: true,
  Marks: DrawingMarks,
});

export const run = drawing('run', {
  word: 'Draw a run',
  key: 'R',
  hint: {
    short: 'Click nodes; C: curve; Enter ends',
    full: 'Click to set nodes; C: curve; Shift: 15 degrees; Backspace takes back; Enter ends the line',
  },
  label: 'Run',
  Sign: RunSign,
  motion: { hand: 'M12,38 L36,14 L60,36 L88,16', makes: 'M12,38 L36,14 L60,36 L88,16' },
});

export const satin = drawing('satin', {
  word: 'Draw a satin by its two sides',
  key: 'W',
  hint: {
    short: 'One side, Enter, the other, Enter',
    full: 'Draw the first side, Enter, then the second side, Enter; C: curve; Backspace takes back',
  },
  label: 'Satin',
  Sign: SatinSign,
  motion: {
    lies: 'M14,18 C36,6 64,6 86,18',
    hand: 'M14,40 C36,28 64,28 86,40',
    makes: 'M14,40 C36,28 64,28 86,40 L80,15 L72,32 L62,10 L52,31 L42,10 L32,34 L24,14',
  },
});

export const area = drawing('area', {
  word: 'Draw an area',
  key: 'D',
  hint: { short: 'Click round; Enter closes', full: 'Click round the outline; click the first node or Enter closes it; C: curve' },
  label: 'Area',
  Sign: AreaSign,
  motion: { hand: 'M20,40 L32,10 L70,8 L84,34 L50,46 L20,40', makes: 'M20,40 L32,10 L70,8 L84,34 L50,46 Z' },
});
