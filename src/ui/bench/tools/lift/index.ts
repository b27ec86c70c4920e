import { ScanSearch } from 'lucide-react';
import type { Tool } from '../tool';
import { beginLifting, clicked, giveUpLifting, lifting } from './lifting';
import { LiftMarks } from './LiftMarks';

export const lift: Tool = {
  name: 'lift',
  word: 'Take a region of the picture',
  key: '*',
  hint: {
    short: 'Click the picture to make a piece of it; drag for more shades',
    full: 'Click a place of the picture: what is like it becomes a piece. Drag away from the place to take in more shades, the farther the more',
  },
  label: 'Picture',
  Sign: ScanSearch,
  motion: {
    lies: 'M20,26 C20,8 50,8 50,26 C50,44 20,44 20,26 Z',
    hand: 'M35,26 L35,26.1',
    makes: 'M20,26 C20,8 50,8 50,26 C50,44 20,44 20,26 Z',
  },
  begin: () => void beginLifting(),
  end: () => void giveUpLifting(),
  click: (spot) => void clicked(spot),
  drag: lifting,
  giveUp: giveUpLifting,
  Marks: LiftMarks,
};
