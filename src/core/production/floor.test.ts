import { jobOf, piece } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import { stitchesOf } from '../plan/measure';
import { Command } from '../stitches/roles';
import type { CopyPlace, Job } from '../document/types';
import { agreedTo } from '../document/folder';
import { patch } from './fixtures';
import { worksheetOf } from './worksheet';
import { copiesOf, countedCopies, laidOut, otherCloths, placed } from './floor';
import { produce } from './produce';
import { DEFAULT_WORK } from '../document/shop/work';
import { DEFAULT_RATES } from '../document/shop/rates';

const planner = new Planner();
const planOf = (job: Job) => planner.plan(job);
const { job: badge } = patch(14);
const bar: Job = { ...jobOf([piece('satin', { line: 'M-12,0 H12', width: 4 })], 'twill'), id: 'bar', name: 'Bar' };
const at = (x: number, y: number, of?: string): CopyPlace => ({ x, y, turn: 0, ...(of === undefined ? {} : { of }) });
const beside = [{ id: 'b', name: 'Bar', from: 'bar', job: bar }];
const laid = (copies: CopyPlace[]): Job => ({ ...badge, floor: { beside, copies, hoop: { width: 150, height: 150, shape: 'rect' } } });

describe('another job in the hoop', () => {
  test('is sewn stitch for stitch in its own threads, beside the job’s own copies', () => {
    const job = laid([at(-30, 0), at(30, 0), at(0, 40, 'b')]);
    const { sheet, designs } = laidOut(job, planOf);
    expect(stitchesOf(sheet.plan)).toBe(2 * stitchesOf(planOf(badge)) + stitchesOf(planOf(bar)));
    expect(designs.map((d) => [d.id, d.name])).toEqual([
      [undefined, badge.name],
      ['b', 'Bar'],
    ]);
    const own = planOf(bar);
    const sewn = (plan: typeof own, dy: number) =>
      Array.from(plan.x, (x, i) => `${x.toFixed(2)} ${(plan.y[i]! - dy).toFixed(2)} ${plan.command[i] === Command.stitch}`);
    const whole = new Set(sewn(sheet.plan, 40));
    expect(sewn(own, 0).filter((p) => p.endsWith('true') && !whole.has(p))).toEqual([]);
  });

  test('counts for time and thread, not for the quantity and not for the price of this one', () => {
    const job = laid([at(-30, 0), at(30, 0), at(0, 40, 'b')]);
    expect(countedCopies(job)).toBe(2);
    const { sheet, share } = laidOut(job, planOf);
    const [ours, theirs] = [2 * stitchesOf(planOf(badge)), stitchesOf(planOf(bar))];
    expect(share).toBeCloseTo(ours / (ours + theirs), 9);
    const made = (perHoop: number, of?: number) =>
      produce(
        { ...sheet, perHoop, hoop: job.floor!.hoop!, quantity: 10, ...(of === undefined ? {} : { share: of }) },
        { habits: DEFAULT_WORK, rates: { ...DEFAULT_RATES, by: 'thousand' } },
      );
    expect(made(2, share).runs.runs).toBe(5);
    expect(made(2, share).price!.total).toBeLessThan(made(2).price!.total);
    const alone = laidOut({ ...badge, floor: { copies: [at(0, 0)] } }, planOf).sheet;
    const single = produce(
      { ...alone, perHoop: 1, hoop: badge.brief.hoop, quantity: 10 },
      { habits: DEFAULT_WORK, rates: { ...DEFAULT_RATES, by: 'thousand' } },
    );
    expect(made(2, share).price!.total).toBeCloseTo(single.price!.total, 1);
  });

  test('made for another cloth is told, and only while it lies in the hoop', () => {
    const other = {
      ...badge,
      floor: { beside: [{ ...beside[0]!, job: { ...bar, brief: { ...bar.brief, cloth: 'jersey' as const } } }], copies: [at(0, 0, 'b')] },
    };
    expect(otherCloths(other).join()).toMatch(/‘Bar’ was made for/);
    expect(otherCloths({ ...other, floor: { ...other.floor, copies: [at(0, 0)] } })).toEqual([]);
  });

  test('whose design is gone leaves the hoop to the job itself', () => {
    const job: Job = { ...badge, floor: { copies: [at(0, 0, 'gone')] } };
    expect(stitchesOf(laidOut(job, planOf).sheet.plan)).toBe(stitchesOf(planOf(badge)));
  });

  test('is placed with its number of copies, clear of all others', () => {
    const job = laid([at(0, 0)]);
    const places = placed(job, planOf, { copies: 2, beside: { b: 3 }, nest: false });
    expect([places.filter((p) => p.of === undefined).length, places.filter((p) => p.of === 'b').length]).toEqual([2, 3]);
    const { clear, onOther } = laidOut({ ...job, floor: { ...job.floor, copies: places } }, planOf);
    expect([clear.every(Boolean), onOther.some(Boolean)]).toEqual([true, false]);
    expect(() => placed(job, planOf, { copies: 30, beside: { b: 30 }, nest: false })).toThrow(/\d+ would/);
  });
});

