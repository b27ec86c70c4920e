import type { KeyboardEvent } from 'react';

const STEPS: Record<string, number> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/** The member of a group that a key leads to from the one in focus; null where the key does not move. */
export function memberByKey(key: string, at: number, members: number): number | null {
  if (members === 0 || at < 0) return null;
  if (key === 'Home') return 0;
  if (key === 'End') return members - 1;
  const step = STEPS[key];
  return step === undefined ? null : (at + step + members) % members;
}

/** Whoever pressed a button with the pointer goes on with the page's keys: there arrows nudge. */
const byKeys = (e: KeyboardEvent<HTMLElement>): boolean => (e.target as HTMLElement).matches(':focus-visible');

/** Arrow keys, Home and End move within a group of radios or tabs, and choose what they come to. */
export function chooseByArrows(e: KeyboardEvent<HTMLElement>): void {
  if (!byKeys(e)) return;
  const members = [...e.currentTarget.querySelectorAll<HTMLElement>('[role=radio], [role=tab]')];
  const next = memberByKey(e.key, members.indexOf(e.target as HTMLElement), members.length);
  if (next === null) return;
  e.preventDefault();
  members[next]!.focus();
  members[next]!.click();
}

/** The same in a tool bar, where keys move without pressing. */
export function walkByArrows(e: KeyboardEvent<HTMLElement>): void {
  if (!byKeys(e)) return;
  const members = [...e.currentTarget.querySelectorAll<HTMLElement>('button:not(:disabled)')];
  const next = memberByKey(e.key, members.indexOf(e.target as HTMLElement), members.length);
  if (next === null) return;
  e.preventDefault();
  members[next]!.focus();
}

/** One member of a group is on the way of the Tab key: the chosen one. */
export const onTabWay = (chosen: boolean): 0 | -1 => (chosen ? 0 : -1);
