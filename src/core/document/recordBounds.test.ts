import { piece } from '../pieces/fixtures';
import { FIELD_MM, requireBounds } from './recordBounds';

const at = (d: string) => () => requireBounds([piece('fill', { area: d })]);

test.each([
  `M0,0 L${FIELD_MM},0 L0,${-FIELD_MM} Z`,
  `m0,0 h${FIELD_MM} v-${FIELD_MM} z`,
  'M-1.5e2,0 L0,10 L10,0 Z',
  'M0,0 A9000,9000 0 0 1 100,0 Z',
])('%s lies in the field', (d) => expect(at(d)).not.toThrow());

test.each([
  `M0,0 L${FIELD_MM + 1},0 L0,5 Z`,
  'M0,0 L400000000,0 L0,5 Z',
  `m0,0 h${FIELD_MM} h1 v5 z`,
  'M0,0 C0,0 7000,0 5,5 Z',
  'M0,0 L1e9,0 L0,5 Z',
])('%s does not, and the piece is named', (d) => expect(at(d)).toThrow(/piece .* reaches/));

test('more nodes than thread can follow are refused, in one piece or in all together', () => {
  const comb = (n: number) => `M0,0${Array.from({ length: n }, (_, i) => `L${(i % 500) / 10},${i % 2}`).join('')}Z`;
  expect(at(comb(19_000))).not.toThrow();
  expect(at(comb(20_100))).toThrow(/more nodes/);
  expect(() => requireBounds(Array.from({ length: 22 }, () => piece('fill', { area: comb(19_000) })))).toThrow(/more nodes/);
});
