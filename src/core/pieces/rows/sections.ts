import type { RowSet } from './rowset';

/** A run of stretches, one per row, that can be sewn back and forth without leaving the area. */
export interface Section {
  /** Stretch indices in row order (downwards in v). */
  readonly stretches: readonly number[];
  /** Sections that touch the first row, and those that touch the last. */
  readonly above: number[];
  readonly below: number[];
}

/**
 * Splits the rows where they branch, join or are interrupted.
 * @param before a row that begins a section of its own all the same; -1 for none
 */
export function splitSections(rows: Pick<RowSet, 'count' | 'neighbours'>, before = -1): Section[] {
  const sectionOf = new Int32Array(rows.count).fill(-1);
  const sections: { stretches: number[]; above: number[]; below: number[] }[] = [];
  for (let i = 0; i < rows.count; i++) {
    const up = rows.neighbours(i, -1);
    const only = i !== before && up.length === 1 && rows.neighbours(up[0]!, 1).length === 1 ? up[0]! : -1;
    if (only >= 0) {
      sectionOf[i] = sectionOf[only]!;
      sections[sectionOf[i]!]!.stretches.push(i);
      continue;
    }
    sectionOf[i] = sections.length;
    sections.push({ stretches: [i], above: [], below: [] });
    for (const j of up) {
      sections[sectionOf[i]!]!.above.push(sectionOf[j]!);
      sections[sectionOf[j]!]!.below.push(sectionOf[i]!);
    }
  }
  return sections;
}

/** Groups of sections that touch each other directly or through others. */
export function connectedGroups(sections: readonly Section[]): number[][] {
  const group = new Int32Array(sections.length).fill(-1);
  const out: number[][] = [];
  sections.forEach((_, start) => {
    if (group[start] !== -1) return;
    const members: number[] = [];
    const stack = [start];
    group[start] = out.length;
    while (stack.length > 0) {
      const here = stack.pop()!;
      members.push(here);
      for (const next of [...sections[here]!.above, ...sections[here]!.below]) {
        if (group[next] !== -1) continue;
        group[next] = out.length;
        stack.push(next);
      }
    }
    out.push(members);
  });
  return out;
}

/** One leg of the way through all sections of a group. */
export interface Leg {
  section: number;
  /** Whether rows are sewn from the first to the last, or the other way. */
  downwards: boolean;
}

/**
 * The order in which sections are sewn so that every travel is covered afterwards.
 *
 * The sections form a graph; a depth-first tree from the section that shall be sewn last gives it. A section's subtree
 * is sewn before the section itself, and a section is always sewn towards the one it was entered from, so the needle
 * stands at the door when it is done, and whatever it crossed on the way lies under rows that come later.
 */
export function sewingOrder(sections: readonly Section[], last: number, endAtTop: boolean): Leg[] {
  const out: Leg[] = [];
  const seen = new Set<number>([last]);
  interface Frame {
    section: number;
    enteredAtTop: boolean;
    waiting: { section: number; enterAtTop: boolean }[];
  }
  const frameOf = (section: number, enteredAtTop: boolean): Frame => {
    const { above, below } = sections[section]!;
    const top = above.map((s) => ({ section: s, enterAtTop: false }));
    const bottom = below.map((s) => ({ section: s, enterAtTop: true }));
    return { section, enteredAtTop, waiting: enteredAtTop ? [...top, ...bottom] : [...bottom, ...top] };
  };
  const stack = [frameOf(last, endAtTop)];
  while (stack.length > 0) {
    const frame = stack[stack.length - 1]!;
    const child = frame.waiting.shift();
    if (!child) {
      out.push({ section: frame.section, downwards: !frame.enteredAtTop });
      stack.pop();
    } else if (!seen.has(child.section)) {
      seen.add(child.section);
      stack.push(frameOf(child.section, child.enterAtTop));
    }
  }
  return out;
}
