import FlatQueue from 'flatqueue';

/** Line-ups whose exact answer is sought: more of them, and a narrow search takes over. */
const MOST_STATES = 60_000;
/** Ways that the narrow search goes on with. */
const BEAM = 200;

/**
 * The shortest row of which each of some rows is a part in its order (shortest common supersequence): with stops as its members, the
 * fewest stops that sew all copies together. Exact where few different rows are to be met, else found by a beam search.
 * Source: dynamic programming over places in all rows (Maier 1978), as A* with the longest rest as its bound.
 */
export function shortestCommonRow(rows: readonly (readonly string[])[]): string[] {
  const different = [...new Map(rows.map((r) => [JSON.stringify(r), r])).values()].filter((r) => r.length > 0);
  if (different.length < 2) return [...(different[0] ?? [])];
  const states = different.reduce((n, r) => n * (r.length + 1), 1);
  return states <= MOST_STATES ? exact(different) : beam(different);
}

interface State {
  at: readonly number[];
  before: State | null;
  token: string;
  length: number;
}

const restOf = (rows: readonly (readonly string[])[], at: readonly number[]): number =>
  rows.reduce((most, r, i) => Math.max(most, r.length - at[i]!), 0);

function* steps(rows: readonly (readonly string[])[], state: State): Generator<State> {
  const next = new Set(rows.flatMap((r, i) => r[state.at[i]!] ?? []));
  for (const token of next) {
    const at = state.at.map((k, i) => (rows[i]![k] === token ? k + 1 : k));
    yield { at, before: state, token, length: state.length + 1 };
  }
}

const begin = (rows: readonly unknown[]): State => ({ at: rows.map(() => 0), before: null, token: '', length: 0 });

function exact(rows: readonly (readonly string[])[]): string[] {
  const queue = new FlatQueue<State>();
  const seen = new Map<string, number>();
  queue.push(
    begin(rows),
    restOf(
      rows,
      rows.map(() => 0),
    ),
  );
  for (let state = queue.pop(); state; state = queue.pop()) {
    if (restOf(rows, state.at) === 0) return told(state);
    for (const next of steps(rows, state)) {
      const key = next.at.join();
      if ((seen.get(key) ?? Infinity) <= next.length) continue;
      seen.set(key, next.length);
      queue.push(next, next.length + restOf(rows, next.at));
    }
  }
  return [];
}

function beam(rows: readonly (readonly string[])[]): string[] {
  let states = [begin(rows)];
  for (;;) {
    const done = states.find((s) => restOf(rows, s.at) === 0);
    if (done) return told(done);
    const next = new Map<string, State>();
    for (const s of states) for (const n of steps(rows, s)) next.set(n.at.join(), n);
    const left = (s: State): number => rows.reduce((sum, r, i) => sum + (r.length - s.at[i]!), 0) + 100 * restOf(rows, s.at);
    states = [...next.values()].sort((a, b) => left(a) - left(b)).slice(0, BEAM);
  }
}

function told(state: State): string[] {
  const out: string[] = [];
  for (let s: State | null = state; s?.before; s = s.before) out.push(s.token);
  return out.reverse();
}
