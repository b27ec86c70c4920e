import { demoSewouts } from './demoSewouts';
import type { AcceptedFinding, Brief, Job, JobFloor, PieceSettings, TracingChoices } from '../document/types';

/** A job that ships with Cobble: its drawing lies in `public/demo`. */
export interface Demo {
  name: string;
  file: string;
  brief: Partial<Brief>;
  accepted?: AcceptedFinding[];
  /** What its digitizer set by hand since, by the names of pieces. */
  byHand?: Readonly<Record<string, PieceSettings>>;
  /** What was set by hand when it was sewn for the first time. */
  first?: Readonly<Record<string, PieceSettings>>;
  /** How it is made: several in a hoop. */
  floor?: JobFloor;
}

/** One that begins with a picture, and what was decided of it. */
export interface PictureDemo extends Demo {
  traced: TracingChoices & { widthMm: number };
}

/** The job as it was sewn first, before its sew-out was looked at. */
export const beforeCorrection = (job: Job, { first, ...demo }: Demo): Job => workedOn(job, { ...demo, byHand: first ?? {} });

/** The job that was made of a demo's drawing, with what its digitizer did to it since. */
export function workedOn(job: Job, demo: Demo): Job {
  const { byHand = {}, accepted, floor, first } = demo;
  const pieces = job.pieces.map((p) => (byHand[p.name] ? { ...p, settings: { ...p.settings, ...byHand[p.name] } } : p));
  const made = { ...job, pieces, ...(accepted ? { accepted } : {}), ...(floor ? { floor } : {}) };
  return first ? { ...made, stage: 'sew-out', sewouts: demoSewouts(beforeCorrection(job, demo), made) } : made;
}

/** The made-up shop whose jobs they are. */
export const DEMO_SHOP = 'Quillwater Stitchroom';

/** Its jobs, as they lie on the shelf. */
export const DEMOS: readonly Demo[] = [
  {
    name: 'Ferry crew polo',
    file: 'heron.svg',
    brief: {
      cloth: 'pique',
      place: 'left-chest',
      garment: 'Polo shirt, white',
      hoop: { width: 100, height: 100, shape: 'rect' },
      size: { width: 85 },
      quantity: 24,
      notes: 'For the ferry crew. The heron must read from across the deck; keep the reeds slim.',
    },
    // Sky and hill are drawn in before the ring and the heron's body are sewn.
    byHand: { Sky: { pullComp: 1.2 }, 'Far hill 1': { pullComp: 0.8 } },
    // One figure for all areas, as many begin.
    first: {
      Sky: { pullComp: 0 },
      Sea: { pullComp: 0 },
      'Far hill 1': { pullComp: 0 },
      'Far hill 2': { pullComp: 0 },
      Body: { pullComp: 0 },
    },
  },
  {
    name: 'Night shift cap',
    file: 'lamp.svg',
    brief: {
      cloth: 'cap',
      place: 'cap-front',
      garment: 'Structured cap, navy',
      hoop: { width: 130, height: 60, shape: 'rect' },
      size: { height: 55 },
      quantity: 18,
      notes: 'Tram depot, night shift. The lamp is to glow; rails clean over the seam.',
    },
  },
  {
    name: 'Tide-pool club patch',
    file: 'limpet.svg',
    brief: {
      cloth: 'patch',
      place: 'patch',
      garment: 'Patch, heat seal on the back',
      hoop: { width: 100, height: 100, shape: 'rect' },
      size: { width: 75 },
      quantity: 60,
      notes: 'Round, border last. The children are to know a limpet when they see one.',
    },
    accepted: [{ rule: 'outline-late', pieces: ['p14', 'p1'], reason: 'the rim of a patch is sewn last: it is where it is cut' }],
    // Cut apart later: six in the large hoop.
    floor: {
      hoop: { width: 200, height: 300, shape: 'rect' },
      copies: [-80, 0, 80].flatMap((y) => [-40, 40].map((x) => ({ x, y, turn: 0 }))),
    },
  },
  {
    name: 'Pottery café apron',
    file: 'kettle.svg',
    brief: {
      cloth: 'twill',
      clothHex: '#d8cdb6',
      place: 'apron',
      garment: 'Apron, natural canvas',
      hoop: { width: 130, height: 180, shape: 'rect' },
      size: { width: 104 },
      quantity: 8,
      notes: 'Kettle with steam; the word must be read from the counter.',
    },
  },
  {
    name: 'Botanical jacket back',
    file: 'fern.svg',
    brief: {
      cloth: 'twill',
      place: 'jacket-back',
      garment: 'Denim jacket',
      hoop: { width: 360, height: 360, shape: 'rect' },
      size: { height: 240 },
      quantity: 3,
      notes: 'Fern and seed heads for the garden’s volunteers.',
    },
  },
];

/** Those that a customer sent as a photo of a sheet. */
export const PICTURE_DEMOS: readonly PictureDemo[] = [
  {
    name: 'Bakery mouse tote',
    file: 'mouse.jpg',
    brief: {
      cloth: 'twill',
      clothHex: '#d8cdb6',
      place: 'other',
      garment: 'Tote bag, natural canvas',
      hoop: { width: 130, height: 180, shape: 'rect' },
      size: { width: 80 },
      quantity: 12,
      notes: 'Sent as a photo of the sign. The mouse must look at the loaf, not past it.',
    },
    // The sheet lay a little turned, and there was a crumb on it.
    traced: { widthMm: 80, prepared: { levelDeg: 3 }, dropped: [[0.1, 0.88]] },
  },
];
