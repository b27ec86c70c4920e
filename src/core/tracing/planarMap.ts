import type { Point } from '../geometry/point';
import { shareOf, type Labelled } from './labels';

/** Regions beyond the picture's rim. */
const OUTSIDE = -1;

/** The border between two regions from one node to the next, or all round where no third touches it. */
export interface Chain {
  /** Regions on the left and right hand of one who walks along it; -1 is beyond the rim. */
  left: number;
  right: number;
  /** Where the two colours are mixed half and half, one place for each side of a pixel, in pixels from the picture's upper left. */
  points: Point[];
  /** Nodes at its ends; null for a loop. */
  from: number | null;
  to: number | null;
  /** The side of a pixel with which it leaves each end, as lattice place times four and direction. */
  leaves: number;
  returns: number;
  /** It lies on the picture's rim. */
  rim: boolean;
}

/** One chain walked along or against. */
export interface Walk {
  chain: number;
  forward: boolean;
}

/** Borders of a picture's regions, each kept once for both sides. Cell complex after Kovalevsky (1989). */
export interface PlanarMap {
  chains: Chain[];
  /** Lattice places where three or more borders meet, in pixels. */
  nodes: Point[];
  /** Closed walks around each region, the region on the left hand. */
  rings: Walk[][][];
}

/** East, south, west and north: steps of x and y, and of the pixel on the left and the right hand from a lattice place. */
const STEP = [
  { x: 1, y: 0, left: [0, -1], right: [0, 0] },
  { x: 0, y: 1, left: [0, 0], right: [-1, 0] },
  { x: -1, y: 0, left: [-1, 0], right: [-1, -1] },
  { x: 0, y: -1, left: [-1, -1], right: [0, -1] },
] as const;

/**
 * @param ids region of each pixel, numbered from 0
 * @param count of regions
 */
export function planarMap(labelled: Labelled, ids: Int32Array, count: number): PlanarMap {
  const lattice = new Lattice(labelled, ids);
  const chains: Chain[] = [];
  const nodeOf = new Map<number, number>();
  const nodes: Point[] = [];
  const { turns, meetings } = lattice.corners();
  for (const v of meetings) {
    nodeOf.set(v, nodes.length);
    nodes.push(lattice.placeOf(v));
  }
  for (const v of nodeOf.keys())
    for (let d = 0; d < 4; d++) if (lattice.isBorder(v, d) && !lattice.isWalked(v, d)) chains.push(lattice.walk(v, d, nodeOf));
  for (const v of turns)
    for (let d = 0; d < 4; d++) if (lattice.isBorder(v, d) && !lattice.isWalked(v, d)) chains.push(lattice.walk(v, d, nodeOf));
  return { chains, nodes, rings: ringsOf(chains, lattice, count) };
}

/** Where two pixels beside a border hardly differ, it lies midway between them. */
const LEAST_CHANGE = 0.15;

class Lattice {
  private readonly across: number;
  private readonly walked: Uint8Array;

  constructor(
    private readonly labelled: Labelled,
    private readonly ids: Int32Array,
  ) {
    this.across = labelled.width + 1;
    this.walked = new Uint8Array(this.across * (labelled.height + 1));
  }

  placeOf = (v: number): Point => ({ x: v % this.across, y: Math.floor(v / this.across) });

  private region(x: number, y: number): number {
    const { width, height } = this.labelled;
    return x < 0 || y < 0 || x >= width || y >= height ? OUTSIDE : this.ids[y * width + x]!;
  }

  /** Lattice places at which borders turn, as each closed one does somewhere, and at which three or more meet. */
  corners(): { turns: number[]; meetings: number[] } {
    const { width, height } = this.labelled;
    const { ids } = this;
    const turns: number[] = [];
    const meetings: number[] = [];
    for (let y = 0; y <= height; y++) {
      for (let x = 0; x <= width; x++) {
        const inside = x > 0 && y > 0 && x < width && y < height;
        const i = y * width + x;
        const nw = inside ? ids[i - width - 1]! : this.region(x - 1, y - 1);
        const ne = inside ? ids[i - width]! : this.region(x, y - 1);
        const sw = inside ? ids[i - 1]! : this.region(x - 1, y);
        const se = inside ? ids[i]! : this.region(x, y);
        if ((nw === ne && sw === se) || (nw === sw && ne === se)) continue;
        const degree = Number(nw !== ne) + Number(ne !== se) + Number(se !== sw) + Number(sw !== nw);
        (degree < 3 ? turns : meetings).push(y * this.across + x);
      }
    }
    return { turns, meetings };
  }

