import { useJob } from '@/session/job/jobStore';
import { keyCommand } from './keys';

const nothingBefore = (): string | null => (useJob.getState().history.past.length > 0 ? null : 'There is nothing to undo.');
const nothingAfter = (): string | null => (useJob.getState().history.future.length > 0 ? null : 'There is nothing to redo.');

/** Undo and redo, in every place. */
export const HISTORY_KEYS = [
  keyCommand('Undo', 'Ctrl+Z', () => useJob.getState().undo(), nothingBefore),
  keyCommand('Redo', 'Ctrl+Shift+Z', () => useJob.getState().redo(), nothingAfter),
  keyCommand('Redo', 'Ctrl+Y', () => useJob.getState().redo(), nothingAfter),
];
