import type { Piece } from '../../document/types';
import { once } from '../../geometry/known';
import { perimeterOf } from '../../geometry/area';
import type { Area } from '../../geometry/point';
import { prepareShape } from '../../pieces/registry';
import { ON_GROUND_SHARE } from '../../units/craft';
import { centreOf, spansOf } from '../../route/cells';
import type { Region } from '../artRegions';
import type { Proposal } from '../proposeKind';
import type { Twin } from '../twins';
import { decideDirections, type Column, type DecidedDirection, type Field } from './decide';
import { directionOf } from '../../units/directions';
import { narrowStretches } from './narrow';
import { mayTurn, turnedDetail } from './turnedDetails';
import { mirrorImages } from './mirror';
import type { Neighbourhood } from './neighbourhood';

/** A region of which something is sewn. */
interface Sewn {
  region: Region;
  proposal: Proposal;
  painted: Area;
}

export interface DirectionOptions {
  twins: readonly (Twin | null)[];
  limitMm: number;
  /** Whether the cloth is knit or pile. */
  unstable: boolean;
  /** Whether a shape sewn as columns covers a region. */
  sews: (region: Region, shape: NonNullable<Proposal['shape']>) => boolean;
}

/** The decided row directions of all areas among what is sewn, and details turned to cross them, by place. */
export interface Directions {
  fields: Map<number, DecidedDirection>;
  details: Map<number, Proposal>;
}

/** Decides the rows of all areas together, then turns compact details that would sink into them. */
export function directionsOf(
  sewn: readonly Sewn[],
  around: Neighbourhood,
  { twins, limitMm, unstable, sews }: DirectionOptions,
): Directions {
  const fields = sewn.flatMap(({ region, proposal, painted }, i): Field[] =>
    proposal.kind === 'fill' && !proposal.shape?.slants
      ? [{ region: i, hex: region.hex, area: painted, narrow: narrowStretches(region.axis) }]
      : [],
  );
  if (fields.length === 0) return { fields: new Map(), details: new Map() };
  const free = sewn.map((s, i) => fields.some((f) => around.onShare(i, f.region) > ON_GROUND_SHARE) && mayTurn(s, limitMm));
  const columns = sewn.flatMap(({ proposal, painted }, i): Column[] =>
    (proposal.kind === 'satin' && !free[i]) || proposal.shape?.slants ? [{ region: i, rows: once(() => rowsOf(proposal, painted)) }] : [],
  );
  const mirrored = mirrorImages(
    sewn.map(({ region, painted }) => ({ hex: region.hex, painted })),
    around.picture,
  );
  const decided = decideDirections(fields, { columns, around, mirrored, twins, unstable });
  const details = sewn.flatMap(({ region, proposal }, i): [number, Proposal][] => {
    const ground = free[i] ? fields.findIndex((f) => around.onShare(i, f.region) > ON_GROUND_SHARE) : -1;
    const turned = ground < 0 ? null : turnedDetail(region, proposal, decided[ground]!.angle, (shape) => sews(region, shape));
    return turned ? [[i, turned]] : [];
  });
  return { fields: new Map(fields.map((f, k) => [f.region, decided[k]!])), details: new Map(details) };
}

/** Places at which a column is asked for its rows. */
const MOST_PROBES = 60;

/** The rows that a column will have, all over what it paints; half its outline is the length that they may spoil. */
function rowsOf({ kind, shape }: Proposal, painted: Area): { deg: number; mm: number }[] {
  const prepared = prepareShape({ id: 'trial', name: '', thread: 't', kind: kind as Piece['kind'], ...shape! });
  const spans = spansOf(painted);
  const every = Math.max(1, Math.ceil(spans.length / 3 / MOST_PROBES));
  const directions: number[] = [];
  for (let s = 0; s < spans.length; s += 3 * every) {
    const row = prepared?.rowAt?.({ x: centreOf((spans[s + 1]! + spans[s + 2]!) >> 1), y: centreOf(spans[s]!) });
    if (row) directions.push(directionOf({ x: 0, y: 0 }, row));
  }
  const mm = perimeterOf(painted) / 2 / Math.max(1, directions.length);
  return directions.map((deg) => ({ deg, mm }));
}
