import { ALIGNMENTS, LETTER_DIRECTIONS, LETTER_LINES, ROUTE_POLICIES, TIE_SHAPES, TIES_WHEN } from '../core/document/types';
import { EXPORTS } from '../core/formats/registry';

type Option = readonly [flag: string, words: string];

interface CommandHelp {
  /** What stands after the command's name. */
  takes: string;
  does: string;
  options: readonly Option[];
}

const SIZE: readonly Option[] = [
  ['--width MM', 'width of what the artwork paints; the height follows'],
  ['--height MM', 'its height; the width follows'],
];
const INPUT: readonly Option[] = [
  ...SIZE,
  ['--cloth NAME', 'what it is sewn on: pique, twill, jersey, cap …'],
  ['--hoop WxH', 'the field in mm, such as 100x100'],
  ['--thread-weight N', 'weight of the thread, 40 unless said'],
];
/** How thread is tied, in place of what the job says. */
const TIES: readonly Option[] = [
  ['--ties NAME', `${TIES_WHEN.join(', ')}: around cuts, at every piece, or wherever a hand will cut`],
  ['--tie-distance MM', 'of bare thread from which it is tied on both sides, with --ties distance'],
  ['--tie-shape NAME', TIE_SHAPES.join(', ')],
];
const REPORT: Option = ['--report FILE.json', 'figures and findings as JSON'];
const ARTWORK = 'ART.svg|PICTURE|JOB.json|JOB.cobble';

