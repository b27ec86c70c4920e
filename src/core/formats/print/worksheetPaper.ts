import type { Content, ContentTable, TableCell } from 'pdfmake/interfaces';
import type { Worksheet, WorksheetStop } from '../../production/worksheet';
import { LINE, QUIET, type Write } from './paper';

/** The sheet that lies beside the machine. @param small address of a small picture, to know the job by */
export function worksheetPaper(sheet: Worksheet, small: string, write: Write): Content[] {
  const list = (title: string, lines: readonly string[]): Content[] =>
    lines.length === 0 ? [] : together([heading(write, title), ...lines.map((l): Content => write(l, { margin: [0, 0, 0, 2] }))]);
  return [
    ...sheet.shop.map((line, i): Content => write(line, { fontSize: 9, color: QUIET, alignment: 'right', bold: i === 0 })),
    {
      columns: [
        { image: small, fit: [SMALL, SMALL], width: SMALL + 12 },
        { stack: [write(sheet.title, { fontSize: 20, bold: true, margin: [0, 0, 0, 8] }), figures(sheet, write)], width: '*' },
      ],
      margin: [0, sheet.shop.length > 0 ? 4 : 0, 0, 6],
    },
    stops(sheet.stops, write),
    heading(write, 'How it is set up'),
    ...settingBesideGarment(sheet, write),
    ...list('Foam', sheet.foam?.lines ?? []),
    ...list('Caution', sheet.cautions),
    ...findings(sheet, write),
    ...list('Known and accepted', sheet.accepted),
    ...list('Questions to the customer', sheet.questions),
    ...list('Approval', sheet.approval ? [sheet.approval] : []),
    log(write),
  ];
}

/** A heading with its lines on one page, as long as they are few. */
const together = (parts: Content[]): Content[] => (parts.length <= 9 ? [{ stack: parts, unbreakable: true }] : parts);

/** Side of the small picture, points. */
const SMALL = 92;

const heading = (write: Write, text: string): Content => write(text, { bold: true, fontSize: 11, margin: [0, 12, 0, 3], headlineLevel: 1 });

/** The figures that are read first, each behind an upright stroke. */
function figures({ figures: all }: Worksheet, write: Write): Content {
  return {
    columns: all.map(({ name, figure, says }) => ({
      table: {
        widths: ['*'],
        body: [
          [
            {
              stack: [
                write(name, { fontSize: 8, color: QUIET }),
                write(figure, { fontSize: 14 }),
                write(says, { fontSize: 8, color: QUIET }),
              ],
              border: [true, false, false, false] as [boolean, boolean, boolean, boolean],
            },
          ],
        ],
      },
      layout: { vLineWidth: () => 1.5, hLineWidth: () => 0, paddingTop: () => 0, paddingBottom: () => 0 },
    })),
    columnGap: 8,
    margin: [0, 0, 0, 10],
  };
}

const RULES = {
  hLineWidth: (i: number) => (i === 1 ? 1 : 0.5),
  vLineWidth: () => 0,
  hLineColor: (i: number) => (i === 1 ? '#1d282c' : LINE),
  paddingLeft: () => 0,
  paddingRight: () => 8,
  paddingTop: () => 3,
  paddingBottom: () => 3,
};

function stops(all: readonly WorksheetStop[], write: Write): Content {
  const head = (text: string, alignment: 'left' | 'right' = 'left'): TableCell => write(text, { fontSize: 8, color: QUIET, alignment });
  const figure = (text: string): TableCell => write(text, { alignment: 'right' });
  return {
    table: {
      headerRows: 1,
      dontBreakRows: true,
      widths: ['auto', 18, 120, '*', 'auto', 'auto', 'auto'],
      body: [
        [
          head('Stop'),
          head(''),
          head('Thread'),
          head('What is done'),
          head('Stitches', 'right'),
          head('Trims', 'right'),
          head('min', 'right'),
        ],
        ...all.map((s): TableCell[] => [
          write(String(s.number), { bold: true }),
          { canvas: [{ type: 'rect', x: 0, y: 1, w: 16, h: 9, color: s.hex, lineColor: '#858f8c', lineWidth: 0.5 }] },
          write(`${s.code}  ${s.name}`),
          { stack: [...(s.hand ? [write(s.hand, { bold: true })] : []), write(s.sews)] },
          figure(s.stitches.toLocaleString('en')),
          figure(String(s.trims)),
          figure(s.minutes.toFixed(1)),
        ]),
      ],
    },
    layout: RULES,
  };
}

/** Longer words than these have a row of their own. */
const LONG = 44;

/** Short ones stand two in a row. */
function setting(all: Worksheet['setting'], write: Write): Content {
  const name = (text: string): TableCell => write(text, { color: QUIET });
  const long = all.filter((r) => r.words.length > LONG);
  const short = all.filter((r) => r.words.length <= LONG);
  const pairs = Array.from({ length: Math.ceil(short.length / 2) }, (_, i): TableCell[] => {
    const [a, b] = [short[2 * i]!, short[2 * i + 1]];
    return [name(a.name), write(a.words), b ? name(b.name) : '', b ? write(b.words) : ''];
  });
  const rows = long.map((r): TableCell[] => [name(r.name), Object.assign(write(r.words), { colSpan: 3 }), {}, {}]);
  return {
    table: { widths: [56, '*', 56, '*'], body: [...pairs, ...rows] },
    layout: { ...RULES, hLineWidth: () => 0, paddingTop: () => 1, paddingBottom: () => 1 },
  };
}

/** How it is set up, and where it goes: the garment to scale beside it, with what is measured on it. */
function settingBesideGarment(sheet: Worksheet, write: Write): Content[] {
  const { hang } = sheet;
  if (!hang) return [setting(sheet.setting, write)];
  const width = Math.min(HANG_WIDTH, HANG_HEIGHT / hang.ratio);
  const where = { name: 'On it', words: `${hang.title}: ${hang.lines.join(' ')} ${HANG_ADVICE}` };
  return [
    {
      columns: [
        { stack: [setting([...sheet.setting.filter((r) => r.name !== 'Place'), where], write)], width: '*' },
        { svg: hang.svg, width, height: width * hang.ratio },
      ],
      columnGap: 14,
    },
  ];
}
const [HANG_WIDTH, HANG_HEIGHT] = [118, 124];
const HANG_ADVICE = 'Usual distances: what is measured on the garment itself goes before them.';

function findings({ findings: { title, lines } }: Worksheet, write: Write): Content[] {
  return [
    heading(write, title),
    ...lines.map(({ severity, words }): Content => write(`${severity}: ${words}`, { fontSize: 9, margin: [0, 0, 0, 2] })),
  ];
}

/** Room to write down by hand what the sew-out said. */
function log(write: Write): Content {
  const cell = (text: string, colSpan = 1): TableCell => ({
    stack: [write(text, { fontSize: 8, color: QUIET })],
    margin: [0, 0, 0, 18],
    colSpan,
  });
  const box: ContentTable = {
    table: {
      widths: ['*', '*', '*', '*'],
      body: [
        [cell('Sewn by, on'), cell('Hooping, stabilizer and layers'), cell('Speed and tension'), cell('Thread breaks')],
        [cell('What was seen: gaps (mm), heights, puckers, loops', 3), {}, {}, cell('Sew again, or approved')],
      ],
    },
    layout: { hLineWidth: () => 0.75, vLineWidth: () => 0.75, hLineColor: () => '#858f8c', vLineColor: () => '#858f8c' },
  };
  return { stack: [heading(write, 'Sew-out'), box], unbreakable: true };
}
