import { drawInOf } from '../../cloth/drawIn';
import { recipeOf } from '../../cloth/recipes';
import type { ClothKey, JobSettings, PieceSettings } from '../../document/types';
import { pulledRows, pullCompFor } from './compensation';
import { evenPull, pulledAt, pullThrough } from './pull';

interface Asked {
  width: number;
  cloth?: ClothKey;
  own?: PieceSettings;
  rows?: readonly [number, number];
  thinBars?: boolean;
  settings?: JobSettings;
}

const compensated = ({ width, cloth = 'twill', own = {}, rows = [width, width], thinBars = true, settings = {} }: Asked) =>
  pullCompFor({ own, widthMm: width, rowsMm: () => rows, recipe: recipeOf(cloth), settings, thinBars });

describe('what is added at the ends of rows', () => {
  it('is the recipe’s figure at rows of 10 mm, less at shorter ones and more at longer ones', () => {
    for (const cloth of ['twill', 'pique', 'jersey', 'felt'] as const) {
      const { law } = compensated({ width: 10, cloth });
      expect(pulledAt(law, 10)).toBeCloseTo(recipeOf(cloth).pullComp, 9);
      const at = [0, 0.5, 1, 2, 5, 10, 20, 30, 40].map((mm) => pulledAt(law, mm));
      expect(at[0]).toBe(0);
      for (let i = 1; i < at.length; i++) expect(at[i]).toBeGreaterThanOrEqual(at[i - 1]!);
      expect(at[3]).toBeLessThan(at[5]!);
      expect(at[8]).toBeGreaterThan(at[5]!);
    }
  });

  it('grows by the same with every mm as the cloth draws in, up to rows of 100 mm', () => {
    const law = pullThrough(0.3, 10, 0.001);
    // What the holes give has come to an end at long rows: 0.3 = end / (1 + 0.6 / 10) + 10 * 0.001.
    const end = (0.3 - 0.01) * 1.06;
    expect(pulledAt(law, 40)).toBeCloseTo((end * 40) / 40.6 + 40 * 0.001, 9);
    expect(pulledAt(law, 100)).toBeCloseTo((end * 100) / 100.6 + 0.1, 9);
    expect(pulledAt(law, 250) - pulledAt(law, 100)).toBeLessThan(0.003);
  });

  it('never counts more than six tenths of its figure to the cloth as a whole', () => {
    expect(pullThrough(0.1, 10, 1).perMm).toBeCloseTo(0.006, 9);
    expect(pullThrough(0.1, 10, 0.001).perMm).toBe(0.001);
  });

  it('leaves long rows a little short rather than seen to be fat, until that would be seen by everybody', () => {
    const firm = pullThrough(0.3, 10, 0.01);
    // Some 0.8 mm would be needed at 60 mm; more than 0.45 is not added: with half a thread that is 0.65 beyond the drawing.
    expect(pulledAt(firm, 60)).toBeCloseTo(0.45, 9);
    const soft = pullThrough(0.6, 10, 0.03);
    const needed = (mm: number): number => ((0.6 - 0.3) * 1.06 * mm) / (mm + 0.6) + 0.03 * mm;
    expect(needed(70)).toBeGreaterThan(2.1);
    expect(pulledAt(soft, 70)).toBeCloseTo(needed(70), 6);
    expect(pulledAt(soft, 30)).toBeCloseTo(Math.max(0.6, needed(30) - 0.8), 6);
  });

  it('is even where a person set it, in mm or in percent', () => {
    expect([0, 3, 80].map((mm) => pulledAt(evenPull(0.25), mm))).toEqual([0.25, 0.25, 0.25]);
    const byHand = compensated({ width: 3, own: { pullComp: 0.3 }, rows: [1, 40] });
    expect([byHand.value, byHand.least, byHand.most, byHand.from]).toEqual([0.3, 0.3, 0.3, 'hand']);
    const percent = compensated({ width: 3.3, own: { pullCompPercent: 115 } });
    // Half of 15 % of 3.3 mm at each end.
    expect(Math.abs(percent.value - 0.2475)).toBeLessThanOrEqual(0.0006);
    expect(percent.why).toContain('115 %');
    expect(compensated({ width: 3, own: { pullCompPercent: 115, pullComp: 0.3 } }).value).toBe(0.3);
  });
});

