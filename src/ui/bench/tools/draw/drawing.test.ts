import { aimed, lineDone, newDrawing, pieceDrawn, placed, tookBack, type Drawing } from './drawing';

const put = (d: Drawing, ...points: [number, number][]): Drawing =>
  points.reduce((now, [x, y]) => placed(now, { at: { x, y }, shift: false, snapMm: 0.5 }).drawing, d);

test('a run is what was clicked', () => {
  const d = put(newDrawing('run'), [0, 0], [10, 0], [10, 5]);
  expect(pieceDrawn(d, 't1')).toMatchObject({ kind: 'run', line: 'M0,0 L10,0 L10,5' });
  expect(pieceDrawn(put(newDrawing('run'), [0, 0]), 't1')).toBeNull();
});

test('a satin needs two sides, and they are laid the same way', () => {
  const first = put(newDrawing('satin'), [0, 0], [20, 0]);
  expect(pieceDrawn(first, 't1')).toBeNull();
  const { drawing, finished } = lineDone(first);
  expect(finished).toBe(false);
  const both = put(drawing, [20, 4], [0, 4]);
  expect(pieceDrawn(both, 't1')!.sides).toEqual(['M0,0 L20,0', 'M0,4 L20,4']);
  expect(lineDone(both).finished).toBe(true);
});

test('an area closes on its first node', () => {
  const d = put(newDrawing('area'), [0, 0], [10, 0], [10, 10]);
  expect(placed(d, { at: { x: 0.3, y: 0.2 }, shift: false, snapMm: 0.5 }).closed).toBe(true);
  expect(pieceDrawn(d, 't1')!.area).toBe('M0,0 L10,0 L10,10 L0,0 Z');
});

test('backspace takes nodes back, and at last the second side', () => {
  const second = put(lineDone(put(newDrawing('satin'), [0, 0], [20, 0])).drawing, [0, 4]);
  const once = tookBack(second);
  expect(once.lines[1]).toEqual([]);
  expect(tookBack(once).lines).toHaveLength(1);
  expect(tookBack(newDrawing('run')).lines).toEqual([[]]);
});

test('held, directions snap; a curve node bends the line through it', () => {
  const d = put(newDrawing('run'), [0, 0]);
  expect(aimed(d, { at: { x: 10, y: 0.4 }, shift: true, snapMm: 0.5 }).y).toBeCloseTo(0, 9);
  const bent = put({ ...put(newDrawing('run'), [0, 0]), curve: true }, [10, -4], [20, 0]);
  expect(pieceDrawn(bent, 't1')!.line).toContain('C');
});

test('a click on the same place twice sets one node', () => {
  expect(put(newDrawing('run'), [0, 0], [0, 0.01]).lines[0]).toHaveLength(1);
});
