import fc from 'fast-check';
import { apply } from '../geometry/path';
import { piece } from '../pieces/fixtures';
import type { Piece } from '../document/types';
import { alignedBy, boxOf, distributedBy, type Alignment } from './arrange';
import { mirroredAbout, transformedPiece, turnedAbout } from './transform';

const block = (x: number, y: number, w: number, h: number): Piece => piece('fill', { area: `M${x},${y} h${w} v${h} h${-w} Z` });
const three = [block(0, 0, 4, 10), block(10, 5, 6, 2), block(30, -8, 2, 4)];
const boxesAfter = (pieces: readonly Piece[], moves: ReturnType<typeof alignedBy>) =>
  pieces.map((p, i) => boxOf(transformedPiece(p, moves[i]!)));

test('the box of a piece is that of all that is drawn of it', () => {
  expect(boxOf(piece('satin', { sides: ['M0,0 V10', 'M4,-1 V9'] }))).toEqual({ minX: 0, maxX: 4, minY: -1, maxY: 10 });
  expect(boxOf(block(1, 2, 3, 4))).toEqual({ minX: 1, maxX: 4, minY: 2, maxY: 6 });
});

describe('lining up', () => {
  it.each<[Alignment, 'minX' | 'maxX' | 'minY' | 'maxY', number]>([
    ['left', 'minX', 0],
    ['right', 'maxX', 32],
    ['top', 'minY', -8],
    ['bottom', 'maxY', 10],
  ])('%s: all share that edge of what they took up together', (how, edge, at) => {
    for (const box of boxesAfter(three, alignedBy(three, how))) expect(box[edge]).toBeCloseTo(at, 3);
  });

  it('centre and middle: all have one middle', () => {
    for (const box of boxesAfter(three, alignedBy(three, 'centre'))) expect((box.minX + box.maxX) / 2).toBeCloseTo(16, 3);
    for (const box of boxesAfter(three, alignedBy(three, 'middle'))) expect((box.minY + box.maxY) / 2).toBeCloseTo(1, 3);
  });

  it('a single piece goes to the middle of the hoop', () => {
    const [box] = boxesAfter([three[1]!], alignedBy([three[1]!], 'centre'));
    expect((box!.minX + box!.maxX) / 2).toBeCloseTo(0, 3);
    expect(box!.minY).toBeCloseTo(5, 3);
  });
});

describe('spreading out', () => {
  it('makes gaps equal and leaves the outermost where they are', () => {
    const across = boxesAfter(three, distributedBy(three, 'across'));
    expect(across[0]!.minX).toBeCloseTo(0, 3);
    expect(across[2]!.maxX).toBeCloseTo(32, 3);
    expect(across[1]!.minX - across[0]!.maxX).toBeCloseTo(across[2]!.minX - across[1]!.maxX, 3);
  });

  it('works downwards by height, whatever the order of the list', () => {
    const list = [three[2]!, three[0]!, three[1]!, block(0, 40, 3, 3)];
    const boxes = boxesAfter(list, distributedBy(list, 'down')).sort((a, b) => a.minY + a.maxY - b.minY - b.maxY);
    const gaps = boxes.slice(1).map((b, i) => b.minY - boxes[i]!.maxY);
    gaps.forEach((g) => expect(g).toBeCloseTo(gaps[0]!, 2));
  });

  it('two pieces have nothing to spread', () => {
    const two = three.slice(0, 2);
    expect(boxesAfter(two, distributedBy(two, 'across'))).toEqual(two.map(boxOf));
  });
});

describe('turning and mirroring', () => {
  it('a quarter counter-clockwise takes the right to the top', () => {
    const p = apply(turnedAbout({ x: 1, y: 1 }, 90), { x: 4, y: 1 });
    expect(p.x).toBeCloseTo(1, 9);
    expect(p.y).toBeCloseTo(-2, 9);
  });

  it('a direction set by hand turns with the piece and is mirrored with it', () => {
    const rows = piece('fill', { area: 'M0,0 h10 v10 h-10 Z' }, { angle: 30 });
    expect(transformedPiece(rows, turnedAbout({ x: 0, y: 0 }, 40)).settings.angle).toBeCloseTo(70, 3);
    expect(transformedPiece(rows, turnedAbout({ x: 0, y: 0 }, 160)).settings.angle).toBeCloseTo(10, 3);
    expect(transformedPiece(rows, mirroredAbout('vertical', 3)).settings.angle).toBeCloseTo(150, 3);
    expect(transformedPiece(rows, mirroredAbout('level', 3)).settings.angle).toBeCloseTo(150, 3);
  });

  it('mirroring twice and turning there and back change nothing', () => {
    const full: Piece = {
      ...piece('fill', { area: 'M0,0 h10 v6 h-10 Z' }, { angle: 25 }),
      start: [0, 0],
      end: [10, 6],
      carve: 'M1,1 L9,5',
    };
    fc.assert(
      fc.property(fc.integer({ min: -170, max: 170 }), fc.integer({ min: -20, max: 20 }), (degrees, at) => {
        const centre = { x: at, y: -at };
        const turned = transformedPiece(transformedPiece(full, turnedAbout(centre, degrees)), turnedAbout(centre, -degrees));
        const mirrored = transformedPiece(transformedPiece(full, mirroredAbout('vertical', at)), mirroredAbout('vertical', at));
        for (const back of [turned, mirrored]) {
          const [a, b] = [boxOf(back), boxOf(full)];
          for (const edge of ['minX', 'maxX', 'minY', 'maxY'] as const) expect(a[edge]).toBeCloseTo(b[edge], 2);
          expect(back.start![0]).toBeCloseTo(0, 2);
          expect(back.end![1]).toBeCloseTo(6, 2);
          expect(back.settings.angle).toBeCloseTo(25, 2);
        }
      }),
      { seed: 6, numRuns: 30 },
    );
  });
});