  isWalked = (v: number, d: number): boolean => (this.walked[v]! & (1 << d)) !== 0;

  isBorder(v: number, d: number): boolean {
    const [x, y] = [v % this.across, Math.floor(v / this.across)];
    const { left, right } = STEP[d]!;
    return this.region(x + left[0], y + left[1]) !== this.region(x + right[0], y + right[1]);
  }

  /** Follows a border from a place to the next node, or round to where it began. */
  walk(start: number, first: number, nodeOf: ReadonlyMap<number, number>): Chain {
    const [x0, y0] = [start % this.across, Math.floor(start / this.across)];
    const { left, right } = STEP[first]!;
    const points: Point[] = [];
    let [v, d] = [start, first];
    let rim = false;
    for (;;) {
      this.walked[v]! |= 1 << d;
      const crossing = this.crossing(v, d);
      points.push(crossing.at);
      rim ||= crossing.rim;
      v += STEP[d]!.x + STEP[d]!.y * this.across;
      this.walked[v]! |= 1 << ((d + 2) % 4);
      if (v === start || nodeOf.has(v)) break;
      d = [3, 0, 1].map((turn) => (d + turn) % 4).find((next) => this.isBorder(v, next))!;
    }
    return {
      left: this.region(x0 + left[0], y0 + left[1]),
      right: this.region(x0 + right[0], y0 + right[1]),
      points,
      from: nodeOf.get(start) ?? null,
      to: nodeOf.get(v) ?? null,
      leaves: start * 4 + first,
      returns: v * 4 + ((d + 2) % 4),
      rim,
    };
  }

  /** Where between two pixels their colours are mixed half and half. */
  private crossing(v: number, d: number): { at: Point; rim: boolean } {
    const [x, y] = [v % this.across, Math.floor(v / this.across)];
    const { left, right } = STEP[d]!;
    const [lx, ly, rx, ry] = [x + left[0], y + left[1], x + right[0], y + right[1]];
    const { width, height } = this.labelled;
    const isIn = (px: number, py: number): boolean => px >= 0 && py >= 0 && px < width && py < height;
    let s = 0.5;
    const rim = !isIn(lx, ly) || !isIn(rx, ry);
    if (!rim) {
      const { labels, mixes, edges } = this.labelled;
      const [i, j] = [ly * width + lx, ry * width + rx];
      const [a, b] = [mixes[labels[i]!]!, mixes[labels[j]!]!];
      const [ta, tb] = [shareOf(b, a, edges.data, i * 4), shareOf(b, a, edges.data, j * 4)];
      if (tb - ta > LEAST_CHANGE) s = Math.min(0.98, Math.max(0.02, (0.5 - ta) / (tb - ta)));
    }
    return { at: { x: lx + 0.5 + (rx - lx) * s, y: ly + 0.5 + (ry - ly) * s }, rim };
  }

  /** The next side of a pixel for one who keeps the region on the left: sharply left, on, or right. */
  onward(v: number, arriving: number): number {
    const d = [3, 0, 1].map((turn) => (arriving + turn) % 4).find((next) => this.isBorder(v, next));
    return v * 4 + (d ?? (arriving + 2) % 4);
  }
}

function ringsOf(chains: readonly Chain[], lattice: Lattice, count: number): Walk[][][] {
  const leaving = new Map<number, Walk>();
  chains.forEach((c, chain) => {
    if (c.from === null) return;
    leaving.set(c.leaves, { chain, forward: true });
    leaving.set(c.returns, { chain, forward: false });
  });
  const rings: Walk[][][] = Array.from({ length: count }, () => []);
  const done = [new Uint8Array(chains.length), new Uint8Array(chains.length)];
  chains.forEach((c, chain) => {
    for (const forward of [true, false]) {
      const region = forward ? c.left : c.right;
      if (region < 0 || done[Number(forward)]![chain]) continue;
      const ring: Walk[] = [];
      let walk: Walk = { chain, forward };
      while (!done[Number(walk.forward)]![walk.chain]) {
        done[Number(walk.forward)]![walk.chain] = 1;
        ring.push(walk);
        const at = chains[walk.chain]!;
        if (at.from === null) break;
        // Arriving is the turned direction of leaving from that end.
        const end = walk.forward ? at.returns : at.leaves;
        walk = leaving.get(lattice.onward(Math.floor(end / 4), (end + 2) % 4))!;
      }
      rings[region]!.push(ring);
    }
  });
  return rings;
}
