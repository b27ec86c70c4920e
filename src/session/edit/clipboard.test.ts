import { jobOf, piece } from '@/core/pieces/fixtures';
import { copyToClipboard, pasteFromClipboard } from './clipboard';
import { useJob } from '../job/jobStore';

jest.mock('localforage', () => jest.requireActual<object>('@/platform/storage/fakeForage.fixture'));
jest.mock('@/platform/tabs', () => ({ tellTabs: () => undefined }));
jest.useFakeTimers();

const square = piece('fill', { area: 'M0,0 H10 V10 H0 Z' });
const open = (job: ReturnType<typeof jobOf>): void => useJob.setState({ job, status: 'ready' });

test('a piece pasted into another job brings its thread, with an id of its own', () => {
  const from = jobOf([square]);
  open({ ...from, threads: [{ ...from.threads[0]!, code: 'Z900', name: 'Brick' }] });
  expect(copyToClipboard(['p1'])).toBe(1);
  const to = jobOf([square]);
  open({ ...to, id: 'other', threads: [{ ...to.threads[0]!, code: 'Z100', name: 'Slate' }] });
  const [made] = pasteFromClipboard();
  const { job } = useJob.getState();
  expect(made).not.toBe('p1');
  const pasted = job!.pieces.find((p) => p.id === made)!;
  expect(job!.pieces.map((p) => p.id)).toEqual(['p1', made]);
  expect(job!.threads.find((t) => t.id === pasted.thread)!.name).toBe('Brick');
  expect(job!.threads).toHaveLength(2);
  useJob.getState().undo();
  expect(useJob.getState().job!.pieces).toHaveLength(1);
});

test('pasting twice into the job it came from adds no thread', () => {
  open(jobOf([square]));
  copyToClipboard(['p1']);
  pasteFromClipboard();
  pasteFromClipboard();
  expect(useJob.getState().job!.threads).toHaveLength(1);
  expect(new Set(useJob.getState().job!.pieces.map((p) => p.id)).size).toBe(3);
});