describe('names in the hoop', () => {
  const text = piece('lettering', { lettering: { text: 'Crew', face: 'treadle', height: 8 } });
  const crest = piece('satin', { line: 'M-10,12 H10', width: 3 });
  const shirt: Job = { ...jobOf([text, crest]), name: 'Shirt' };
  const named = (words: string[], fit: 'height' | 'width' = 'height'): Job => ({
    ...shirt,
    floor: {
      hoop: { width: 200, height: 140, shape: 'rect' },
      beside: words.map((w, i) => ({ id: `n${i}`, name: w, text: { piece: text.id, words: w, fit } })),
    },
  });

  test('each takes the text’s place in a copy of the whole design, and all count as garments', () => {
    const job = named(['Ana', 'Bo', 'Carlotta']);
    const copies = placed(job, planOf, { copies: 0, beside: { n0: 1, n1: 1, n2: 1 }, nest: false });
    const full = { ...job, floor: { ...job.floor!, copies } };
    expect(copies.map((c) => c.of)).toEqual(['n0', 'n1', 'n2']);
    expect(countedCopies(full)).toBe(3);
    const { sheet, designs, clear, onOther, share } = laidOut(full, planOf);
    expect([clear.every(Boolean), onOther.some(Boolean), share]).toEqual([true, false, 1]);
    expect([sheet.job.name, sheet.job.brief.hoop.width, sheet.job.floor]).toEqual(['Shirt', 200, undefined]);
    // What was approved is the design, not the sheet of its copies.
    const approved = { ...full, approval: { on: '2026-03-02', by: 'Ada', of: agreedTo(full) } };
    const told = (of: Job) => worksheetOf({ job: sheet.job, plan: sheet.plan, of }).approval;
    expect(told(approved)).toBe('Approved on 2026-03-02 by Ada.');
    expect(told({ ...approved, pieces: approved.pieces.slice(1) })).toMatch(/CHANGED SINCE/);
    expect(designs.map((d) => d.job.pieces.find((p) => p.lettering)!.lettering!.text)).toEqual(['Crew', 'Ana', 'Bo', 'Carlotta']);
    const crests = sheet.job.pieces.filter((p) => p.id.startsWith(`${crest.id}-`));
    expect(crests).toHaveLength(3);
    const wide = designs.map((d) => d.box.maxX - d.box.minX);
    expect(wide[3]!).toBeGreaterThan(wide[1]!);
  });

  test('no wider than the text, a long name is lower', () => {
    const heights = (fit: 'height' | 'width') =>
      laidOut(named(['Bartholomew'], fit), planOf).designs[1]!.job.pieces.find((p) => p.lettering)!.lettering!.height;
    expect(heights('height')).toBe(8);
    expect(heights('width')).toBeLessThan(8);
  });

  test('one that cannot be set is refused with the reason', () => {
    expect(() => laidOut(named(['漢字']), planOf)).toThrow(/no ‘漢’/);
  });
});

test('a single copy where it was drawn is sewn with its own links; the floor’s hoop holds it', () => {
  const hoop = { width: 240, height: 240, shape: 'rect' } as const;
  const { sheet } = laidOut({ ...badge, floor: { hoop } }, planOf);
  expect(sheet.plan).toEqual(planOf(badge));
  expect(sheet.job.brief.hoop).toEqual(hoop);
  expect(copiesOf(badge)).toHaveLength(1);
});
