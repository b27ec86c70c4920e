import { emptyJob } from '../document/job';
import type { ClothKey, Job, Piece, PieceSettings } from '../document/types';
import type { PieceKindName } from '../document/kinds';
import { FACES } from '../lettering/faces';

/** One way of sewing, shown on made-up cloth with words on when to use it. */
export interface Sample {
  id: string;
  title: string;
  when: string;
  pieces: readonly Piece[];
  cloth: ClothKey;
}

export interface SampleGroup {
  title: string;
  samples: readonly Sample[];
}

/** The stretch of cloth that each sample is shown on, mm. */
export const SAMPLE_BOX = { minX: -17, minY: -12, maxX: 17, maxY: 12 };

let count = 0;
export const made = (kind: PieceKindName, shape: Partial<Piece>, settings: PieceSettings = {}): Piece => ({
  id: `g${++count}`,
  name: 'Sample',
  kind,
  thread: 'a',
  ...shape,
  settings,
});
export const sample = (id: string, title: string, when: string, pieces: Piece | readonly Piece[], cloth: ClothKey = 'twill'): Sample => ({
  id,
  title,
  when,
  pieces: Array.isArray(pieces) ? pieces : [pieces as Piece],
  cloth,
});

const WAVE = 'M-14,2 C-9,-7 -4,-7 0,0 C4,7 9,7 14,-2';
const ZIGZAG = 'M-13,5 L-5,-5 L3,5 L12,-5';
const LEAF = 'M-14,0 C-6,-9 6,-9 14,0 C6,9 -6,9 -14,0 Z';
const SQUARE = 'M-11,-9 H11 V9 H-11 Z';
const RING = 'M11,0 A11,11 0 1 1 -11,0 A11,11 0 1 1 11,0 Z M4,0 A4,4 0 1 0 -4,0 A4,4 0 1 0 4,0 Z';
const BOW = 'M-14,8 A15,15 0 0 1 14,8 L6,8 A7,7 0 0 0 -6,8 Z';
const BOW_SLANTS = ['M-15,8 L-5,8', 'M0,-8 L0,2', 'M5,8 L15,8'];
const LETTER = 'M-8,-9 H-4 V-2 H4 V-9 H8 V9 H4 V2 H-4 V9 H-8 Z';
const CHEVRON = 'M-13,7 L-1,-9 L13,5 L10,9 L-1,-3 L-9,10 Z';
const ELBOW = 'M-10,-7 H9 V8';

const LINES: SampleGroup = {
  title: 'Lines',
  samples: [
    sample('run', 'Run', 'Fine detail, and travels that something will cover.', made('run', { line: WAVE }, { style: 'plain' })),
    sample(
      'double',
      'Out and back',
      'A line bold enough to be seen that ends where it began.',
      made('run', { line: WAVE }, { style: 'double' }),
    ),
    sample(
      'bean',
      'Bean, 3 passes',
      'Outlines with weight; the first pass can carry the path.',
      made('run', { line: WAVE }, { style: 'bean' }),
    ),
    sample('bean5', 'Bean, 5 passes', 'A cord-like line on pile and knit.', made('run', { line: WAVE }, { style: 'bean', passes: 5 })),
    sample(
      'backstitch',
      'Backstitch',
      'Stems and hand-worked lines: each stitch lies half over the last.',
      made('run', { line: WAVE }, { style: 'backstitch', stitchLength: 4 }),
    ),
    sample(
      'zigzag',
      'Loose zigzag',
      'Foundation under borders, tack-down, open edges.',
      made('run', { line: WAVE }, { style: 'zigzag', zigzagWidth: 3 }),
    ),
    sample('motif', 'Motif', 'A small drawn shape repeated whole along a line.', made('run', { line: WAVE }, { style: 'motif' })),
    sample(
      'branches',
      'Branched bean',
      'Out on a run, back as a bean: no trim.',
      made('run', { line: 'M-13,6 C-6,5 -2,2 0,0 M0,0 C5,-3 9,-5 13,-6 M0,0 C3,3 7,6 11,7' }, { style: 'bean' }),
    ),
  ],
};

