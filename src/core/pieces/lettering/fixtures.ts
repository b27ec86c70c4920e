import type { StitchColumns } from '../../stitches/buffer';
import { contains, offset } from '../../geometry/area';
import { distance, mix, type Area, type Point } from '../../geometry/point';
import { Command, Role } from '../../stitches/roles';

/** So far beside the letters thread is not seen lying on cloth, mm. */
const BESIDE_MM = 0.25;
const STEPS = 20;

/** For tests: the longest way of thread over bare cloth in a plan of letters that paint an area, mm. */
export function longestBareWay({ plan, painted }: { plan: StitchColumns; painted: Area }): number {
  const near = offset(painted, BESIDE_MM);
  const at = (i: number): Point => ({ x: plan.x[i]!, y: plan.y[i]! });
  const bareOf = (a: Point, b: Point): number =>
    (Array.from({ length: STEPS }, (_, k) => mix(a, b, k / (STEPS - 1))).filter((p) => !contains(near, p)).length / STEPS) * distance(a, b);
  const isStitch = (i: number): boolean => plan.command[i] === Command.stitch && plan.command[i - 1] === Command.stitch;
  let [longest, run] = [0, 0];
  for (let i = 1; i < plan.x.length; i++) {
    const bare = isStitch(i) && plan.role[i] === Role.travel ? bareOf(at(i - 1), at(i)) : 0;
    run = bare > 0 ? run + bare : 0;
    longest = Math.max(longest, run);
  }
  return longest;
}

/** For tests: stitches of a plan, ties aside, and how many of them are shorter than 0.4 mm. */
export function shortStitchesOf({ x, y, command, role }: StitchColumns): { all: number; short: number } {
  const sewn = Array.from(x.keys()).filter((i) => i > 0 && [i, i - 1].every((k) => command[k] === Command.stitch && role[k] !== Role.tie));
  // Half a thousandth for the lattice.
  return { all: sewn.length, short: sewn.filter((i) => distance({ x: x[i]!, y: y[i]! }, { x: x[i - 1]!, y: y[i - 1]! }) < 0.3995).length };
}
