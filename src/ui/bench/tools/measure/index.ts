import { Ruler } from 'lucide-react';
import { constrained } from '@/core/editing/drawn';
import { gaugeAt } from '../pick';
import type { Tool } from '../tool';
import { useMeasure } from './measureStore';
import { MeasureMarks } from './MeasureMarks';

export const measure: Tool = {
  name: 'measure',
  word: 'Measure',
  key: 'M',
  hint: {
    short: 'Point for widths; drag to measure',
    full: 'Point at a shape for its width there; drag from one place to another; hold Shift for level, upright and 15 degrees',
  },
  label: 'Measure',
  Sign: Ruler,
  motion: { lies: 'M20,12 H80 V40 H20 Z', hand: 'M20,26 L80,26', makes: 'M20,26 L80,26' },
  hover: ({ at }) => useMeasure.setState({ gauge: gaugeAt(at) }),
  drag: ({ at: from }) => ({
    to: ({ at, shift }) => useMeasure.setState({ measured: { from, to: shift ? constrained(from, at) : at } }),
  }),
  end: () => useMeasure.setState({ measured: null, gauge: null }),
  Marks: MeasureMarks,
};
