import { jobOf, piece } from '@/core/pieces/fixtures';
import type { Finding } from '@/core/proof/finding';

jest.mock('localforage', () => jest.requireActual<object>('@/platform/storage/fakeForage.fixture'));
jest.mock('@/platform/tabs', () => ({ tellTabs: () => undefined, onNews: () => () => undefined }));

import { useJob } from '../job/jobStore';
import { acceptFinding } from './proofStore';

const block = (x: number) => piece('fill', { area: `M${x},0 h10 v10 h-10 Z` });
const finding = (...places: string[][]): Finding => ({
  rule: 'seam',
  severity: 'warn',
  pieces: [...new Set(places.flat())],
  places: places.map((pieces) => ({ at: { x: 0, y: 0 }, pieces })),
  at: { x: 0, y: 0 },
  spoilsMm2: 0,
  measured: 1,
  limit: 2,
  unit: 'mm',
  limitFrom: '',
  message: '',
});
const accepted = () => useJob.getState().job!.accepted;

beforeEach(() => useJob.setState({ job: jobOf([block(0), block(20), block(40)]) }));

test('a finding is accepted at all its places, and another of the rule elsewhere is not', () => {
  acceptFinding(finding(['p1', 'p2'], ['p3'], ['p3']), 'meant');
  expect(accepted()).toEqual([
    { rule: 'seam', pieces: ['p1', 'p2'], reason: 'meant' },
    { rule: 'seam', pieces: ['p3'], reason: 'meant' },
  ]);
  acceptFinding(finding(['p2']), 'this too');
  expect(accepted()).toHaveLength(3);
});

test('taking it back takes all its places back, and what was accepted for the whole job', () => {
  acceptFinding(finding(['p1'], ['p2']), 'meant');
  acceptFinding({ ...finding(['p1']), rule: 'other' }, 'stays');
  acceptFinding(finding(['p1'], ['p2']), null);
  expect(accepted()).toEqual([{ rule: 'other', pieces: ['p1'], reason: 'stays' }]);
  useJob.setState({ job: { ...jobOf([block(0)]), accepted: [{ rule: 'seam', pieces: [], reason: 'as before' }] } });
  acceptFinding(finding(['p1'], []), null);
  expect(accepted()).toBeUndefined();
});
