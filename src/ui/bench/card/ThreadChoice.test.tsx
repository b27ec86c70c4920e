/** @jest-environment jsdom */
import { cleanup, render, screen, within } from '@testing-library/react';
import { jobOf, piece } from '@/core/pieces/fixtures';

jest.mock('localforage', () => jest.requireActual<object>('@/platform/storage/fakeForage.fixture'));
jest.mock('@/platform/tabs', () => ({ tellTabs: () => undefined }));

import { ThreadChoice } from './ThreadChoice';

afterEach(cleanup);

const job = jobOf([piece('fill', { area: 'M0,0 h10 v10 h-10 Z' })]);
const namesIn = (group: string): string[] =>
  within(screen.getByRole('group', { name: group }))
    .getAllByRole('option')
    .map((o) => o.textContent);

describe('the choice of a thread', () => {
  it('offers the threads of the job, then the nearest cones of the chart, then all of it', () => {
    render(<ThreadChoice job={job} ids={['p1']} value={job.threads[0]!.id} />);
    expect(screen.getAllByRole('group').map((g) => g.getAttribute('label'))).toEqual([
      'In this job',
      'Nearest of the chart',
      'The whole chart',
    ]);
    expect(namesIn('In this job')).toHaveLength(job.threads.length);
    const [near, whole] = [namesIn('Nearest of the chart'), namesIn('The whole chart')];
    expect(near).toHaveLength(10);
    for (const name of near) expect(whole).toContain(name);
    expect(whole.length).toBeGreaterThan(500);
  });

  it('has none that are near where several threads are chosen', () => {
    render(<ThreadChoice job={job} ids={['p1']} value="" mixed="Mixed: 2 threads" />);
    expect(screen.queryByRole('group', { name: 'Nearest of the chart' })).toBeNull();
    expect(screen.getByLabelText<HTMLSelectElement>('Thread of all').value).toBe('');
  });
});
