import { useJob } from '@/session/job/jobStore';
import { keyCommand } from './keys';

/** Undo and redo, in every place. */
export const HISTORY_KEYS = [
  keyCommand('Undo', 'Ctrl+Z', () => useJob.getState().undo()),
  keyCommand('Redo', 'Ctrl+Shift+Z', () => useJob.getState().redo()),
  keyCommand('Redo', 'Ctrl+Y', () => useJob.getState().redo()),
];
