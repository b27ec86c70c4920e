import { UnionFind } from '../../geometry/unionFind';
import { distance, type Point } from '../../geometry/point';
import { fromUV, heightOf, nearestStretch, neighbours, type RowMesh } from './mesh';
import type { RowSet } from './rowset';
import { connectedGroups, type Section } from './sections';
import { stayWarm } from '../../units/warm';

/** Sections that hang together by their rows, with the place towards which they are sewn. */
export interface SewnGroup {
  readonly members: readonly number[];
  /** Where the needle should stand afterwards; null when it does not matter. */
  readonly end: Point | null;
}

interface Door {
  groups: [number, number];
  at: Point;
}

/**
 * Parts of an area that rows do not connect (they hang together by a neck between two rows, say) in the order that hides
 * every way between them: a tree from the part that is sewn last, each part after those that are reached through it, and
 * each sewn towards the one it is reached from.
 */
export function groupsInOrder(rows: RowSet, sections: readonly Section[], ways: Iterable<RowMesh>, end: Point | null): SewnGroup[] {
  const groups = connectedGroups(sections);
  if (groups.length === 1) return [{ members: groups[0]!, end }];
  const doors = doorsBetween(rows, sections, groups, ways);
  const size = groups.map((g) => g.reduce((n, s) => n + sections[s]!.stretches.length, 0));
  const away = groups.map((g) => (end ? Math.min(...g.flatMap((s) => endsOf(rows, sections[s]!)).map((p) => distance(p, end))) : 0));
  const largest = size.indexOf(Math.max(...size));
  const worthwhile = (g: number): boolean => size[g]! > size[largest]! * 0.25;
  const root = end ? away.reduce((best, d, g) => (worthwhile(g) && d < away[best]! - 0.5 ? g : best), largest) : largest;
  const out: SewnGroup[] = [];
  const seen = new Set<number>();
  // Parts that no way reaches come first: the needle has to be lifted anyway.
  const others = groups.map((_, g) => g).sort((a, b) => size[b]! - size[a]!);
  const reached = treeFrom(root, doors, seen, end);
  for (const g of others)
    if (!seen.has(g)) out.push(...treeFrom(g, doors, seen, null).map((n) => ({ members: groups[n.group]!, end: n.end })));
  return [...out, ...reached.map((n) => ({ members: groups[n.group]!, end: n.end }))];
}

function treeFrom(root: number, doors: readonly Door[], seen: Set<number>, end: Point | null): { group: number; end: Point | null }[] {
  seen.add(root);
  const out: { group: number; end: Point | null }[] = [];
  for (const door of doors) {
    if (!door.groups.includes(root)) continue;
    const next = door.groups[0] === root ? door.groups[1] : door.groups[0];
    if (!seen.has(next)) out.push(...treeFrom(next, doors, seen, door.at));
  }
  return [...out, { group: root, end }];
}

/** Floods each mesh from every group at once; where two floods first meet is a door. Finer meshes only for what is left apart. */
function doorsBetween(rows: RowSet, sections: readonly Section[], groups: readonly number[][], ways: Iterable<RowMesh>): Door[] {
  const doors: Door[] = [];
  const joined = stayWarm(new UnionFind(groups.length));
  let apart = groups.length - 1;
  for (const mesh of ways) {
    if (apart === 0) break;
    if (mesh === rows.mesh || mesh.count === 0) continue;
    const label = new Int32Array(mesh.count).fill(-1);
    const queue: number[] = [];
    groups.forEach((members, g) => {
      for (const s of members) {
        for (const row of sections[s]!.stretches) {
          const course = rows.course(row);
          for (const p of [course[0]!, course[course.length >> 1]!, course[course.length - 1]!]) {
            const at = nearestStretch(mesh, p);
            if (at < 0 || label[at] !== -1) continue;
            label[at] = g;
            queue.push(at);
          }
        }
      }
    });
    for (let k = 0; k < queue.length; k++) {
      const here = queue[k]!;
      for (const step of [-1, 1] as const) {
        for (const next of neighbours(mesh, here, step)) {
          if (label[next] === -1) {
            label[next] = label[here]!;
            queue.push(next);
          } else if (joined.join(label[next]!, label[here]!)) {
            doors.push({ groups: [label[here]!, label[next]!], at: between(mesh, here, next) });
            apart--;
          }
        }
      }
    }
  }
  return doors;
}

function between(mesh: RowMesh, i: number, j: number): Point {
  const u = (Math.max(mesh.u0[i]!, mesh.u0[j]!) + Math.min(mesh.u1[i]!, mesh.u1[j]!)) / 2;
  return fromUV(mesh.frame, u, heightOf(mesh, mesh.row[j]!));
}

/** Ends of a section's first and last rows. */
export const endsOf = (rows: RowSet, section: Section): Point[] => [
  ...rows.ends(section.stretches[0]!),
  ...rows.ends(section.stretches[section.stretches.length - 1]!),
];
