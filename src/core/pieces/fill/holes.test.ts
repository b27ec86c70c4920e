import type { Piece } from '../../document/types';
import { outlineOf } from '../../geometry/outline';
import { transformedPiece, turnedAbout } from '../../editing/transform';
import { prepareShape } from '../registry';
import { openingsOf, switchOpening } from './holes';

const square = (x: number, y: number, side: number): string => `M${x} ${y}h${side}v${side}h${-side}Z`;
/** 40 mm with a hole of 10 mm at the left, and one of 6 mm at the right that holds an island of 2 mm. */
const holed: Piece = {
  id: 'p1',
  name: 'plate',
  kind: 'fill',
  thread: 't1',
  area: [square(-20, -20, 40), square(-15, -5, 10), square(5, -3, 6), square(7, -1, 2)].join(' '),
  settings: {},
};
const listed = (p: Piece): { areaMm2: number; edgeMm: number; sewnOver: boolean }[] => openingsOf(outlineOf(p.area!).area, p);
const areaOfPiece = (p: Piece): number => prepareShape(p)!.areaMm2;

describe('openings of a fill', () => {
  it('lists them by size with the length of their edges', () => {
    expect(listed(holed).map((o) => [o.areaMm2, o.edgeMm, o.sewnOver])).toEqual([
      [100, 40, false],
      [36, 24, false],
    ]);
  });

  it('sews over one and leaves the other', () => {
    const over = switchOpening(holed, { x: -10, y: 0 });
    expect(listed(over).map((o) => o.sewnOver)).toEqual([true, false]);
    expect(areaOfPiece(holed)).toBeCloseTo(1600 - 100 - 36 + 4, 6);
    expect(areaOfPiece(over)).toBeCloseTo(1600 - 36 + 4, 6);
  });

  it('takes in an island when the opening around it is sewn over', () => {
    expect(areaOfPiece(switchOpening(holed, { x: 6, y: -2 }))).toBeCloseTo(1600 - 100, 6);
  });

  it('goes back to what it was when switched twice', () => {
    const back = switchOpening(switchOpening(holed, { x: -10, y: 0 }), { x: -10, y: 0 });
    expect(back.sewnOver).toEqual([]);
    expect(areaOfPiece(back)).toBe(areaOfPiece(holed));
  });

  it('keeps the choice when the piece is turned', () => {
    const turned = transformedPiece(switchOpening(holed, { x: -10, y: 0 }), turnedAbout({ x: 3, y: 4 }, 37));
    expect(listed(turned).map((o) => o.sewnOver)).toEqual([true, false]);
  });

  it('has nothing to switch in the solid part', () => {
    expect(switchOpening(holed, { x: 18, y: 18 })).toBe(holed);
  });

  it('leaves no opening when all are sewn over by the setting', () => {
    expect(areaOfPiece({ ...holed, settings: { openings: 'sew-over' } })).toBeCloseTo(1600, 6);
  });
});
