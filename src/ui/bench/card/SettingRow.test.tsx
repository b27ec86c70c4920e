/** @jest-environment jsdom */
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SettingRow } from './SettingRow';

const calls: string[] = [];
const row = (over: Partial<Parameters<typeof SettingRow>[0]> = {}): void => {
  render(
    <SettingRow label="Spacing" from="recipe" why="piqué" onReset={() => calls.push('reset')} {...over}>
      <span>0.40</span>
    </SettingRow>,
  );
};

beforeEach(() => calls.splice(0));
afterEach(cleanup);

describe('a setting in place', () => {
  it('shows its value and says where it came from', () => {
    row({ aside: '63.5 rows per inch' });
    const text = document.querySelector('[data-setting="Spacing"]')!.textContent;
    for (const part of ['Spacing', '0.40', 'recipe', '63.5 rows per inch · piqué']) expect(text).toContain(part);
    expect(screen.queryByRole('button')).toBeNull();
  });

  it('set by hand it can be given back', async () => {
    row({ from: 'hand', why: 'you' });
    await userEvent.click(screen.getByRole('button', { name: 'Spacing: set by hand; reset' }));
    expect(calls).toEqual(['reset']);
  });

  it('chooses what has the same value where that is offered', async () => {
    row({ onLike: () => calls.push('like') });
    await userEvent.click(screen.getByTitle('Choose every piece with the same spacing'));
    expect(calls).toEqual(['like']);
  });

  it('tells what a value being typed would change', () => {
    row({ effect: '+120 stitches' });
    expect(screen.getByRole('status').textContent).toBe('+120 stitches');
  });
});
