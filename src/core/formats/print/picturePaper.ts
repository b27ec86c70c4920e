import type { CanvasElement, Content } from 'pdfmake/interfaces';
import type { Paper } from '../../document/shop/identity';
import type { Job } from '../../document/types';
import type { StitchPlan } from '../../plan/plan';
import type { Worksheet } from '../../production/worksheet';
import { drawSewn } from '../../render/picture';
import type { Raster } from '../../render/raster';
import { planBounds } from '../../stitches/planBounds';
import { writeOpaquePng } from '../png';
import { MARGIN, POINTS_PER_MM, QUIET, SIDES, type Write } from './paper';

/** Pixels of each mm of the picture. */
const SCALE = 8;
/** Cloth that is shown round the design, mm: less where the paper has little room. */
const CLOTH_MM = [5, 2, 0.5];
const HEADING = 46;
const FOOT = 16;

/** The design at its real size on a page of its own, with the hoop's middle and where the needle begins. */
export function picturePaper(
  { job, plan, sheet, paper }: { job: Job; plan: StitchPlan; sheet: Worksheet; paper: Paper },
  write: Write,
): Content[] {
  const box = planBounds(plan);
  const room = { width: SIDES[paper].width - 2 * MARGIN, height: SIDES[paper].height - 2 * MARGIN - HEADING - FOOT };
  const cloth = CLOTH_MM.find((c) => fits(box, c, room)) ?? CLOTH_MM[0]!;
  const raster = drawSewn(job, plan, SCALE, cloth, box);
  const [w, h] = [raster.width / SCALE, raster.height / SCALE];
  const k = Math.min(1, room.width / (w * POINTS_PER_MM), room.height / (h * POINTS_PER_MM));
  const point = k * POINTS_PER_MM;
  const origin = { x: -(box.minX - cloth) * point, y: -(box.minY - cloth) * point };
  const size = { width: w * point, height: h * point };
  const place = { x: MARGIN, y: MARGIN + HEADING };
  return [
    {
      ...write('At real size', { bold: true, fontSize: 14, pageBreak: 'before' }),
      ...(k < 1 ? write('Smaller than it is', { bold: true, fontSize: 14, pageBreak: 'before' }) : {}),
    },
    write(said(k, sheet), { fontSize: 9, color: QUIET, margin: [0, 0, 0, 8] }),
    // Both at a place of their own: neither may push the other onto the next page.
    { image: pictureAddress(raster), ...size, absolutePosition: place },
    { canvas: marks({ origin, size, point, sheet }), absolutePosition: place },
  ];
}

const fits = (
  box: { minX: number; maxX: number; minY: number; maxY: number },
  cloth: number,
  room: { width: number; height: number },
): boolean =>
  (box.maxX - box.minX + 2 * cloth) * POINTS_PER_MM <= room.width && (box.maxY - box.minY + 2 * cloth) * POINTS_PER_MM <= room.height;

const said = (k: number, { hoop }: Worksheet): string =>
  `${k === 1 ? 'Print at 100 %; the bar is 50 mm long.' : `Printed at ${Math.round(k * 1000) / 10} % of its size; the bar stands for 50 mm.`} The cross is the middle of the hoop of ${hoop.width} × ${hoop.height} mm, the ring where the needle begins.`;

interface Marks {
  /** Of the hoop's middle on the picture, points. */
  origin: { x: number; y: number };
  size: { width: number; height: number };
  /** Points of a mm as printed. */
  point: number;
  sheet: Worksheet;
}

function marks({ origin, size, point, sheet: { hoop, start } }: Marks): CanvasElement[] {
  const line = (x1: number, y1: number, x2: number, y2: number, lineWidth = 0.6): CanvasElement => ({
    type: 'line',
    x1,
    y1,
    x2,
    y2,
    lineWidth,
    lineColor: '#1d282c',
  });
  const cross = within(origin, size)
    ? [line(0, origin.y, 10, origin.y), line(size.width - 10, origin.y, size.width, origin.y), line(origin.x, 0, origin.x, 10), line(origin.x, size.height - 10, origin.x, size.height), line(origin.x - 8, origin.y, origin.x + 8, origin.y), line(origin.x, origin.y - 8, origin.x, origin.y + 8)] // prettier-ignore
    : [];
  const at = start && { x: origin.x + start.x * point, y: origin.y + start.y * point };
  const ring: CanvasElement[] = at ? [{ type: 'ellipse', x: at.x, y: at.y, r1: 4, r2: 4, lineWidth: 1.2, lineColor: '#1d282c' }, { type: 'ellipse', x: at.x, y: at.y, r1: 5.2, r2: 5.2, lineWidth: 0.6, lineColor: '#ffffff' }] : []; // prettier-ignore
  const bar = 50 * point;
  const below = size.height + 8;
  return [
    ...cross,
    ...ring,
    ...edge(hoop, { origin, size, point }),
    line(0, below, bar, below, 1.2),
    line(0, below - 3, 0, below + 3),
    line(bar, below - 3, bar, below + 3),
  ];
}

const within = (p: { x: number; y: number }, { width, height }: { width: number; height: number }): boolean =>
  p.x >= 0 && p.y >= 0 && p.x <= width && p.y <= height;

/** The field of the hoop, where the picture reaches so far. */
function edge(hoop: Worksheet['hoop'], { origin, size, point }: Omit<Marks, 'sheet'>): CanvasElement[] {
  const [w, h] = [hoop.width * point, hoop.height * point];
  const [x, y] = [origin.x - w / 2, origin.y - h / 2];
  if (x < 0 || y < 0 || x + w > size.width || y + h > size.height) return [];
  const look = { lineWidth: 0.6, lineColor: '#55636a', dash: { length: 3 } };
  return hoop.shape === 'round'
    ? [{ type: 'ellipse', x: origin.x, y: origin.y, r1: w / 2, r2: h / 2, ...look }]
    : [{ type: 'rect', x, y, w, h, r: 4, ...look }];
}

/** A picture as an address that holds it. */
export function pictureAddress(raster: Raster): string {
  const bytes = writeOpaquePng(raster);
  let text = '';
  for (let i = 0; i < bytes.length; i += 32_768) text += String.fromCharCode(...bytes.subarray(i, i + 32_768));
  return `data:image/png;base64,${btoa(text)}`;
}
