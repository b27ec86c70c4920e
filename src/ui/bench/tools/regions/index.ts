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
  Sign: Puzzle,
  click: ({ at, shift }) => pickRegion(at, shift),
  Marks: RegionMarks,
};
