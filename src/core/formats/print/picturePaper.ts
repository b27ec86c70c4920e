import type { CanvasElement, Content } from 'pdfmake/interfaces';
import type { Paper } from '../../document/shop/identity';
import type { Job } from '../../document/types';
import type { StitchPlan } from '../../plan/plan';
import type { Worksheet } from '../../production/worksheet';
import type { Bounds } from '../../geometry/point';
import type { Raster } from '../../render/raster';
import { planBounds } from '../../stitches/planBounds';
import { writeOpaquePng } from '../png';
import { INK, POINTS_PER_MM, type Write } from './paper';
import { stitchedSvg } from './stitchedSvg';
import { atRealSize, sheetsFor, type Sheet } from './tiles';

/** Cloth that is shown round the design, mm: less where the paper has little room. */
const CLOTH_MM = [5, 2, 0.5];

/** The design at its real size, stitch by stitch, on as many pages as it takes, with the hoop's middle and where the needle begins. */
export function picturePaper(
  { job, plan, sheet, paper }: { job: Job; plan: StitchPlan; sheet: Worksheet; paper: Paper },
  write: Write,
): Content[] {
  const sewn = planBounds(plan);
  const pages = (c: number): number => sheetsFor(grown(sewn, c), paper).length;
  const cloth = CLOTH_MM.reduce((best, c) => (pages(c) < pages(best) ? c : best));
  const box = grown(sewn, cloth);
  const { hoop } = sheet;
  return atRealSize(
    {
      ...{ box, paper, title: 'At real size' },
      says: `The cross is the middle of the hoop of ${hoop.width} × ${hoop.height} mm, the ring where the needle begins.`,
      draw: (part, at) => {
        const size = { width: (part.maxX - part.minX) * POINTS_PER_MM, height: (part.maxY - part.minY) * POINTS_PER_MM };
        return [
          { svg: stitchedSvg(job, plan, part), ...size, absolutePosition: at },
          { canvas: marks(part, size, sheet), absolutePosition: at },
        ];
      },
    },
    write,
  );
}

const grown = (b: Bounds, mm: number): Bounds => ({ minX: b.minX - mm, minY: b.minY - mm, maxX: b.maxX + mm, maxY: b.maxY + mm });

const line = (x1: number, y1: number, x2: number, y2: number): CanvasElement => ({
  ...{ type: 'line', x1, y1, x2, y2, lineWidth: 0.6 },
  lineColor: INK,
});

interface Size {
  width: number;
  height: number;
}

/** Middle of the hoop, its field, and where the needle begins, as far as a sheet shows them. */
function marks(part: Sheet, size: Size, { hoop, start }: Worksheet): CanvasElement[] {
  const origin = { x: -part.minX * POINTS_PER_MM, y: -part.minY * POINTS_PER_MM };
  const { x, y } = origin;
  const cross = within(origin, size)
    ? [line(0, y, 10, y), line(size.width - 10, y, size.width, y), line(x, 0, x, 10), line(x, size.height - 10, x, size.height), line(x - 8, y, x + 8, y), line(x, y - 8, x, y + 8)] // prettier-ignore
    : [];
  const at = start && { x: x + start.x * POINTS_PER_MM, y: y + start.y * POINTS_PER_MM };
  const ring: CanvasElement[] = at && within(at, size) ? [{ type: 'ellipse', x: at.x, y: at.y, r1: 4, r2: 4, lineWidth: 1.2, lineColor: INK }, { type: 'ellipse', x: at.x, y: at.y, r1: 5.2, r2: 5.2, lineWidth: 0.6, lineColor: '#ffffff' }] : []; // prettier-ignore
  return [...cross, ...ring, ...edge(hoop, origin, size)];
}

const within = (p: { x: number; y: number }, { width, height }: Size): boolean => p.x >= 0 && p.y >= 0 && p.x <= width && p.y <= height;

/** The field of the hoop, where the picture reaches so far. */
function edge(hoop: Worksheet['hoop'], origin: { x: number; y: number }, size: Size): CanvasElement[] {
  const [w, h] = [hoop.width * POINTS_PER_MM, hoop.height * POINTS_PER_MM];
  const [x, y] = [origin.x - w / 2, origin.y - h / 2];
  if (x < 0 || y < 0 || x + w > size.width || y + h > size.height) return [];
  const look = { lineWidth: 0.6, lineColor: '#55636a', dash: { length: 3 } };
  return hoop.shape === 'round'
    ? [{ type: 'ellipse', x: origin.x, y: origin.y, r1: w / 2, r2: h / 2, ...look }]
    : [{ type: 'rect', x, y, w, h, r: 4, ...look }];
}

/** A picture as an address that holds it. */
export function pictureAddress(raster: Pick<Raster, 'width' | 'height' | 'data'>): string {
  const bytes = writeOpaquePng(raster);
  let text = '';
  for (let i = 0; i < bytes.length; i += 32_768) text += String.fromCharCode(...bytes.subarray(i, i + 32_768));
  return `data:image/png;base64,${btoa(text)}`;
}
