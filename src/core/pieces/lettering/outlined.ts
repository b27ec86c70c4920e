import type { Corners } from '../../document/types';
import { areaOf, clean, components } from '../../geometry/area';
import type { Area } from '../../geometry/point';
import { networkFromArea } from '../satin/fromArea';
import type { Column } from '../satin/track';
import { joinedLetter, type JoinedColumns } from './joinedParts';

/** Parts smaller than this are crumbs of the outline, mm². */
const CRUMB_MM2 = 0.05;

/** A letter that is an outline, as columns along its middle: what branching satin makes of a shape. Contours of a font may overlap. */
export function outlinedLetter(rings: Area, corners: Corners): JoinedColumns & { painted: Area } {
  const painted = clean(rings, 'nonzero');
  let next = 0;
  const columns = components(painted)
    .filter((part) => areaOf(part) > CRUMB_MM2)
    .flatMap((part): Column[] => {
      const own = networkFromArea(part, corners).columns;
      const shift = next;
      for (const c of own) next = Math.max(next, c.from + shift + 2, c.to + shift + 2);
      return own.map((c) => ({ ...c, from: c.from + shift, to: c.to + shift, tuckedAt: c.tuckedAt?.map((n) => n + shift) ?? [] }));
    });
  return { ...joinedLetter(columns), painted };
}
