import { colourDifference } from '../cloth/threads';
import { box } from '../route/itemFixtures';
import { neighbourhoodOf } from './directions/neighbourhood';
import { matchThreads } from './matchThreads';

const region = (hex: string, areaMm2 = 100) => ({ hex, areaMm2 });
const NOWHERE = { meetings: [] };

describe('threads for the colours of a drawing', () => {
  it('are one each, numbered as the colours come, of the weight that is asked for', () => {
    const threads = matchThreads([region('#d22f27', 10), region('#1e50a0', 500), region('#d22f27')], NOWHERE, 60);
    expect([...threads.keys()]).toEqual(['#d22f27', '#1e50a0']);
    expect([...threads.values()].map((t) => [t.id, t.weight])).toEqual([['t1', 60], ['t2', 60]]); // prettier-ignore
    for (const [hex, t] of threads) expect(colourDifference(hex, t.hex)).toBeLessThan(5);
  });

  it('are shared by colours that nobody tells apart', () => {
    const threads = matchThreads([region('#808080'), region('#818181'), region('#202020')], NOWHERE, 40);
    expect(threads.get('#808080')).toBe(threads.get('#818181'));
    expect(new Set([...threads.values()].map((t) => t.id)).size).toBe(2);
  });

  it('keep light and shade of what touches, told by what is seen', () => {
    // The two greys touch in the picture; the band that lies between the two reds keeps those apart.
    const areas = [box(0, 0, 20), box(20, 0, 20), box(0, 30, 20), box(20, 30, 20), box(15, 28, 10, 24)];
    const around = neighbourhoodOf(areas);
    const pairs = around.meetings.filter((m) => m.mm >= 1.5).map((m) => m.regions.join());
    expect(pairs.sort()).toEqual(['0,1', '2,4', '3,4']);
    const threads = matchThreads(
      ['#8a8a8a', '#7f7f7f', '#c02020', '#b02020', '#ffffff'].map((hex) => region(hex)),
      around,
      40,
    );
    const luma = (hex: string): number =>
      [1, 3, 5].reduce((sum, k, i) => sum + [0.2126, 0.7152, 0.0722][i]! * parseInt(hex.slice(k, k + 2), 16), 0);
    expect(luma(threads.get('#8a8a8a')!.hex)).toBeGreaterThan(luma(threads.get('#7f7f7f')!.hex));
  });

  it('of nothing are none', () => {
    expect(matchThreads([], NOWHERE, 40).size).toBe(0);
  });
});
