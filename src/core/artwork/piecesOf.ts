import { lightness } from '../cloth/threads';
import { requireBounds } from '../document/recordBounds';
import type { ClothKey, Piece, Thread } from '../document/types';
import { boundsOf, type Area } from '../geometry/point';
import { firstOrder } from '../route/order';
import type { DecidedParts, Part } from './decideParts';
import type { DecidedDirection } from './directions/decide';
import { neighbourhoodOf } from './directions/neighbourhood';
import { directionsOf } from './directions/ofRegions';
import { namesOf, readable, type Named } from './names';
import { asPatchBorder, patchBorderAmong } from './patchBorder';
import { turningProposal } from './directions/turningFields';
import { columnLimit, paintedBy, sewsAsColumns, sewsAsFill, type Proposal, type ProposeOptions } from './proposeKind';
import { shapeWord } from './shapeWords';

/** The pieces in a sensible first order, and for each part what it became. */
export interface MadePieces {
  pieces: Piece[];
  proposals: Proposal[];
  byPart: (Piece | null)[];
}

interface Sewn extends Part {
  /** Place among all parts. */
  part: number;
  painted: Area;
}

/** As much as a job record keeps of a reason. */
const LONGEST_WHY = 200;

/** Decides the rows of all parts together, and makes them pieces with names and an order. */
export function piecesOf({ parts, threads }: DecidedParts, cloth: ClothKey, how: ProposeOptions): MadePieces {
  const sewn = parts.flatMap((p, part): Sewn[] => (p.proposal.shape ? [{ ...p, part, painted: paintedBy(p.region) }] : []));
  const border = cloth === 'patch' ? patchBorderAmong(sewn) : -1;
  if (border >= 0) sewn[border] = { ...sewn[border]!, proposal: asPatchBorder(sewn[border]!) };
  sewn.forEach(
    (s, i) => (sewn[i] = { ...s, proposal: turningProposal(s.region, s.proposal, (shape) => sewsAsFill(s.region, shape, how)) }),
  );
  const { fields, details } = directionsOf(sewn, neighbourhoodOf(sewn.map((s) => s.painted)), {
    twins: sewn.map((s) => s.twin),
    limitMm: columnLimit(how.settings),
    unstable: how.recipe.unstable,
    sews: (region, shape) => sewsAsColumns(region, shape, how),
  });
  for (const [i, proposal] of details) sewn[i] = { ...sewn[i]!, proposal };
  const threadOf = ({ region }: Sewn): Thread => threads.get(region.hex)!;
  const drafts = sewn.map((s, i) => draftOf(s, threadOf(s), fields.get(i)));
  requireBounds(drafts);
  const order = firstOrder(sewn.map((s, i) => ({ thread: threadOf(s).id, painted: s.painted, last: i === border })));
  const names = namesOf(order.map((i) => calledBy(sewn[i]!, threadOf(sewn[i]!))));
  const pieces = order.map((i, k): Piece => ({ ...drafts[i]!, id: `p${k + 1}`, name: names[k]! }));
  const proposals = parts.map((p) => p.proposal);
  const byPart = parts.map((): Piece | null => null);
  order.forEach((i, k) => {
    proposals[sewn[i]!.part] = sewn[i]!.proposal;
    byPart[sewn[i]!.part] = pieces[k]!;
  });
  return { pieces, proposals, byPart };
}

function draftOf({ proposal, twin }: Sewn, thread: Thread, rows: DecidedDirection | undefined): Piece {
  const { settings, ...shape } = proposal.shape!;
  return {
    id: '',
    name: '',
    kind: proposal.kind as Piece['kind'],
    thread: thread.id,
    ...shape,
    ...(rows ? { rows } : {}),
    why: proposal.why.slice(0, LONGEST_WHY),
    ...(twin ? { alike: `s${twin.model + 1}` } : {}),
    settings,
  };
}

function calledBy({ region, proposal, painted }: Sewn, thread: Thread): Named {
  const box = boundsOf(painted);
  const at = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  return { title: readable(region.name), thread: thread.name, lightness: lightness(thread.hex), shape: shapeWord(region, proposal), at };
}
