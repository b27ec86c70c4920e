import type { Job } from '../document/types';
import { offset, unite } from '../geometry/area';
import type { Area } from '../geometry/point';
import { Planner } from '../plan/planner';
import { counted } from '../units/count';
import { formatLength } from '../units/length';

/** Foam is cut so much larger than what is sewn over it, all round, mm. */
export const FOAM_MARGIN_MM = 5;
/** Thickest single layer, mm. */
const LAYER_MM = 3;

/** Foam that a job lays on its cloth. */
export interface Foam {
  /** What is sewn over foam, and what of it to cut. */
  sewn: Area;
  cut: Area;
  thickestMm: number;
  layers: number;
  /** Names of the threads over it: it is chosen next to their colour. */
  threads: string[];
  /** Least and most compensation of the columns over it, at each side, mm. */
  compensation: [number, number] | null;
}

/** The foam of a job; null where none is laid. */
export function foamOf(job: Job): Foam | null {
  if (!job.pieces.some((p) => (p.settings.foam ?? 0) > 0)) return null;
  const over = new Planner().shape(job).flatMap(({ piece, shape, settings }) => {
    const thick = settings?.foam?.value ?? piece.settings.foam ?? 0;
    return shape && thick > 0 ? [{ piece, thick, area: shape.painted, comp: settings?.pullComp?.value }] : [];
  });
  if (over.length === 0) return null;
  const sewn = unite(...over.map((o) => o.area));
  const thickestMm = Math.max(...over.map((o) => o.thick));
  const comps = over.flatMap((o) => (o.comp === undefined ? [] : [o.comp]));
  return {
    sewn,
    cut: offset(sewn, FOAM_MARGIN_MM),
    thickestMm,
    layers: Math.ceil(thickestMm / LAYER_MM - 1e-9),
    threads: [...new Set(over.map((o) => job.threads.find((t) => t.id === o.piece.thread)?.name ?? ''))].filter(Boolean),
    compensation: comps.length > 0 ? [Math.min(...comps), Math.max(...comps)] : null,
  };
}

/** What is done with the foam, in the order in which it is done. */
export function foamWords({ thickestMm, layers, threads, compensation }: Foam, { brief }: Pick<Job, 'brief'>): string[] {
  const units = brief.units ?? 'mm';
  const mm = (v: number): string => formatLength(v, units, units === 'mm' ? 2 : 1);
  const cap = brief.place === 'cap-front' || brief.cloth === 'cap' || brief.cloth === 'soft-cap';
  const comp =
    compensation && (compensation[0] === compensation[1] ? mm(compensation[0]) : `${mm(compensation[0])} to ${mm(compensation[1])}`);
  return [
    `${cap ? 'Hard foam: crisp contours on caps' : 'Soft foam: it bends with the garment'}. ${formatLength(thickestMm, units)} thick, ${counted(layers, 'layer')}, in the colour next to ${threads.join(', ')}.`,
    ...(comp
      ? [`The columns over it are planned with ${comp} of compensation at each side${layers > 1 ? '; each further layer needs more' : ''}.`]
      : []),
    `Cut it by the outline on its own page, ${formatLength(FOAM_MARGIN_MM, units, 0)} larger than what is sewn.`,
    'Lay it when the machine stops for it; hold it with a few stitches at top and bottom, by tape or by spray. Sew slowly, with a looser upper thread.',
    'Tear it away after sewing, along the rows of holes. A short blast of heat draws in what still shows.',
    ...(cap ? ['Seams and panel joints strain the columns: keep them off the middle seam, or sew slowly over it.'] : []),
  ];
}
