import type { Constraints } from './constraints';

const LONGEST_STRETCH = 4;

/** The order with a stretch of it put elsewhere, maybe turned round; null when that is not allowed. */
export function moveSome(order: readonly number[], next: () => number, constraints: Constraints): number[] | null {
  const n = order.length;
  const length = Math.min(n - 1, 1 + Math.floor(next() * next() * LONGEST_STRETCH));
  const from = Math.floor(next() * (n - length + 1));
  const stretch = order.slice(from, from + length);
  if (length > 1 && next() < 0.5) stretch.reverse();
  const rest = [...order.slice(0, from), ...order.slice(from + length)];
  const to = Math.floor(next() * (rest.length + 1));
  const moved = [...rest.slice(0, to), ...stretch, ...rest.slice(to)];
  const [low, high] = [Math.min(from, to), Math.max(from, to) + length];
  for (let a = low; a < high; a++) {
    for (let b = a + 1; b < Math.min(high, n); b++) if (constraints.forces(moved[b]!, moved[a]!)) return null;
  }
  return moved;
}

/** Every order in which one piece stands elsewhere. */
export function singleMoves(order: readonly number[]): number[][] {
  return order.flatMap((item, from) => {
    const rest = order.filter((_, k) => k !== from);
    return rest
      .map((_, to) => (to === from ? null : [...rest.slice(0, to), item, ...rest.slice(to)]))
      .filter((o): o is number[] => o !== null);
  });
}

/** A few moves at once, to get out of a dead end. */
export function perturb(order: readonly number[], next: () => number): number[] {
  const out = order.slice();
  const times = 2 + Math.floor(next() * 3);
  for (let k = 0; k < times; k++) {
    const [item] = out.splice(Math.floor(next() * out.length), 1);
    out.splice(Math.floor(next() * (out.length + 1)), 0, item!);
  }
  return out;
}
