/** @jest-environment jsdom */
import { act, cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Job } from '@/core/document/types';
import { jobOf, piece } from '@/core/pieces/fixtures';

jest.mock('localforage', () => jest.requireActual<object>('@/platform/storage/fakeForage.fixture'));
jest.mock('@/platform/tabs', () => ({ tellTabs: () => undefined }));
jest.mock('@/workers/client', () => {
  const never = { call: () => new Promise(() => undefined), replaced: null };
  return { engine: never, easel: never, prover: never, painter: never };
});

import { EMPTY_HISTORY } from '@/session/job/history';
import { useJob } from '@/session/job/jobStore';
import { selectAll, chosenIds } from '@/session/view/viewStore';
import { PieceList } from './PieceList';

const block = (x: number, over = {}) => piece('fill', { area: `M${x},0 h10 v10 h-10 Z`, ...over });
const show = (job: Job): HTMLElement[] => {
  useJob.setState({ job, status: 'ready', history: EMPTY_HISTORY });
  render(<PieceList job={job} />);
  return screen.queryAllByRole('listitem');
};

beforeEach(() => selectAll([]));
afterEach(cleanup);

describe('the sewing order as a list', () => {
  it('shows pieces in the order in which they are sewn, with their kind and lock', () => {
    const rows = show(jobOf([block(0, { name: 'Body' }), piece('run', { name: 'Eye', line: 'M0,0 L5,5', locked: true })]));
    expect(rows.map((r) => /\d/.exec(r.textContent)![0])).toEqual(['1', '2']);
    expect(rows[0]!.textContent).toMatch(/Body\s*fill/i);
    expect(rows[1]!.textContent).toMatch(/Eye\s*run/i);
    expect(rows.map((r) => within(r).queryByLabelText('locked') !== null)).toEqual([false, true]);
  });

  it('chooses a piece by a click, further ones with Shift', async () => {
    const rows = show(jobOf([block(0), block(20), block(40)]));
    const user = userEvent.setup();
    await user.click(within(rows[1]!).getByRole('button'));
    expect(chosenIds()).toEqual(['p2']);
    await user.keyboard('{Shift>}');
    await user.click(within(rows[2]!).getByRole('button'));
    await user.keyboard('{/Shift}');
    expect(chosenIds()).toEqual(['p2', 'p3']);
  });

  const names = (): string[] => useJob.getState().job!.pieces.map((p) => p.name);
  const dragTo = (rows: HTMLElement[], from: number, to: number): void => {
    const dataTransfer = { setData: () => undefined, effectAllowed: '' };
    fireEvent.dragStart(rows[from]!, { dataTransfer });
    fireEvent.dragOver(rows[to]!, { dataTransfer });
    fireEvent.drop(rows[to]!, { dataTransfer });
  };

  it.each([
    [0, 2, ['B', 'C', 'A']],
    [2, 0, ['C', 'A', 'B']],
    [1, 1, ['A', 'B', 'C']],
  ])('row %i dragged to row %i is sewn there, as one step', (from, to, order) => {
    const rows = show(jobOf([block(0, { name: 'A' }), block(20, { name: 'B' }), block(40, { name: 'C' })]));
    dragTo(rows, from, to);
    expect(names()).toEqual(order);
    expect(useJob.getState().history.past).toHaveLength(from === to ? 0 : 1);
    act(() => useJob.getState().undo());
    expect(names()).toEqual(['A', 'B', 'C']);
  });

  it('something else that is dropped on the list changes nothing', () => {
    const rows = show(jobOf([block(0, { name: 'A' }), block(20, { name: 'B' })]));
    fireEvent.drop(rows[0]!, { dataTransfer: { setData: () => undefined } });
    expect(names()).toEqual(['A', 'B']);
  });

  it('says what to do when there is nothing to sew', () => {
    expect(show(jobOf([]))).toEqual([]);
    expect(document.body.textContent).toContain('Nothing to sew yet');
  });
});