const SATINS: SampleGroup = {
  title: 'Satin',
  samples: [
    sample(
      'line',
      'Along a line',
      'Borders and stems of even width, with round ends.',
      made('satin', { line: WAVE, width: 3, cap: 'round' }),
    ),
    sample(
      'sides',
      'By two sides',
      'Shapes that swell: rows tie the sides together.',
      made('satin', { sides: ['M-13,-1 C-6,-8 6,-8 13,-1', 'M-13,2 C-6,2 6,2 13,2'] }),
    ),
    sample(
      'outline',
      'From an outline',
      'Letters and marks: columns along the middle, bars tucked under stems.',
      made('satin', { area: LETTER }),
    ),
    sample(
      'slanted',
      'From an outline with slants',
      'Where you want to say how the rows lie.',
      made('satin', { area: LEAF, slants: ['M-10,-3 L-8,4', 'M-1,-7 L1,7', 'M8,-4 L10,3'] }),
    ),
    sample(
      'split',
      'Over the limit, split',
      'Wider than the limit: staggered points inside the rows.',
      made('satin', { line: 'M-12,0 H12', width: 11 }),
    ),
    sample(
      'as-fill',
      'Over the limit, as fill',
      'Or sewn as a fill.',
      made('satin', { area: 'M-12,-6 H12 V6 H-12 Z' }, { overLimit: 'fill' }),
    ),
    sample(
      'hairpin',
      'Tight turn',
      'Inside the turn every second stitch is shortened.',
      made('satin', { line: 'M-11,6 H2 A5,5 0 0 0 2,-4 H-11', width: 4 }),
    ),
  ],
};

const CORNERS: SampleGroup = {
  title: 'Corners',
  samples: (
    [
      ['turn', 'Turn', 'One piece goes round: blends best.'],
      ['butt', 'Butt', 'One runs through, the other butts with an overlap: crisp.'],
      ['mitre', 'Mitre', 'Both meet on the diagonal: crisp and even.'],
      ['cap', 'Cap', 'A cap of cross rows under both: very sharp corners.'],
    ] as const
  ).flatMap(([corners, title, when]) => [
    sample(`corner-${corners}`, title, when, made('satin', { line: ELBOW, width: 4.5 }, { corners })),
    sample(`zigzag-${corners}`, `${title}, sharp`, when, made('satin', { line: ZIGZAG, width: 3 }, { corners })),
    sample(`outline-${corners}`, `${title}, from an outline`, when, made('satin', { area: CHEVRON }, { corners })),
  ]),
};

const FILLS: SampleGroup = {
  title: 'Fills',
  samples: [
    sample('mixed', 'Mixed stagger', 'The usual fill: no groove shows.', made('fill', { area: SQUARE }, { angle: 20 })),
    sample('brick', 'Brick', 'A quiet woven texture.', made('fill', { area: SQUARE }, { angle: 0, stagger: 'brick' })),
    sample('quarter', 'Quarter', 'Diagonal twill lines.', made('fill', { area: SQUARE }, { angle: 0, stagger: 'quarter' })),
    sample(
      'carved',
      'Carved lines',
      'Penetrations fall on lines you draw: veins, scales, folds.',
      made('fill', { area: LEAF, carve: 'M-12,0 H12 M-6,-5 L-2,0 L-6,5 M2,-6 L6,0 L2,6' }, { angle: 65 }),
    ),
    sample(
      'turning',
      'Turning',
      'Rows follow two or more slants; where they crowd, pairs of them stop.',
      made('fill', { area: BOW, slants: BOW_SLANTS }),
    ),
    sample(
      'turning-leaf',
      'Turning leaf',
      'Fans without crowding the point.',
      made('fill', { area: LEAF, slants: ['M-12,-2 L-9,3', 'M0,-7 L0,7', 'M9,3 L12,-2'] }),
    ),
    sample(
      'ring',
      'All round',
      'Rows that stand square to a ring.',
      made('fill', { area: RING, slants: ['M4,0 H11', 'M0,4 V11', 'M-4,0 H-11', 'M0,-4 V-11'] }),
    ),
    sample('hole', 'With an opening', 'Travels stay inside and are covered.', made('fill', { area: RING }, { angle: 30 })),
    sample(
      'light',
      'Light, 1.2',
      'Cloth and thread of one colour; no underlay.',
      made('fill', { area: SQUARE }, { angle: 15, spacing: 1.2 }),
    ),
    sample(
      'blend',
      'Opening gradually',
      'Shading: dense to open.',
      made('fill', { area: SQUARE }, { angle: 0, spacing: 0.4, spacingTo: 1.8 }),
    ),
    sample('blended', 'Two that blend', 'One opens where the other closes.', [
      made('fill', { area: SQUARE }, { angle: 0, spacing: 0.4, spacingTo: 1.8, underlay: [] }),
      made('fill', { area: SQUARE, thread: 'b' }, { angle: 0, spacing: 1.8, spacingTo: 0.4, underlay: [] }),
    ]),
  ],
};

const bare = (kind: PieceKindName, shape: Partial<Piece>, settings: PieceSettings): Piece =>
  made(kind, shape, { ...settings, spacing: 5, pullComp: 0 });

