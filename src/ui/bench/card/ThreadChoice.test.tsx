/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { jobOf, piece } from '@/core/pieces/fixtures';

jest.mock('localforage', () => jest.requireActual<object>('@/platform/storage/fakeForage.fixture'));
jest.mock('@/platform/tabs', () => ({ tellTabs: () => undefined }));

import { THREAD_CHART } from '@/core/cloth/threads';
import { EMPTY_HISTORY } from '@/session/job/history';
import { useJob } from '@/session/job/jobStore';
import { ThreadChoice } from './ThreadChoice';

afterEach(cleanup);

const job = jobOf([piece('fill', { area: 'M0,0 h10 v10 h-10 Z' })]);
const namesIn = (group: string): string[] =>
  within(screen.getByRole('group', { name: group }))
    .getAllByRole('option')
    .map((o) => o.textContent);
const openList = (name: RegExp): void => void fireEvent.click(screen.getByRole('button', { name }));
const type = (typed: string): HTMLElement => {
  const field = screen.getByRole('combobox');
  fireEvent.change(field, { target: { value: typed } });
  return field;
};

describe('the choice of a thread', () => {
  it('offers the threads of the job, then the nearest cones of the chart, then all of it', () => {
    render(<ThreadChoice job={job} ids={['p1']} value={job.threads[0]!.id} />);
    openList(/^Thread: /);
    expect(screen.getAllByRole('group').map((g) => g.getAttribute('aria-label'))).toEqual([
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
    openList(/^Thread of all: Mixed: 2 threads/);
    expect(screen.queryByRole('group', { name: 'Nearest of the chart' })).toBeNull();
  });

  it('finds a cone by its code, and takes what the keys come to', () => {
    useJob.setState({ job, status: 'ready', history: EMPTY_HISTORY });
    const cone = THREAD_CHART[200]!;
    render(<ThreadChoice job={job} ids={['p1']} value={job.threads[0]!.id} />);
    openList(/^Thread: /);
    const field = type(cone.code.toLowerCase());
    expect(screen.getAllByRole('option')[0]).toHaveProperty('textContent', `${cone.name}${cone.code}`);
    fireEvent.keyDown(field, { key: 'Enter' });
    const now = useJob.getState().job!;
    expect(now.threads.find((t) => t.id === now.pieces[0]!.thread)).toMatchObject({ code: cone.code, hex: cone.hex });
    expect(screen.queryByRole('listbox')).toBeNull();
  });

  it('says when no cone is called that', () => {
    render(<ThreadChoice job={job} ids={['p1']} value={job.threads[0]!.id} />);
    openList(/^Thread: /);
    fireEvent.keyDown(type('no such cone'), { key: 'Enter' });
    expect(screen.getByText('No cone is called that.')).toBeDefined();
  });
});