/** What each command takes and does; the one list of them for help and errors. */
export const HELP = {
  plan: {
    takes: ARTWORK,
    does: 'stitches and report',
    options: [
      ...INPUT,
      ['--out FILE', `stitches as ${EXPORTS.map((f) => `.${f.extension}`).join(', ')}; may be given several times`],
      ['--out-dir DIR', 'for several inputs, on all cores: a folder for their files'],
      ['--as EXT[,EXT]', 'what those files are, .cobble unless said'],
      REPORT,
      ['--quick', 'without forecast and proof'],
      ...TIES,
      ['--machine PROFILE.json', 'files as this machine can sew them; see docs/machine.md'],
    ],
  },
  proof: { takes: ARTWORK, does: 'what will go wrong; ends with 1 when a finding is severe', options: [...INPUT, REPORT] },
  route: {
    takes: ARTWORK,
    does: 'a better order, starts and ends',
    options: [...INPUT, ['--policy NAME', ROUTE_POLICIES.join(', ')], ['--apply OUT.cobble', 'the job with the order found'], REPORT],
  },
  forecast: {
    takes: ARTWORK,
    does: 'the predicted shape, and gaps in mm',
    options: [...INPUT, ['--grid NAME', 'editing (4 mm) or proof (2 mm)'], REPORT],
  },
  letter: {
    takes: '"TEXT"',
    does: 'a text as a job: letters drawn as columns',
    options: [
      ['--as-drawn', 'heights as the face draws them, not corrected until they land'],
      ['--face NAME|FILE', 'one that `bin/cobble faces` lists, or a font (OTF, TTF, WOFF)'],
      ['--height MM', 'height of the capitals'],
      ['--width MM', 'width of the whole instead; the height follows'],
      ['--line NAME', LETTER_LINES.join(', ')],
      ['--radius MM', 'of an arc or circle'],
      ['--spacing PERCENT', 'added between letters, in parts of the height'],
      ['--slant DEGREES', 'to the right'],
      ['--style NAME', 'columns, line, outline, fill or applique'],
      ['--align NAME', `${ALIGNMENTS.join(', ')}; several lines are parted by \\n`],
      ['--direction NAME', LETTER_DIRECTIONS.join(', ')],
      ['--colour #rrggbb', 'the nearest thread of the chart is taken'],
      ...INPUT.slice(2),
      ['--names LIST.csv', 'one job for each row: columns name, and where wanted size (mm) and thread (#rrggbb)'],
      ['--together MM', 'names of the list lie so far apart in one hoop (--hoop), in as many hoops as needed'],
      ['--out-dir DIR', 'where the jobs of a list go, as .cobble and .csv'],
      ['--out FILE', `stitches as ${EXPORTS.map((f) => `.${f.extension}`).join(', ')}; may be given several times`],
      REPORT,
      ['--quick', 'without forecast and proof'],
    ],
  },
  faces: { takes: '', does: 'the faces for lettering, with the smallest height of each', options: [REPORT] },
  trace: {
    takes: 'PICTURE',
    does: 'shapes of a PNG, JPEG, WebP or GIF: few nodes, true corners, neighbours that meet',
    options: [
      ['--width MM', 'width of what it shows; of the whole picture with --keep-background'],
      ['--colours N', 'of what is shown, at most'],
      ['--keep-background', 'as a shape of its own'],
      ['--tolerance MM', 'how far shapes may lie from the edges of the picture, 0.05 unless said'],
      ['--as-measured', 'straight sides that are nearly level, parallel or square are left so'],
      ['--out FILE', 'shapes as .svg, or a job as .cobble'],
      REPORT,
    ],
  },
  place: {
    takes: `${ARTWORK} …`,
    does: 'several copies, designs or names in one hoop, sewn copy by copy or thread by thread',
    options: [
      ['--copies N', 'how many of each; of a single design as many as fit unless said, of several one'],
      ['--names LIST.csv', 'a copy for each row, its name in place of the job’s text: columns name, and where wanted size and thread'],
      ['--text ID', 'the text that the names take the place of, where the job has several'],
      ['--fit NAME', 'height: as high as the text, which is usual; width: narrowed to its width'],
      ['--grid CxR', 'columns and rows; found unless said'],
      ['--gap MM', 'between copies, 4 unless said'],
      ['--edge MM', 'to the edge of the field, for the presser foot, 5 unless said'],
      ['--order NAME', 'copy or thread; what is quicker unless said'],
      ['--alternate NAME', 'every other copy: turn or mirror'],
      ['--nest', 'by their outlines, not by their boxes'],
      ...INPUT,
      TIES[0]!,
      ['--out FILE', `stitches as ${EXPORTS.map((f) => `.${f.extension}`).join(', ')}; may be given several times`],
      REPORT,
    ],
  },
  sewout: {
    takes: ARTWORK,
    does: 'what a test sewn on the cloth says: causes, corrections, and what the cloth taught',
    options: [
      ['--marks FILE.json', 'what was seen and measured; see docs/sewouts.md'],
      ['--apply OUT.cobble', 'the job with the likeliest correction of each mark; outlines stay where they are'],
      ['--learn LIBRARY.json', 'a library that takes what was learned; made where there is none'],
      ...INPUT,
      REPORT,
    ],
  },
  produce: {
    takes: 'JOB …',
    does: 'time, thread, needles and price for a quantity; of several jobs one pick list',
    options: [
      ['--quantity N', 'garments; the brief’s unless said'],
      ['--heads N', 'of the machine'],
      ['--operators N', 'hands that hoop and finish'],
      ['--per-hoop N', 'copies in one hoop'],
      ['--spare-hoops', 'the next run is hooped while this one sews'],
      ['--rates FILE.json', 'what the shop asks; see docs/production.md'],
      ['--rush', 'wanted soon'],
      ['--with-garments', 'the shop supplies what is sewn on'],
      ...INPUT,
      REPORT,
    ],
  },
  machine: {
    takes: 'send FILE|status|trace|start|pause|resume|mend|power-on|log',
    does: 'sends a job to a machine on this computer and works its buttons; see docs/machine.md',
    options: [
      ['--to URL', 'the machine, such as http://127.0.0.1:4173/api/machine/window'],
      ['--start', 'after sending: trace the outline, then sew'],
      ['--watch', 'and tell how it goes until it rests; ends with 1 when that is before the end'],
      ['--report FILE.json', 'where the log goes'],
    ],
  },
  compare: { takes: 'A B', does: 'two jobs side by side', options: [...SIZE, ['--cloth NAME', 'for artwork'], REPORT] },
} as const satisfies Record<string, CommandHelp>;

export type CommandName = keyof typeof HELP;
export const isCommand = (name: string): name is CommandName => name in HELP;

const aligned = (rows: readonly (readonly [string, string])[]): string => {
  const width = Math.max(...rows.map(([a]) => a.length));
  return rows.map(([a, b]) => `  ${a.padEnd(width)}  ${b}`).join('\n');
};

/** All commands in a few lines. */
export const overview = (): string =>
  `usage: bin/cobble COMMAND …\n\n${aligned(Object.entries(HELP).map(([name, h]) => [`${name} ${h.takes}`, h.does]))}\n\nbin/cobble COMMAND --help tells the options of one. Every command takes\n--units in: lengths are told and taken in inches, and papers are set in them.\n`;

/** One command with its options. */
export function helpOf(name: CommandName): string {
  const { takes, does, options }: CommandHelp = HELP[name];
  return `usage: bin/cobble ${name} ${takes} [options]\n${does}\n\n${aligned(options)}\n`;
}
