/** @jest-environment jsdom */
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';

const ran: string[] = [];
const ALL = [
  { name: 'Zoom to the hoop', keys: '1', run: () => ran.push('zoom'), whyNot: () => null },
  { name: 'Join what is chosen', keys: 'J', run: () => ran.push('join'), whyNot: () => 'Choose two pieces first.' },
  { name: 'Turn about', keys: 'T', run: () => ran.push('turn'), whyNot: () => null },
];

import { Palette } from './Palette';

const all = () => ALL;
const closed: boolean[] = [];
const open = (): void => {
  render(<Palette open all={all} onOpenChange={(o) => closed.push(!o)} />);
};
const names = (): string[] => screen.getAllByRole('option').map((o) => o.firstChild!.firstChild!.textContent!);
const later = (): Promise<void> => new Promise((done) => setTimeout(done, 5));

beforeEach(() => {
  ran.splice(0);
  closed.splice(0);
});
afterEach(cleanup);

describe('the list of commands', () => {
  it('has what applies now first, and tells why the rest does not', () => {
    open();
    expect(names()).toEqual(['Zoom to the hoop', 'Turn about', 'Join what is chosen']);
    expect(screen.getByText('Choose two pieces first.')).toBeTruthy();
  });

  it('finds by a part of the name and runs on Enter, once it is closed', async () => {
    open();
    await userEvent.keyboard('turn{Enter}');
    expect(closed).toEqual([true]);
    await later();
    expect(ran).toEqual(['turn']);
  });

  it('goes up and down with the arrows and not beyond the ends', async () => {
    open();
    await userEvent.keyboard('{ArrowUp}{ArrowDown}{ArrowDown}{ArrowDown}{ArrowUp}{Enter}');
    await later();
    expect(ran).toEqual(['turn']);
  });

  it('does nothing with what does not apply, or with nothing found', async () => {
    open();
    await userEvent.click(screen.getByText('Join what is chosen'));
    await userEvent.keyboard('no such thing{Enter}');
    await later();
    expect([ran, closed]).toEqual([[], []]);
    expect(screen.getByText('Nothing is called that. Try another word for it.')).toBeTruthy();
  });
});
