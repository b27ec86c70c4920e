import type { Bounds } from '@/core/geometry/point';
import { rulersSvg } from '@/core/sewouts/card/rulers';

/** Where the ruler is laid on a calibration card, by number: the same drawing as on its sheet. */
export function Rulers({ box }: { box: Bounds }) {
  return (
    <svg
      aria-hidden="true"
      viewBox={`${box.minX} ${box.minY} ${box.maxX - box.minX} ${box.maxY - box.minY}`}
      className="figures pointer-events-none absolute inset-0 h-full w-full"
      dangerouslySetInnerHTML={{ __html: rulersSvg() }}
    />
  );
}
