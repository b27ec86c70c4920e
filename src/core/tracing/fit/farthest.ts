/** The farthest index for which a condition holds that holds for all nearer ones, by doubling and halving; at least the next. */
export function farthest(at: number, last: number, holds: (j: number) => boolean): number {
  if (holds(last)) return last;
  let good = at + 1;
  let step = 2;
  let bad = last;
  while (good + step < bad) {
    if (!holds(good + step)) {
      bad = good + step;
      break;
    }
    good += step;
    step *= 2;
  }
  while (bad - good > 1) {
    const middle = (good + bad) >> 1;
    if (holds(middle)) good = middle;
    else bad = middle;
  }
  return good;
}