describe('the rule for a piece', () => {
  it('tells what its shortest and longest rows get', () => {
    const made = compensated({ width: 10, rows: [1, 40] });
    expect(made.least).toBeCloseTo(pulledAt(made.law, 1), 2);
    expect(made.most).toBeCloseTo(pulledAt(made.law, 40), 2);
    expect(made.least).toBeLessThan(made.value);
    expect(made.most).toBeGreaterThan(made.value);
  });

  it('asks for the rows once, and only when somebody wants to see them', () => {
    let asked = 0;
    const made = pullCompFor({
      ...{ own: {}, widthMm: 5, recipe: recipeOf('twill'), settings: {}, thinBars: true },
      rowsMm: () => (asked++, [2, 8]),
    });
    expect(asked).toBe(0);
    expect(made.least).toBeLessThan(made.most);
    expect(asked).toBe(1);
  });

  it('sews thin satin 1 mm wide at least, but never widens it past that', () => {
    for (const width of [0.5, 0.6, 0.7, 0.8]) {
      const made = compensated({ width });
      expect(made.from).toBe('rule');
      expect(made.why).toContain('1.0 mm wide at least');
      const sewn = width + 2 * pulledAt(made.law, width);
      expect(sewn).toBeLessThanOrEqual(1.001);
      // As much as is missing, or as much as the recipe gives.
      expect(sewn).toBeCloseTo(Math.min(1, width + 2 * recipeOf('twill').pullComp), 2);
    }
    expect(compensated({ width: 0.7, thinBars: false }).from).toBe('recipe');
    expect(compensated({ width: 1.2 }).from).toBe('recipe');
  });

  it('gives bars under 2.5 mm on soft cloth half a millimetre', () => {
    expect(compensated({ width: 2.4, cloth: 'jersey' }).value).toBeGreaterThanOrEqual(0.5);
    const bar = compensated({ width: 2.4, cloth: 'pique' });
    expect([bar.value, bar.from]).toEqual([0.5, 'rule']);
    expect(compensated({ width: 2.5, cloth: 'pique' }).from).toBe('recipe');
    expect(compensated({ width: 2.4, cloth: 'pique', thinBars: false }).from).toBe('recipe');
  });

  it('adds 0.2 mm for every mm of foam', () => {
    const plain = compensated({ width: 6 });
    for (const foam of [2, 3]) expect(compensated({ width: 6, own: { foam } }).value).toBeCloseTo(plain.value + 0.2 * foam, 2);
  });

  it('grows less where the stabilizer holds the cloth', () => {
    const jersey = recipeOf('jersey');
    const growth = (stabilizer: string): number =>
      pullCompFor({ own: {}, widthMm: 10, rowsMm: () => [10, 10], recipe: { ...jersey, stabilizer }, settings: {}, thinBars: false }).law
        .perMm;
    expect(growth('heavy cutaway, two layers')).toBeLessThan(growth('light tear-away'));
    const faster = { ...jersey, speed: jersey.speed * 1.3 };
    expect(drawInOf(faster, {}).shortening).toBeGreaterThan(drawInOf(jersey, {}).shortening);
  });

  it('takes a piece’s width for its rows where the piece knows no better', () => {
    const ctx = { recipe: recipeOf('twill'), settings: {}, threadWeight: 40 };
    const facts = { widthMm: 4, angleDeg: 0 };
    expect(pulledRows({}, facts, 30, ctx).rowsMm()).toEqual([4, 4]);
    const known = { ...facts, rowsMm: (deg: number): [number, number] => [deg, 2 * deg] };
    expect(pulledRows({}, known, 30, ctx).rowsMm()).toEqual([30, 60]);
  });
});
