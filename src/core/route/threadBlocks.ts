/** States kept at each step of the search: enough that drawings of twenty threads come out as an exact search has them. */
const BREADTH = 200;
/** Larger problems keep fewer, so that the search takes no longer. */
const MOST_WORK = 150_000;

interface State {
  /** 1 for each piece that is sewn. */
  done: Uint8Array;
  left: number;
  /** The first piece that is not sewn yet. */
  first: number;
  threadsLeft: number;
  /** Threads so far, last first. */
  taken: Taken | null;
}
interface Taken {
  thread: number;
  before: Taken | null;
}

/**
 * Threads in the order in which they are threaded so that it happens as seldom as possible (beam search over sets of sewn
 * pieces; of each thread everything that may be sewn is sewn, which never costs a block). Of equally good ones, that which
 * finishes what lies at the back first.
 * @param threads thread of each piece
 * @param before for each piece those that must come before it, all with smaller numbers
 * @returns the thread of each block
 */
export function threadBlocks(threads: readonly string[], before: readonly (readonly number[])[]): string[] {
  const simple = oneByOne(threads, before);
  if (simple.length === new Set(threads).size) return simple;
  const sought = searched(threads, before);
  return sought.length < simple.length ? sought : simple;
}

/**
 * Thread by thread: one that can be finished in one go, of these the one that has been ready longest, so that outlines follow
 * their fields soon; else the one of which most may be sewn now. The first of equal ones.
 */
export function oneByOne(threads: readonly string[], before: readonly (readonly number[])[]): string[] {
  const sewnIn = threads.map(() => Infinity);
  const out: string[] = [];
  const isReady = (i: number): boolean => before[i]!.every((j) => sewnIn[j]! < Infinity);
  const score = (thread: string): number => {
    const own = threads.flatMap((t, i) => (t === thread && sewnIn[i] === Infinity ? [i] : []));
    const others = own.flatMap((i) => before[i]!.filter((j) => threads[j] !== thread));
    if (others.every((j) => sewnIn[j]! < Infinity)) return FINISHES - Math.max(0, ...others.map((j) => sewnIn[j]! + 1));
    return own.filter(isReady).length;
  };
  while (sewnIn.includes(Infinity)) {
    const ready = new Set(threads.filter((_, i) => sewnIn[i] === Infinity && isReady(i)));
    const scored = [...ready].map((name) => ({ name, score: score(name) }));
    const thread = scored.reduce((a, b) => (b.score > a.score ? b : a)).name;
    threads.forEach((t, i) => t === thread && sewnIn[i] === Infinity && isReady(i) && (sewnIn[i] = out.length));
    out.push(thread);
  }
  return out;
}
/** More than there are pieces of any job. */
const FINISHES = 1e6;

/** The fewest blocks that a beam search finds; of equally many, those that finish what lies at the back first. */
export function searched(threads: readonly string[], before: readonly (readonly number[])[]): string[] {
  const names = [...new Set(threads)];
  const items = names.map((name) => threads.flatMap((t, i) => (t === name ? [i] : [])));
  const breadth = Math.max(4, Math.min(BREADTH, Math.floor(MOST_WORK / Math.max(1, threads.length * names.length))));
  let layer: State[] = [{ done: new Uint8Array(threads.length), left: threads.length, first: 0, threadsLeft: names.length, taken: null }];
  while (layer[0]!.left > 0) {
    const next = new Map<string, State>();
    for (const state of layer) {
      for (const [thread, own] of items.entries()) {
        const after = sewn(state, thread, own, before);
        const key = after && String.fromCharCode(...after.done);
        if (key && !next.has(key)) next.set(key, after);
      }
    }
    layer = [...next.values()].sort((a, b) => a.threadsLeft - b.threadsLeft || a.left - b.left || b.first - a.first).slice(0, breadth);
  }
  return sequenceOf(layer[0]!).map((thread) => names[thread]!);
}

/** The state after everything of a thread that may be sewn is sewn; null when there is nothing. */
function sewn(state: State, thread: number, own: readonly number[], before: readonly (readonly number[])[]): State | null {
  let done: Uint8Array | null = null;
  let [count, waiting] = [0, false];
  for (const i of own) {
    const so = done ?? state.done;
    if (so[i]) continue;
    if (!before[i]!.every((j) => so[j])) waiting = true;
    else {
      done ??= state.done.slice();
      done[i] = 1;
      count++;
    }
  }
  if (!done) return null;
  const threadsLeft = state.threadsLeft - (waiting ? 0 : 1);
  let { first } = state;
  while (done[first]) first++;
  return { done, left: state.left - count, first, threadsLeft, taken: { thread, before: state.taken } };
}

function sequenceOf({ taken }: State): number[] {
  const out: number[] = [];
  for (let t = taken; t; t = t.before) out.unshift(t.thread);
  return out;
}
