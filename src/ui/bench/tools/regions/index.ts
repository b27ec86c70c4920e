import { Puzzle } from 'lucide-react';
import type { Tool } from '../tool';
import { pickRegion } from './pickRegion';
import { RegionMarks } from './RegionMarks';

export const regions: Tool = {
  name: 'regions',
  word: 'Take regions of the artwork',
  key: 'I',
  hint: {
    short: 'Click artwork to make it a piece',
    full: 'Click a region of the artwork to make it a piece; Shift-click gathers several into one',
  },
  label: 'Artwork',
  Sign: Puzzle,
  motion: { lies: 'M20,10 H50 V42 H20 Z M54,10 H80 V42 H54 Z', hand: 'M66,26 L66,26.1', makes: 'M54,10 H80 V42 H54 Z' },
  click: ({ at, shift }) => pickRegion(at, shift),
  Marks: RegionMarks,
};
