import type { Entry, Condition } from '@/core/machine/state';
import { FAULT_WORDS } from '@/core/machine/command';

export const CONDITION_WORDS: Record<Condition, string> = {
  empty: 'no job in it',
  loaded: 'not traced yet',
  ready: 'traced, ready',
  sewing: 'sewing',
  paused: 'paused',
  waiting: 'waits for a hand',
  faulty: 'stopped by a fault',
  off: 'switched off',
  done: 'done',
};

/** What happened, as it is read in the log. */
export function entryWords(entry: Entry): string {
  switch (entry.what) {
    case 'setup':
      return 'Set up.';
    case 'loaded':
      return `‘${entry.name}’ taken in: ${entry.stitches.toLocaleString('en')} stitches.`;
    case 'unloaded':
      return 'Job taken out.';
    case 'traced':
      return 'Outline traced: nothing hits the frame.';
    case 'started':
      return entry.at === 0 ? 'Started.' : `Resumed at event ${entry.at.toLocaleString('en')}.`;
    case 'paused':
      return 'Paused.';
    case 'sewn':
      return `Sewn: events ${(entry.from + 1).toLocaleString('en')} to ${entry.to.toLocaleString('en')}.`;
    case 'waits':
      return entry.for === 'hand' ? 'Waits for a hand: cloth or foam.' : `Waits for thread ${entry.thread}.`;
    case 'broke':
      return `${FAULT_WORDS[entry.fault]}${entry.noticed > entry.at ? ` Noticed ${entry.noticed - entry.at} stitches later; they are sewn again.` : ''}`;
    case 'mended':
      return 'Mended.';
    case 'moved':
      return entry.to < entry.from
        ? `Went back ${(entry.from - entry.to).toLocaleString('en')} events.`
        : `Went on ${(entry.to - entry.from).toLocaleString('en')} events: they are left out.`;
    case 'power-off':
      return 'Power lost.';
    case 'power-on':
      return 'Switched on again: it stands where it stood.';
    case 'done':
      return 'Done.';
  }
}
