import type { NeedleChange } from './needles';
import type { Production } from './produce';
import { conesFor, type ThreadNeed } from './materials';

/** What is taken from the shelves for a day's jobs, what is the same added up. */
export interface PickList {
  thread: ThreadNeed[];
  bobbins: number;
  needles: { needle: string; count: number; why: string[] }[];
  stabilizers: { name: string; m2: number }[];
  toppings: { name: string; m2: number }[];
  foamM2: number;
}

/** @param changes needles of all jobs, in the order in which they are sewn */
export function pickList(made: readonly Pick<Production, 'materials'>[], changes: readonly NeedleChange[]): PickList {
  const materials = made.map((p) => p.materials);
  return {
    thread: threadOfAll(made),
    bobbins: materials.reduce((n, m) => n + m.bobbins, 0),
    needles: needlesOf(changes),
    stabilizers: areas(materials.map((m) => ({ name: m.stabilizer, m2: m.stabilizerM2 }))),
    toppings: areas(materials.map((m) => ({ name: m.topping, m2: m.toppingM2 }))),
    foamM2: materials.reduce((sum, m) => sum + m.foamM2, 0),
  };
}

/** A cone that one job leaves goes on with the next. */
function threadOfAll(made: readonly Pick<Production, 'materials'>[]): ThreadNeed[] {
  const all = new Map<string, ThreadNeed>();
  for (const t of made.flatMap((p) => p.materials.thread)) {
    const key = `${t.code} ${t.weight}`;
    const before = all.get(key);
    const heads = Math.max(t.heads, before?.heads ?? 0);
    const sum = { metres: t.metres + (before?.metres ?? 0), perHeadM: t.perHeadM + (before?.perHeadM ?? 0), heads };
    all.set(key, { ...t, ...sum, cones: conesFor({ ...t, ...sum }) });
  }
  return [...all.values()];
}

function needlesOf(changes: readonly NeedleChange[]): PickList['needles'] {
  const all = new Map<string, PickList['needles'][number]>();
  for (const { needle, count, why } of changes) {
    const own = all.get(needle) ?? { needle, count: 0, why: [] };
    own.count += count;
    if (!own.why.includes(why)) own.why.push(why);
    all.set(needle, own);
  }
  return [...all.values()];
}

function areas(each: readonly { name: string; m2: number }[]): { name: string; m2: number }[] {
  const all = new Map<string, number>();
  for (const { name, m2 } of each) if (m2 > 0) all.set(name, (all.get(name) ?? 0) + m2);
  return [...all].map(([name, m2]) => ({ name, m2 }));
}

const round = (v: number, decimals: number): number => Math.round(v * 10 ** decimals) / 10 ** decimals;

/** The list as plain data, snake_case. */
export const pickReport = ({ thread, bobbins, needles, stabilizers, toppings, foamM2 }: PickList) => ({
  thread: thread.map((t) => ({ code: t.code, name: t.name, metres: round(t.metres, 1), cones: t.cones })),
  bobbins,
  needles: needles.reduce((n, c) => n + c.count, 0),
  needle_changes: needles,
  stabilizer_m2: round(
    stabilizers.reduce((sum, s) => sum + s.m2, 0),
    3,
  ),
  stabilizers: stabilizers.map(({ name, m2 }) => ({ name, m2: round(m2, 3) })),
  topping_m2: round(
    toppings.reduce((sum, s) => sum + s.m2, 0),
    3,
  ),
  foam_m2: round(foamM2, 3),
});
