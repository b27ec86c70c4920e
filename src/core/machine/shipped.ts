import { DEFAULT_PROFILE, type MachineProfile } from '../document/shop/profile';
import type { MachineSetup } from './state';

/** The stand-ins that come with Cobble; made-up machines of usual sizes. */
export const SHIPPED_MACHINES: readonly { id: string; profile: MachineProfile }[] = [
  {
    id: 'window',
    profile: { ...DEFAULT_PROFILE, name: 'Six needles at the window', needles: 6, field: { width: 360, height: 360, shape: 'rect' } },
  },
  {
    id: 'corner',
    profile: {
      ...DEFAULT_PROFILE,
      name: 'One needle in the corner',
      ...{ needles: 1, trimmer: false, speed: 800 },
      field: { width: 200, height: 300, shape: 'rect' },
    },
  },
];

/** How a machine stands when it was just set up: its largest hoop, no thread on its needles. */
export const usualSetup = ({ field, speed, needles }: MachineProfile): MachineSetup => ({
  hoop: { ...field },
  speed: Math.min(speed, 800),
  timeLapse: 60,
  needles: Array.from({ length: needles }, () => ''),
  bobbinStitches: 25_000,
  breaks: { perTenThousand: 0, seed: 1 },
});
