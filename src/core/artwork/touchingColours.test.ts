import { at, box } from '../route/itemFixtures';
import { touchingColours } from './touchingColours';

const paint = (colour: number, x: number, w: number) => ({ colour, painted: box(x, 0, w, 10) });

describe('colours that touch', () => {
  it('are those side by side, not those apart', () => {
    expect(touchingColours([paint(0, 0, 10), paint(1, 10, 10), paint(2, 25, 10)])).toEqual([[0, 1]]);
  });

  it('are told by what is seen: one that lies between keeps two apart', () => {
    const under = [paint(0, 0, 20), paint(1, 20, 20)];
    expect(touchingColours(under)).toEqual([[0, 1]]);
    const pairs = touchingColours([...under, paint(2, 15, 10)])
      .map(String)
      .sort();
    expect(pairs).toEqual(['0,2', '1,2']);
  });

  it('are none of one colour, none at a mere corner, and none of nothing', () => {
    expect(touchingColours([paint(0, 0, 10), paint(0, 10, 10)])).toEqual([]);
    const corner = { colour: 1, painted: [[at(10, 10), at(20, 10), at(20, 20), at(10, 20)]] };
    expect(touchingColours([paint(0, 0, 10), corner])).toEqual([]);
    expect(touchingColours([])).toEqual([]);
  });
});
