import { Clipper, Clipper64, ClipperD, ClipType, EndType, FillRule, JoinType, PolyTreeD, type PathsD, type PolyPathD } from 'clipper2-ts';
import type { Line, Ring } from '../point';
import { PRECISION, type Clipping, type Outlines } from './library';

/** What the sweep keeps of the places where outlines begin. */
interface Sweep {
  minimaList: { vertex: { pt: { x: number; y: number } } }[];
  isSortedMinimaList: boolean;
  reset(): void;
}

/**
 * This build sorts the places where outlines begin by height only, the compiled one level places from the left as well. They
 * must not differ: one drawing would be sewn in two ways.
 */
function fromTheLeft(sweep: Sweep): void {
  const { reset } = sweep;
  sweep.reset = function (this: Sweep) {
    if (!this.isSortedMinimaList) this.minimaList.sort(({ vertex: { pt: a } }, { vertex: { pt: b } }) => b.y - a.y || a.x - b.x);
    this.isSortedMinimaList = true;
    reset.call(this);
  };
}
fromTheLeft(Object.getPrototypeOf(Clipper64.prototype) as Sweep);

const RULES = { nonzero: FillRule.NonZero, evenodd: FillRule.EvenOdd };
const JOINS = { miter: JoinType.Miter, round: JoinType.Round, bevel: JoinType.Bevel };
const ENDS = { polygon: EndType.Polygon, joined: EndType.Joined, butt: EndType.Butt, round: EndType.Round, square: EndType.Square };

const plain = (paths: PathsD): Ring[] => paths.map((p) => p.map(({ x, y }) => ({ x, y })));
const paths = (lines: Outlines): PathsD => lines as PathsD;

function cutLines(lines: Outlines, outlines: Outlines, type: ClipType): Line[] {
  const clipper = new ClipperD(PRECISION);
  clipper.addOpenSubjectPaths(paths(lines));
  clipper.addClipPaths(paths(outlines));
  const [closed, open]: [PathsD, PathsD] = [[], []];
  clipper.execute(type, FillRule.NonZero, closed, open);
  return plain(open);
}

function partsOf(outlines: Outlines): Ring[][] {
  const tree = new PolyTreeD();
  Clipper.booleanOpDWithPolyTree(ClipType.Union, paths(outlines), null, tree, FillRule.NonZero, PRECISION);
  const out: Ring[][] = [];
  const visit = (node: PolyPathD): void => {
    for (let i = 0; i < node.count; i++) {
      const outer = node.child(i);
      const holes = Array.from({ length: outer.count }, (_, h) => outer.child(h));
      out.push(plain([outer, ...holes].flatMap((n) => (n.poly ? [n.poly] : []))));
      holes.forEach(visit);
    }
  };
  visit(tree);
  return out;
}

/** The clipping library as TypeScript: it is there at once, in every page, worker and test. */
export const portableClipping: Clipping = {
  union: (outlines, rule) => plain(Clipper.unionD(paths(outlines), [], RULES[rule], PRECISION)),
  difference: (outlines, without) => plain(Clipper.differenceD(paths(outlines), paths(without), FillRule.NonZero, PRECISION)),
  intersection: (outlines, within) => plain(Clipper.intersectD(paths(outlines), paths(within), FillRule.NonZero, PRECISION)),
  grown: (lines, mm, join, end, miterLimit, arcMm) =>
    plain(Clipper.inflatePathsD(paths(lines), mm, JOINS[join], ENDS[end], miterLimit, PRECISION, arcMm)),
  parts: partsOf,
  linesWithin: (lines, outlines) => cutLines(lines, outlines, ClipType.Intersection),
  linesOutside: (lines, outlines) => cutLines(lines, outlines, ClipType.Difference),
  simplified: (outlines, tolerance) => plain(Clipper.simplifyPathsD(paths(outlines), tolerance, true)),
};

/** Lines with as few points as stay within a tolerance of them (Douglas and Peucker 1973); the compiled build has no such call. */
export const fewest = (lines: Outlines, tolerance: number): Line[] => plain(Clipper.ramerDouglasPeuckerPathsD(paths(lines), tolerance));
