import type { MainModule, PathD, PathsD, PolyPathD } from 'clipper2-wasm/dist/clipper2z';
import type { Line, Point, Ring } from '../point';
import { PRECISION, type Clipping, type Outlines } from './library';

/** Whoever is made in the library's own memory has to be given back. */
interface Owned {
  delete(): void;
}

/** The library calls this join by its number only. */
const BEVEL = { value: 1 } as never;

/**
 * Cutting keeps the next finer power of two of its lattice, growing the lattice itself. Coordinates are handed to cutting so
 * much smaller that its lattice is the one of the TypeScript build, to the last bit.
 */
const FINER = 2 ** 14;
const STEP = 10 ** PRECISION;

/** The clipping library compiled to WebAssembly: what it gives is the same, in a third of the time and with nothing to warm up. */
export function compiledClipping(library: MainModule): Clipping {
  const { FillRule, ClipType, JoinType, EndType } = library;
  const RULES = { nonzero: FillRule.NonZero, evenodd: FillRule.EvenOdd };
  const JOINS = { miter: JoinType.Miter, round: JoinType.Round, bevel: BEVEL };
  const ENDS = { polygon: EndType.Polygon, joined: EndType.Joined, butt: EndType.Butt, round: EndType.Round, square: EndType.Square };

  /** Does something with what is handed in, and gives all of it back. */
  function using<T>(work: (keep: <O extends Owned>(owned: O) => O) => T): T {
    const owned: Owned[] = [];
    try {
      return work((o) => (owned.push(o), o));
    } finally {
      for (const o of owned) o.delete();
    }
  }

  function handedIn(lines: Outlines, to: (mm: number) => number): PathsD {
    const paths = new library.PathsD();
    for (const line of lines) {
      const path = new library.PathD();
      const numbers = new Float64Array(3 * line.length);
      for (let i = 0; i < line.length; i++) {
        numbers[3 * i] = to(line[i]!.x);
        numbers[3 * i + 1] = to(line[i]!.y);
      }
      path.assign(numbers);
      paths.push_back(path);
      path.delete();
    }
    return paths;
  }

  const cut = (a: Outlines, b: Outlines, type: Cutting, rule: FillRule = FillRule.NonZero): Ring[] =>
    using((keep) => {
      const [subjects, clips] = [keep(handedIn(a, toFiner)), keep(handedIn(b, toFiner))];
      return lists(keep(library.BooleanOpD(type, rule, subjects, clips, PRECISION)), fromFiner);
    });

  const grown = (lines: Outlines, work: (paths: PathsD) => PathsD): Ring[] =>
    using((keep) => lists(keep(work(keep(handedIn(lines, asIs)))), asIs));

  const linesCut = (lines: Outlines, outlines: Outlines, type: Cutting): Line[] =>
    using((keep) => {
      const clipper = keep(new library.ClipperD(PRECISION));
      const [closed, open] = [keep(new library.PathsD()), keep(new library.PathsD())];
      clipper.AddOpenSubject(keep(handedIn(lines, toFiner)));
      clipper.AddClip(keep(handedIn(outlines, toFiner)));
      clipper.ExecutePath(type, FillRule.NonZero, closed, open);
      return lists(open, fromFiner);
    });

  function partsOf(outlines: Outlines): Ring[][] {
    return using((keep) => {
      const [tree, none] = [keep(new library.PolyPathD()), keep(new library.PathsD())];
      library.BooleanOpOutD(ClipType.Union, FillRule.NonZero, keep(handedIn(outlines, toFiner)), none, tree, PRECISION);
      const out: Ring[][] = [];
      const visit = (node: PolyPathD): void => {
        for (const outer of children(node)) {
          const holes = children(outer);
          out.push([outer, ...holes].map((n) => points(keep(n.polygon()), fromFiner)));
          holes.forEach(visit);
        }
      };
      visit(tree);
      return out;
    });
  }

  return {
    union: (outlines, rule) => cut(outlines, [], ClipType.Union, RULES[rule]),
    difference: (outlines, without) => cut(outlines, without, ClipType.Difference),
    intersection: (outlines, within) => cut(outlines, within, ClipType.Intersection),
    grown: (lines, mm, join, end, miterLimit, arcMm) =>
      grown(lines, (paths) => library.InflatePathsD(paths, mm, JOINS[join], ENDS[end], miterLimit, PRECISION, arcMm)),
    parts: partsOf,
    linesWithin: (lines, outlines) => linesCut(lines, outlines, ClipType.Intersection),
    linesOutside: (lines, outlines) => linesCut(lines, outlines, ClipType.Difference),
    simplified: (outlines, tolerance) => grown(outlines, (paths) => library.SimplifyPathsD(paths, tolerance, true)),
  };
}

type Cutting = MainModule['ClipType'][keyof MainModule['ClipType']];
type FillRule = MainModule['FillRule'][keyof MainModule['FillRule']];

const toFiner = (mm: number): number => Math.round(mm * STEP) / FINER;
const fromFiner = (mm: number): number => mm * FINER * (1 / STEP);
const asIs = (mm: number): number => mm;

/** Nodes of a tree belong to it: they are not given back by themselves. */
const children = (node: PolyPathD): PolyPathD[] => Array.from({ length: node.count() }, (_, i) => node.child(i));

function lists(paths: PathsD, from: (mm: number) => number): Ring[] {
  return Array.from({ length: paths.size() }, (_, i) => {
    const path = paths.get(i);
    const ring = points(path, from);
    path.delete();
    return ring;
  });
}

/** Coordinates lie in threes: the third, which the library can carry along, is not used. */
function points(path: PathD, from: (mm: number) => number): Ring {
  const numbers = path.view();
  const out: Point[] = new Array<Point>(numbers.length / 3);
  for (let i = 0; i < out.length; i++) out[i] = { x: from(numbers[3 * i]!), y: from(numbers[3 * i + 1]!) };
  return out;
}
