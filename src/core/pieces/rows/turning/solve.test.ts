import { conjugateGradients, type Graph } from './solve';
import { random } from '../../../units/random';

/** Nodes of a grid with holes; `known` neighbours more for some, which fix the level. */
function graphOf(wide: number, high: number, next: () => number, known: number): Graph {
  const place = new Map<number, number>();
  for (let i = 0; i < wide * high; i++) if (next() > 0.15) place.set(i, place.size);
  const count = place.size;
  const beside = new Int32Array(4 * count).fill(count);
  const degree = new Float64Array(count);
  for (const [i, k] of place) {
    const x = i % wide;
    [x + 1 < wide ? i + 1 : -1, x > 0 ? i - 1 : -1, i + wide, i - wide].forEach((j, way) => {
      const other = place.get(j);
      if (other === undefined) return;
      beside[4 * k + way] = other;
      degree[k]!++;
    });
    if (next() < known) degree[k]!++;
  }
  return { count, beside, degree };
}

const times = ({ count, beside, degree }: Graph, x: ArrayLike<number>): number[] =>
  Array.from({ length: count }, (_, i) => {
    const near = [0, 1, 2, 3].map((way) => beside[4 * i + way]!).filter((j) => j < count);
    return near.reduce((sum, j) => sum - x[j]!, degree[i]! * x[i]!);
  });

describe('conjugate gradients', () => {
  it('find the values that were hidden in a right side, on any grid with holes', () => {
    const next = random(5);
    for (let run = 0; run < 40; run++) {
      const graph = graphOf(2 + Math.floor(30 * next()), 2 + Math.floor(30 * next()), next, 0.3);
      // Parts that nothing known touches have no one solution.
      if (graph.degree.some((d) => d === 0)) graph.degree.forEach((d, i) => (graph.degree[i] = d + 0.1));
      else graph.degree[0]! += 0.1;
      const hidden = Array.from({ length: graph.count }, () => 20 * next() - 10);
      const x = new Float64Array(graph.count);
      const b = Float64Array.from(times(graph, hidden));
      conjugateGradients(graph, b, x);
      const off = times(graph, x).map((v, i) => v - b[i]!);
      expect(Math.hypot(...off)).toBeLessThan(1e-5 * Math.hypot(...b) + 1e-9);
    }
  });

  it('settle where only differences are known: each value is that of its neighbours and what is between them', () => {
    const next = random(11);
    for (let run = 0; run < 20; run++) {
      const graph = graphOf(3 + (run % 20), 12, next, 0);
      const hidden = Array.from({ length: graph.count }, () => next());
      const b = Float64Array.from(times(graph, hidden));
      const x = new Float64Array(graph.count);
      conjugateGradients(graph, b, x);
      const off = times(graph, x).map((v, i) => v - b[i]!);
      expect(Math.hypot(...off)).toBeLessThan(1e-5 * Math.hypot(...b) + 1e-9);
      expect(Array.from(x).every(Number.isFinite)).toBe(true);
    }
  });

  it('leave a solution as it is, and start from what is given', () => {
    const next = random(2);
    const graph = graphOf(12, 12, next, 0.5);
    const hidden = Float64Array.from({ length: graph.count }, () => next());
    const x = hidden.slice();
    conjugateGradients(graph, Float64Array.from(times(graph, hidden)), x);
    x.forEach((v, i) => expect(v).toBeCloseTo(hidden[i]!, 9));
    conjugateGradients({ count: 0, beside: new Int32Array(0), degree: new Float64Array(0) }, new Float64Array(0), new Float64Array(0));
  });
});
