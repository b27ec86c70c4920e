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

/** Moves the focus among members of a group by its keys. @returns the member that a key came to */
function walked(e: KeyboardEvent<HTMLElement>, members: string): HTMLElement | null {
  if (!byKeys(e)) return null;
  const all = [...e.currentTarget.querySelectorAll<HTMLElement>(members)];
  const next = memberByKey(e.key, all.indexOf(e.target as HTMLElement), all.length);
  if (next === null) return null;
  e.preventDefault();
  all[next]!.focus();
  return all[next]!;
}

/** Arrow keys, Home and End move within a group of radios or tabs, and choose what they come to. */
export const chooseByArrows = (e: KeyboardEvent<HTMLElement>): void => walked(e, '[role=radio], [role=tab]')?.click();

/** The same in a tool bar, where keys move without pressing. */
export const walkByArrows = (e: KeyboardEvent<HTMLElement>): void => void walked(e, 'button:not(:disabled)');

/** One member of a group is on the way of the Tab key: the chosen one. */
export const onTabWay = (chosen: boolean): 0 | -1 => (chosen ? 0 : -1);
