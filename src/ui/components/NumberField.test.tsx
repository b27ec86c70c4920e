/** @jest-environment jsdom */
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { NumberField } from './NumberField';

type Props = Parameters<typeof NumberField>[0];

/** The field of a length between 0.2 and 20 mm, and everything that it gave away. */
function field(over: Partial<Props> = {}) {
  const [taken, drafts]: [number[], (number | null)[]] = [[], []];
  const props: Props = { label: 'Spacing', value: 0.4, unit: 'mm', min: 0.2, max: 20, step: 0.05, onCommit: (v) => taken.push(v), onDraft: (v) => drafts.push(v), ...over }; // prettier-ignore
  render(<NumberField {...props} />);
  const input = screen.getByLabelText<HTMLInputElement>('Spacing');
  const type = async (text: string): Promise<void> => {
    await userEvent.clear(input);
    await userEvent.type(input, text);
  };
  return { input, taken, drafts, type };
}
const problem = (): string | null => screen.queryByRole('alert')?.textContent ?? null;

afterEach(cleanup);

describe('a number that is typed', () => {
  it.each([
    ['0.45', 0.45],
    ['0,45', 0.45],
    ['1.2 cm', 12],
    ['0.5in', 12.7],
  ])('%s is taken as so many millimetres', async (text, mm) => {
    const { taken, type } = field();
    await type(`${text}{Enter}`);
    expect(taken).toEqual([mm]);
    expect(problem()).toBeNull();
  });

  it('is in inches where the person works in inches', async () => {
    const { input, taken, type } = field({ lengthUnit: 'in', value: 12.7 });
    expect(input.value).toBe('0.500');
    await type('0.25{Enter}');
    expect(taken).toEqual([6.35]);
  });

  it('is taken when the field is left, and not when nothing was typed', async () => {
    const { input, taken, type } = field();
    await userEvent.click(input);
    await userEvent.tab();
    expect(taken).toEqual([]);
    await type('3');
    await userEvent.tab();
    expect(taken).toEqual([3]);
  });

  it('that stays the same changes nothing', async () => {
    const { taken, type } = field();
    await type('0.40{Enter}');
    expect(taken).toEqual([]);
  });

  it.each(['0.19', '20.01', 'wide', '-3'])('%s is refused, says what is permitted and leaves the value alone', async (text) => {
    const { input, taken, drafts, type } = field();
    await type(`${text}{Enter}`);
    expect(taken).toEqual([]);
    expect(problem()).toBe('Permitted: 0.2 to 20 mm');
    expect(input.getAttribute('aria-invalid')).toBe('true');
    expect(drafts[drafts.length - 1]).toBeNull();
  });

  it('exactly at a limit is taken', async () => {
    const { taken, type } = field();
    await type('0.2{Enter}');
    await type('20{Enter}');
    expect(taken).toEqual([0.2, 20]);
  });

  it('is told while it is typed, as far as it is permitted', async () => {
    const { drafts, type } = field();
    await type('12');
    // What stands there after the first and after the second figure; before that the field was empty.
    expect(drafts.slice(-2)).toEqual([1, 12]);
    await type('99');
    expect(drafts.slice(-2)).toEqual([9, null]);
  });

  it('is let go by Escape', async () => {
    const { input, taken, type } = field();
    await type('5{Escape}');
    expect(input.value).toBe('0.40');
    expect(taken).toEqual([]);
    expect(document.activeElement).not.toBe(input);
  });

  it('may mean something else, a share say', async () => {
    const shares: string[] = [];
    const { taken, type } = field({ onText: (text) => text.endsWith('%') && shares.push(text) > 0 });
    await type('120%{Enter}');
    expect([shares, taken]).toEqual([['120%'], []]);
    expect(problem()).toBeNull();
  });
});

describe('arrow keys', () => {
  it('step the value, ten times as far with Shift, and stop at the limits', async () => {
    const { input, taken } = field({ value: 19.9, step: 0.25 });
    await userEvent.click(input);
    await userEvent.keyboard('{ArrowDown}{ArrowUp}{Shift>}{ArrowDown}{/Shift}');
    // The value given stays 19.9 here: whoever holds it decides.
    expect(taken).toEqual([19.65, 20, 17.4]);
  });
});
