import type { Content } from 'pdfmake/interfaces';
import type { Paper } from '../../document/shop/identity';
import { ringsToData } from '../../geometry/path';
import { boundsOf } from '../../geometry/point';
import { counted } from '../../units/count';
import type { Foam } from '../../production/foam';
import { INK, POINTS_PER_MM, type Write } from './paper';
import { atRealSize } from './tiles';

/** Cloth about the outline, mm. */
const ROOM_MM = 2;

/** The outline by which foam is cut, at real size: lines only. */
export function foamPaper({ cut, sewn, layers }: Foam, paper: Paper, write: Write): Content[] {
  const b = boundsOf(cut);
  const box = { minX: b.minX - ROOM_MM, minY: b.minY - ROOM_MM, maxX: b.maxX + ROOM_MM, maxY: b.maxY + ROOM_MM };
  const [outer, inner] = [ringsToData(cut), ringsToData(sewn)];
  return atRealSize(
    {
      ...{ box, paper, title: 'Cutting outline for foam' },
      says: `Cut along the full line, ${counted(layers, 'layer')}; the dashed line is what is sewn.`,
      draw: ({ minX, minY, maxX, maxY }, at) => {
        const [w, h] = [maxX - minX, maxY - minY];
        const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${minX} ${minY} ${w} ${h}"><path d="${outer}" fill="none" stroke="${INK}" stroke-width="0.35"/><path d="${inner}" fill="none" stroke="${INK}" stroke-width="0.2" stroke-dasharray="1.5 1"/></svg>`;
        return [{ svg, width: w * POINTS_PER_MM, height: h * POINTS_PER_MM, absolutePosition: at }];
      },
    },
    write,
  );
}
