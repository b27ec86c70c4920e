import { components, offset } from '../../geometry/area';
import type { Area, Line } from '../../geometry/point';
import { dataToRings } from '../../geometry/path';
import { clean } from '../../geometry/area';
import type { Piece } from '../../document/types';
import type { StitchBuffer } from '../../stitches/buffer';
import { MACHINE_LIMIT_MM } from '../../units/tolerances';
import type { ResolvedSettings } from '../resolve';
import { networkFromLines } from '../satin/fromLine';
import { sewNetwork } from '../satin/sewNetwork';
import type { ColumnNetwork } from '../satin/track';
import type { StartEnd } from '../../stitches/startEnd';

/** A satin that runs round the edge of an area, its outer side on the drawn outline. */
export interface Edging {
  area: Area;
  widthMm: number;
  /** Middle of the satin, closed; one ring for each outline. */
  middles: readonly Line[];
  network: ColumnNetwork;
}

/** Reads the area of a piece and lays the middle of its edging half a width inside; null when there is no room for it. */
export function edgingOf(piece: Piece, usualWidthMm: number): Edging | null {
  if (!piece.area) return null;
  const area = clean(dataToRings(piece.area), 'evenodd');
  const widthMm = piece.width ?? usualWidthMm;
  const middles = components(offset(area, -widthMm / 2))
    .flat()
    .map((ring) => [...ring, ring[0]!]);
  if (middles.length === 0) return null;
  const lines = middles.map((points) => ({ points, closed: true }));
  return { area, widthMm, middles, network: networkFromLines(lines, { widthMm, cap: 'butt', join: 'round', corners: 'turn' }) };
}

/** Sews the satin of an edging, with its underlay. */
export function sewEdging(out: StitchBuffer, edging: Edging, set: ResolvedSettings, ends: StartEnd): void {
  const { law } = set.pullComp!;
  sewNetwork(
    out,
    edging.network,
    {
      cover: {
        spacingMm: set.spacing!.value,
        widen: [law, law],
        leastWidthMm: 1,
        splitMm: MACHINE_LIMIT_MM - 0.05,
      },
      underlay: set.underlay?.value ?? [],
      runLengthMm: set.stitchLength.value,
      ends: 'open',
      pushMm: 0,
      tackDown: false,
      ways: [],
    },
    ends,
  );
}
