import { textGuides } from './guides';
import { smallLettersMm } from './textJob';

const text = { text: 'Harp\nQuay', face: 'gable', height: 12, at: [5, 20] as [number, number] };

test('a straight text has three level lines for each of its lines, at the base line and at both heights', () => {
  const guides = textGuides(text);
  expect(guides.map((g) => g.of)).toEqual(['base', 'small letters', 'capitals', 'base', 'small letters', 'capitals']);
  for (const { line } of guides) for (const p of line) expect(p.y).toBeCloseTo(line[0]!.y, 6);
  const [base, small, capitals, second] = guides.map((g) => g.line[0]!.y);
  expect(base! - capitals!).toBeCloseTo(12, 6);
  expect(base! - small!).toBeCloseTo(smallLettersMm(text)!, 6);
  expect(second! - base!).toBeGreaterThan(12);
});

test('what a single letter has for itself does not bend them', () => {
  const own = { ...text, text: 'Harp', letters: { 1: { height: 18, shift: [0, 3] as [number, number] } } };
  for (const { line } of textGuides(own)) for (const p of line) expect(p.y).toBeCloseTo(line[0]!.y, 6);
});

test('on an arch they bend with it, as far apart as the heights', () => {
  const [base, , capitals] = textGuides({ ...text, text: 'ARCHED', line: 'arc-up', radius: 40 });
  const radius = (p: { x: number; y: number }, c: { x: number; y: number }): number => Math.hypot(p.x - c.x, p.y - c.y);
  // The middle of the circle lies below the middle of the text.
  const mid = base!.line[Math.floor(base!.line.length / 2)]!;
  const spread = base!.line.map((p) => p.y);
  expect(Math.max(...spread) - Math.min(...spread)).toBeGreaterThan(1);
  expect(radius(mid, capitals!.line[Math.floor(base!.line.length / 2)]!)).toBeCloseTo(12, 1);
});
