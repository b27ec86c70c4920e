import { digitize } from './digitize';
import { answerFor, sizeFacts, sizePlaces } from './sizeReport';
import { readSvg } from './readSvg';
import type { ArtAnswer, ArtAnswerKind } from '../document/types';

const svg = (body: string) => readSvg(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 60" width="100" height="60">${body}</svg>`);
const frame = '<path d="M0,0 H100 V60 H0 Z M5,5 V55 H95 V5 Z" fill="#123456"/>';
const at = (body: string, answers: ArtAnswer[] = []) => digitize(svg(frame + body), { width: 100, cloth: 'pique', settings: {}, answers });
/** The place of a kind, and the same drawing with an answer to it. */
function answering(body: string, answer: ArtAnswerKind) {
  const before = at(body);
  const place = sizePlaces(before.drawn)[0]!;
  const m = before.art.matrix;
  const given: ArtAnswer = { at: [(place.at.x - m[4]) / m[0], (place.at.y - m[5]) / m[3]], place: place.kind, answer };
  return { before, place, after: at(body, [given]), given };
}

test('a drawing that is large enough has no places', () => {
  const { drawn } = at('<rect x="20" y="20" width="20" height="6" fill="#aa0000"/><circle cx="70" cy="30" r="8" fill="#00aa00"/>');
  expect(sizePlaces(drawn)).toEqual([]);
});

test('a bar of 0.5 mm is found with its width, and widened or dropped', () => {
  const bar = '<rect x="20" y="20" width="20" height="0.5" fill="#aa0000"/>';
  const { place, after } = answering(bar, 'widen');
  expect(place.kind).toBe('thin');
  expect(place.measuredMm).toBeCloseTo(0.5, 1);
  const widened = after.report.regions.find((r) => r.hex === '#aa0000')!;
  expect(widened.width.median).toBeGreaterThan(1.1);
  expect(widened.width.median).toBeLessThan(1.3);
  expect(sizePlaces(after.report.regions)).toEqual([]);
  const dropped = answering(bar, 'drop');
  expect(dropped.after.pieces).toHaveLength(dropped.before.pieces.length - 1);
});

test('a waist in a large shape is widened where it is thin only', () => {
  const { place, before, after } = answering(
    '<path d="M20,20 H30 V29.7 H40 V20 H50 V40 H40 V30.3 H30 V40 H20 Z" fill="#aa0000"/>',
    'widen',
  );
  expect(place.measuredMm).toBeCloseTo(0.6, 1);
  const area = (d: typeof before) => d.report.regions.find((r) => r.hex === '#aa0000')!.areaMm2;
  expect(area(after) - area(before)).toBeGreaterThan(3);
  expect(area(after) - area(before)).toBeLessThan(9);
});

test('a slit is closed or widened', () => {
  const slit = '<path d="M20,20 H50 V40 H20 Z M25,29.8 V30.2 H45 V29.8 Z" fill="#aa0000"/>';
  const region = (d: ReturnType<typeof at>) => d.report.regions.find((r) => r.hex === '#aa0000')!;
  const closed = answering(slit, 'merge');
  expect(closed.place.kind).toBe('opening');
  expect(region(closed.after).area).toHaveLength(1);
  const widened = answering(slit, 'widen');
  expect(region(widened.after).area).toHaveLength(2);
  expect(sizePlaces(widened.after.report.regions)).toEqual([]);
});

test('two parts of one colour with a hair between them become one, or move apart', () => {
  const two = '<rect x="20" y="20" width="12" height="12" fill="#aa0000"/><rect x="32.4" y="20" width="12" height="12" fill="#aa0000"/>';
  const merged = answering(two, 'merge');
  expect(merged.place).toMatchObject({ kind: 'gap' });
  expect(merged.place.measuredMm).toBeCloseTo(0.4, 1);
  expect(merged.after.report.regions.filter((r) => r.hex === '#aa0000')).toHaveLength(1);
  const apart = answering(two, 'widen');
  expect(sizePlaces(apart.after.report.regions)).toEqual([]);
  expect(apart.after.report.regions.filter((r) => r.hex === '#aa0000')).toHaveLength(2);
});

test('an answer is found again at another size, and leaving changes nothing', () => {
  const bar = '<rect x="20" y="20" width="20" height="0.4" fill="#aa0000"/>';
  const { before, after, given } = answering(bar, 'leave');
  expect(after.pieces).toEqual(before.pieces);
  const larger = digitize(svg(frame + bar), { width: 120, cloth: 'pique', settings: {} });
  const place = sizePlaces(larger.drawn)[0]!;
  expect(answerFor(place, [given], larger.art.matrix)).toBe(given);
});

test('the figures people look for first', () => {
  const { drawn } = at(
    '<path d="M20,20 H50 V40 H20 Z M25,28 V31 H45 V28 Z" fill="#aa0000"/><rect x="60" y="20" width="30" height="2" fill="#00aa00"/>',
  );
  const facts = sizeFacts(drawn, 9);
  expect(facts.thinnestMm).toBeCloseTo(2, 1);
  expect(facts.narrowestOpeningMm).toBeCloseTo(3, 1);
  expect(facts.widestSatinMm).toBeGreaterThan(4.9);
});