const UNDERLAYS: SampleGroup = {
  title: 'Underlay (cover left open to show it)',
  samples: [
    sample(
      'u-centre',
      'Centre run',
      'Satin of 1.5 to 3 mm.',
      bare('satin', { line: WAVE, width: 3 }, { underlay: [{ kind: 'centre-run' }] }),
    ),
    sample(
      'u-edge',
      'Edge run',
      'Crisp edges; satin on top of a fill.',
      bare('satin', { line: WAVE, width: 5 }, { underlay: [{ kind: 'edge-run', inset: 0.6 }] }),
    ),
    sample(
      'u-zigzag',
      'Edge run and zigzag',
      'Satin over 5 mm: holds the edge and lifts.',
      bare('satin', { line: WAVE, width: 6 }, { underlay: [{ kind: 'edge-run' }, { kind: 'zigzag' }] }),
    ),
    sample(
      'u-double',
      'Double zigzag',
      'Lift on fleece and pile.',
      bare('satin', { line: WAVE, width: 6 }, { underlay: [{ kind: 'double-zigzag' }] }),
    ),
    sample(
      'u-lattice',
      'Lattice and edge run',
      'Under fills: across the cover, and along the edge on knits.',
      bare('fill', { area: LEAF }, { angle: 45, underlay: [{ kind: 'edge-run', inset: 0.8 }, { kind: 'lattice' }] }),
    ),
    sample(
      'u-both',
      'Lattice both ways',
      'Pile that has to be held down.',
      bare('fill', { area: SQUARE }, { angle: 45, underlay: [{ kind: 'lattice' }, { kind: 'lattice', angle: 0 }] }),
    ),
    sample('u-hand', 'By hand', 'A drawn run or loose zigzag that knows it is foundation.', [
      made('run', { line: 'M-11,-6 L11,6 M-11,6 L11,-6' }, { foundation: true }),
      made('run', { line: 'M-12,0 H12' }, { foundation: true, style: 'zigzag', zigzagWidth: 6, spacing: 2 }),
    ]),
  ],
};

const SPECIAL: SampleGroup = {
  title: 'Special work',
  samples: [
    sample(
      'foam',
      'Raised foam',
      'Satin only, 0.20 apart, open ends capped, no underlay.',
      made('satin', { line: 'M-11,0 H11', width: 7 }, { foam: 3 }),
      'cap',
    ),
    sample(
      'foam-letter',
      'Foam letter',
      'Every open end closed so that the foam tears clean.',
      made('satin', { area: 'M-9,-9 H-3 V3 H9 V9 H-9 Z' }, { foam: 3 }),
      'cap',
    ),
    sample('applique', 'Appliqué', 'Placement line, stop, tack-down, stop, cover.', made('applique', { area: LEAF }), 'fleece'),
    sample(
      'border',
      'Patch border',
      'Over the edge of a patch, 0.30 apart.',
      [
        made('fill', { area: RING.split(' M')[0]! }, { spacing: 1.2, angle: 20 }),
        made('border', { area: RING.split(' M')[0]!, thread: 'b' }),
      ],
      'patch',
    ),
    sample(
      'tie-half-back',
      'Half-back tie',
      'Flat, and hidden in the line.',
      made('run', { line: WAVE }, { style: 'plain', tieShape: 'half-back' }),
    ),
    sample('tie-cross', 'Cross tie', 'Strong; may show on runs.', made('run', { line: WAVE }, { style: 'plain', tieShape: 'cross' })),
  ],
};

/** Every kind and option of the engine. */
const LETTERS: SampleGroup = {
  title: 'Letters',
  samples: FACES.map((face) =>
    sample(
      `face-${face.key}`,
      face.name,
      `${face.says[0]!.toUpperCase()}${face.says.slice(1)}. Its openings stay open from ${face.smallest[40]} mm in 40 weight.`,
      [
        made('lettering', { lettering: { text: 'Rag', face: face.key, height: 10, at: [0, 0] } }),
        made('lettering', { lettering: { text: 'Quay 12', face: face.key, height: 5, at: [0, 9] } }),
      ],
    ),
  ),
};

export const GALLERY: readonly SampleGroup[] = [LINES, SATINS, CORNERS, FILLS, UNDERLAYS, LETTERS, SPECIAL];

/** The sample as a job of its own. */
export function jobOfSample(s: Sample): Job {
  const threads = [
    { id: 'a', code: 'Q214', name: 'Deep water', hex: '#0b5563', weight: 40 },
    { id: 'b', code: 'Q118', name: 'Marigold', hex: '#e59a1c', weight: 40 },
  ];
  return { ...emptyJob(s.id, s.title, { cloth: s.cloth, clothHex: '#e9ece8' }), threads, pieces: s.pieces.slice() };
}
