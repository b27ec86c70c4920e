import { medialAxis } from '../../geometry/medial';
import { dataToRings } from '../../geometry/path';
import { narrowStretches } from './narrow';

const of = (data: string) => narrowStretches(medialAxis(dataToRings(data)));
const total = (list: readonly { mm: number }[]): number => list.reduce((sum, s) => sum + s.mm, 0);

describe('narrow stretches of a field', () => {
  it('are found with their direction: a tail of 4 mm on a block', () => {
    const tail = of('M0,0H20V8H50V12H20V20H0Z');
    expect(total(tail)).toBeGreaterThan(22);
    expect(total(tail)).toBeLessThan(34);
    for (const { deg } of tail.filter((s) => s.mm > 0.2)) expect(Math.min(deg, 180 - deg)).toBeLessThan(30);
  });

  it('are upright where the tail is', () => {
    const tail = of('M0,0H20V20H12V50H8V20H0Z').filter((s) => s.mm > 0.2);
    expect(tail.length).toBeGreaterThan(0);
    for (const { deg } of tail) expect(Math.abs(deg - 90)).toBeLessThan(30);
  });

  it('are not: what is broad, or hardly longer than wide', () => {
    expect(of('M0,0H40V12H0Z').filter((s) => s.mm > 0.2)).toEqual([]);
    expect(total(of('M0,0H20V8H29V14H20V20H0Z'))).toBeLessThan(6);
    expect(narrowStretches(null)).toEqual([]);
  });
});
