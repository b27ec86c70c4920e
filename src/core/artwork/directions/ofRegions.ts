import type { Piece } from '../../document/types';
import { once } from '../../geometry/known';
import { perimeterOf } from '../../geometry/area';
import type { Area } from '../../geometry/point';
import { prepareShape } from '../../pieces/registry';
import { centreOf, spansOf } from '../../route/cells';
import type { Region } from '../artRegions';
import type { Proposal } from '../proposeKind';
import { decideDirections, type Column, type DecidedDirection, type Field } from './decide';
import { directionOf } from './fieldShape';
import { mirrorImages } from './mirror';
import type { Neighbourhood } from './neighbourhood';

/** A region of which something is sewn. */
interface Sewn {
  region: Region;
  proposal: Proposal;
  painted: Area;
}

/** The decided row directions of all areas among what is sewn, by place. */
export function directionsOf(sewn: readonly Sewn[], around: Neighbourhood): Map<number, DecidedDirection> {
  const fields = sewn.flatMap(({ region, proposal, painted }, i): Field[] =>
    proposal.kind === 'fill' ? [{ region: i, hex: region.hex, area: painted }] : [],
  );
  if (fields.length === 0) return new Map();
  const columns = sewn.flatMap(({ proposal, painted }, i): Column[] =>
    proposal.kind === 'satin' ? [{ region: i, rows: once(() => rowsOf(proposal, painted)) }] : [],
  );
  const mirrored = mirrorImages(
    sewn.map(({ region, painted }) => ({ hex: region.hex, painted })),
    around.picture,
  );
  const decided = decideDirections(fields, { columns, around, mirrored });
  return new Map(fields.map((f, k) => [f.region, decided[k]!]));
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
