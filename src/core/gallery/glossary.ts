import { made, sample, type Sample } from './samples';

/** One word of the craft: what it means, what it is good for, and a way to see it sewn. */
export interface Term {
  key: string;
  term: string;
  /** Other words under which it is looked for. */
  also: string;
  says: string;
  /** A sample of the gallery, or one of its own. */
  shows: string;
}

const [LEFT, RIGHT] = ['M-12,-8 H-1 V8 H-12 Z', 'M-1,-8 H12 V8 H-1 Z'];
const LEAF = 'M-14,0 C-6,-9 6,-9 14,0 C6,9 -6,9 -14,0 Z';

/** What only words need to show; the gallery shows the rest. */
export const TERM_SAMPLES: readonly Sample[] = [
  sample('w-pull', 'Pull', '', [
    made('satin', { line: 'M-14,-5 H14', width: 5 }, { pullComp: 0 }),
    made('satin', { line: 'M-14,5 H14', width: 5 }, { pullComp: 0.6 }),
  ]),
  sample('w-meet', 'Registration', '', [
    made('fill', { area: LEFT }, { angle: 0, pullComp: 0.4 }),
    { ...made('fill', { area: RIGHT }, { angle: 0, pullComp: 0.4 }), thread: 'b' },
  ]),
  sample('w-slant', 'Slant', '', [
    made('fill', { area: LEFT }, { angle: 30 }),
    { ...made('fill', { area: RIGHT }, { angle: 120 }), thread: 'b' },
  ]),
  sample('w-spacing', 'Spacing', '', [
    made('fill', { area: LEFT }, { angle: 0, spacing: 0.4, pullComp: 0 }),
    made('fill', { area: RIGHT }, { angle: 0, spacing: 1.2, pullComp: 0 }),
  ]),
  sample('w-trim', 'Trim', '', [made('satin', { line: 'M-14,-6 H-5', width: 4 }), made('satin', { line: 'M5,6 H14', width: 4 })]),
  sample('w-travel', 'Travel', '', [
    made('run', { line: 'M-14,6 C-8,-8 6,-8 14,6' }, { style: 'plain' }),
    { ...made('satin', { line: 'M-14,6 C-8,-8 6,-8 14,6', width: 4 }, { spacing: 1.4, underlay: [] }), thread: 'b' },
  ]),
  sample('w-over', 'Overlap', '', [
    made('fill', { area: LEAF }, { angle: 45 }),
    { ...made('satin', { line: 'M-14,0 H14', width: 3 }), thread: 'b' },
  ]),
];

const term = (key: string, term: string, also: string, shows: string, says: string): Term => ({ key, term, also, shows, says });

/** The words of the craft that Cobble uses, in the order of the alphabet. */
export const GLOSSARY: readonly Term[] = [
  term('applique', 'Appliqué', 'cloth piece tack-down', 'applique', 'Cloth laid on cloth instead of a large area of thread. A line shows where it lies, a second one tacks it down, a border covers its edge.'), // prettier-ignore
  term(
    'area',
    'Area',
    'fill region surface',
    'mixed',
    'A surface laid with rows of thread side by side. It can be of any size, which a satin cannot.',
  ),
  term(
    'bean',
    'Bean',
    'triple outline',
    'bean',
    'A line in which every stitch is sewn three or five times, so that it stands out like a cord.',
  ),
  term('corners', 'Corners', 'mitre fan', 'corner-mitre', 'How a satin turns a sharp bend: its rows are spread like a fan, cut to meet along a line, or sewn one over the other.'), // prettier-ignore
  term('lattice', 'Lattice', 'underlay net grid', 'u-lattice', 'Foundation as an open net of two crossing layers: it holds a large area of cloth to the stabilizer before it is covered.'), // prettier-ignore
  term('layers', 'Layers', 'weight thickness', 'w-over', 'How much thread lies above itself. Two or three are usual; where there are more, the cloth grows stiff and needles break.'), // prettier-ignore
  term('motif', 'Motif', 'repeat ornament', 'motif', 'A small drawn shape that is repeated whole along a line or over an area.'),
  term('openings', 'Openings', 'holes', 'hole', 'Holes in an area. They are left open, or sewn over where something else will cover them.'),
  term(
    'overlap',
    'Overlap',
    'meeting edge',
    'w-meet',
    'How far a piece runs under its neighbour, so that no cloth shows when both have drawn together.',
  ),
  term('pull', 'Pull and its compensation', 'shrink narrower', 'w-pull', 'Thread under tension draws a piece narrower along its rows. It is sewn that much wider: above without compensation, below with 0.6 mm at each end of a row.'), // prettier-ignore
  term('push', 'Push', 'grow longer', 'w-pull', 'Rows side by side press each other apart, so that a piece grows across its rows, mostly at its open ends. Those ends are sewn a little shorter.'), // prettier-ignore
  term('registration', 'Registration', 'fit gap meet', 'w-meet', 'Whether pieces meet on the cloth where they meet in the drawing. Overlap, order and a firm stabilizer keep it.'), // prettier-ignore
  term(
    'run',
    'Run',
    'line running stitch',
    'run',
    'A single line of stitches: for fine detail, and for travels that something else will cover.',
  ),
  term('satin', 'Satin', 'column', 'line', 'Rows that go from one side to the other, close together, with a shine: for letters, borders and narrow shapes up to about 9 mm.'), // prettier-ignore
  term('slant', 'Slant', 'angle direction', 'w-slant', 'The direction of the rows. Light falls on it, and cloth is drawn together along it: neighbours of different slants tell apart.'), // prettier-ignore
  term('spacing', 'Spacing and rows per inch', 'density', 'w-spacing', 'How far rows lie apart. At 0.4 mm, 63.5 rows to the inch, thread covers; more apart, cloth shows; closer, cloth is cut.'), // prettier-ignore
  term(
    'stagger',
    'Stagger',
    'offset groove',
    'brick',
    'How far the holes of one row lie from those of the next. All alike they make a groove; shifted, they do not show.',
  ),
  term(
    'ends',
    'Start and end',
    'entry exit',
    'w-travel',
    'Where the needle comes into a piece and where it leaves it. Near the neighbours they save trims.',
  ),
  term(
    'stitch-length',
    'Stitch length',
    'long short',
    'run',
    'How far the needle goes between two holes. Long ones shine and snag; short ones lie firm and are slow to sew.',
  ),
  term('tie', 'Tie', 'lock knot', 'tie-cross', 'A few small stitches where thread begins or ends, so that it cannot come loose.'),
  term(
    'topping',
    'Topping',
    'film',
    'w-over',
    'A film laid on pile before it is sewn, so that stitches do not sink in. It is torn or washed away.',
  ),
  term('travel', 'Travel', 'walk path', 'w-travel', 'A run from one place to the next under what is sewn later, in place of a trim.'),
  term('trim', 'Trim', 'cut jump', 'w-trim', 'The machine cuts the thread and moves on. Each takes about as long as a hundred stitches, and leaves two ends that must be tied.'), // prettier-ignore
  term(
    'underlay',
    'Underlay',
    'foundation',
    'u-centre',
    'What is sewn first beneath a piece: it fastens cloth to stabilizer, lifts the cover and keeps its edge.',
  ),
];

export const termOf = (key: string): Term => GLOSSARY.find((t) => t.key === key)!;
