import type { CanvasElement, Content } from 'pdfmake/interfaces';
import type { Paper } from '../../document/shop/identity';
import type { Bounds } from '../../geometry/point';
import { INK, MARGIN, POINTS_PER_MM, QUIET, SIDES, type Write } from './paper';

/** Room for the heading of a page at real size, and above its foot, points. */
const HEADING = 58;
const FOOT = 16;
/** Neighbouring sheets show so much of each other, so that they can be laid together, mm. */
const OVERLAP_MM = 10;

/** What one sheet of paper shows of something that is printed at real size, mm. */
export interface Sheet extends Bounds {
  row: number;
  column: number;
}

/** Room for something at real size on a paper, mm. */
export const roomOf = (paper: Paper): { width: number; height: number } => ({
  width: (SIDES[paper].width - 2 * MARGIN) / POINTS_PER_MM,
  height: (SIDES[paper].height - 2 * MARGIN - HEADING - FOOT) / POINTS_PER_MM,
});

/** Divides a box among as few sheets of paper as hold it at real size, overlapping; one where it fits. */
export function sheetsFor(box: Bounds, paper: Paper): Sheet[] {
  const room = roomOf(paper);
  const cut = (from: number, to: number, most: number): [number, number][] => {
    const length = to - from;
    if (length <= most) return [[from, to]];
    const n = Math.ceil((length - OVERLAP_MM) / (most - OVERLAP_MM));
    const each = (length + (n - 1) * OVERLAP_MM) / n;
    return Array.from({ length: n }, (_, i) => [from + i * (each - OVERLAP_MM), from + i * (each - OVERLAP_MM) + each]);
  };
  const columns = cut(box.minX, box.maxX, room.width);
  return cut(box.minY, box.maxY, room.height).flatMap(([minY, maxY], row) =>
    columns.map(([minX, maxX], column) => ({ minX, minY, maxX, maxY, row, column })),
  );
}

interface AtRealSize {
  box: Bounds;
  paper: Paper;
  title: string;
  /** Says what the marks mean. */
  says: string;
  /** What a sheet shows: things at absolute places, `at` being the upper left corner of it, points. */
  draw(sheet: Sheet, at: { x: number; y: number }): Content[];
}

/** Name of a sheet among several: a letter for its row, a number for its column. */
const nameOf = ({ row, column }: Sheet): string => `${String.fromCharCode(65 + row)}${column + 1}`;

/** Pages that show something at real size, each with a bar of 50 mm; what is larger than the paper goes on over several, to be laid together. */
export function atRealSize({ box, paper, title, says, draw }: AtRealSize, write: Write): Content[] {
  const sheets = sheetsFor(box, paper);
  const at = { x: MARGIN, y: MARGIN + HEADING };
  return sheets.flatMap((sheet): Content[] => {
    const several = sheets.length > 1;
    const part = several ? `: part ${nameOf(sheet)} of ${sheets.length}` : '';
    const joins = several ? ' Cut along the dashed lines, lay the parts edge to edge.' : '';
    return [
      write(`${title}${part}`, { bold: true, fontSize: 14, pageBreak: 'before' }),
      write(`Print at 100 %; the bar is 50 mm long. ${says}${joins}`, { fontSize: 9, color: QUIET, margin: [0, 0, 0, 8] }),
      ...draw(sheet, at),
      { canvas: [...bar(sheet), ...joinsOf(sheet, sheets)], absolutePosition: at },
    ];
  });
}

const line = (x1: number, y1: number, x2: number, y2: number, lineWidth = 0.6): CanvasElement => ({
  ...{ type: 'line', x1, y1, x2, y2, lineWidth },
  lineColor: INK,
});

function bar(sheet: Sheet): CanvasElement[] {
  const below = (sheet.maxY - sheet.minY) * POINTS_PER_MM + 8;
  const long = 50 * POINTS_PER_MM;
  return [line(0, below, long, below, 1.2), line(0, below - 3, 0, below + 3), line(long, below - 3, long, below + 3)];
}

/** Where a sheet is cut: in the middle of what it shares with its neighbours. */
function joinsOf(sheet: Sheet, sheets: readonly Sheet[]): CanvasElement[] {
  const half = (OVERLAP_MM / 2) * POINTS_PER_MM;
  const [w, h] = [(sheet.maxX - sheet.minX) * POINTS_PER_MM, (sheet.maxY - sheet.minY) * POINTS_PER_MM];
  const beside = (dx: number, dy: number): boolean => sheets.some((s) => s.column === sheet.column + dx && s.row === sheet.row + dy);
  const dashed = (x1: number, y1: number, x2: number, y2: number): CanvasElement => ({ ...line(x1, y1, x2, y2), dash: { length: 4 } });
  return [
    ...(beside(-1, 0) ? [dashed(half, 0, half, h)] : []),
    ...(beside(1, 0) ? [dashed(w - half, 0, w - half, h)] : []),
    ...(beside(0, -1) ? [dashed(0, half, w, half)] : []),
    ...(beside(0, 1) ? [dashed(0, h - half, w, h - half)] : []),
  ];
}
