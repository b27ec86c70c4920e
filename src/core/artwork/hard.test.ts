import { InputError } from '../document/errors';
import { Planner } from '../plan/planner';
import { digitize } from './digitize';
import { jobFromArt } from './newJob';
import { readSvg } from './readSvg';

const svg = (body: string): string => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100">${body}</svg>`;
const GOOD = '<rect id="block" x="20" y="20" width="50" height="40" fill="#135"/>';
const made = (body: string, width = 80) =>
  jobFromArt(readSvg(svg(body)), { id: 'x', name: 'x', file: 'x.svg', brief: { cloth: 'pique', size: { width } } });
const many = (n: number, of: (i: number) => string): string => Array.from({ length: n }, (_, i) => of(i)).join('');
const refusal = (body: string): string => {
  try {
    made(body);
    return 'accepted';
  } catch (error) {
    return error instanceof InputError ? error.message : `crashed: ${(error as Error).message}`;
  }
};

describe('shapes of which nothing can be made leave the rest to be sewn', () => {
  it.each([
    ['a closed stroke on one place', '<path d="M50,50h0v0z" stroke="#456" fill="none" stroke-width="2"/>'],
    ['a circle of no size', '<circle cx="50" cy="50" r="1e-7" stroke="#456" stroke-width="0.1"/>'],
    ['a polygon of one point', '<polygon points="5,5" stroke="#456"/>'],
    ['a polygon of one point, thrice', '<polygon points="5,5 5,5 5,5" stroke="#456" stroke-width="2"/>'],
    ['a hair across', '<path d="M0,50H100" stroke="#456" stroke-width="1e-6"/>'],
    ['a map that flattens', '<g transform="scale(0)"><circle r="20"/></g>'],
  ])('%s', (_, bad) => {
    const { job } = made(GOOD + bad);
    expect(job.pieces.some((p) => p.name === 'Block')).toBe(true);
    expect(new Planner().plan(job).x.length).toBeGreaterThan(500);
  });

  it('and are named where they were left out', () => {
    const scribble = many(5000, (i) => `L${(50 + 40 * Math.sin(i * 1.7)).toFixed(2)},${(50 + 40 * Math.cos(i * 2.3)).toFixed(2)}`);
    const doc = readSvg(svg(`${GOOD}<path id="scribble" d="M50,50${scribble}Z"/><rect id="far" x="1e9" width="20" height="20"/>`));
    const { art, pieces } = digitize(doc, { width: 80, cloth: 'pique', settings: {} });
    expect(Object.fromEntries(art.leftOut)).toEqual({
      scribble: expect.stringMatching(/crosses itself/) as string,
      far: expect.stringMatching(/far outside/) as string,
    });
    expect(pieces.length).toBeGreaterThan(0);
    expect(art.width).toBeCloseTo(80, 1);
  });
});

describe('drawings that would take for ever are refused in a sentence', () => {
  it.each([
    [
      'uses within uses that paint nothing',
      /repeats its parts/,
      `<defs><g id="l0"/>${many(11, (i) => `<g id="l${i + 1}">${`<use href="#l${i}"/>`.repeat(10)}</g>`)}</defs><use href="#l11"/>${GOOD}`,
    ],
    [
      'circles on circles',
      /lie over one another/,
      many(1200, (i) => `<circle cx="${30 + (i % 37)}" cy="${30 + (i % 41)}" r="20" fill="#${(i % 9) + 1}00"/>`),
    ],
    [
      'more parts than anyone sews',
      /more than \d+ parts|more parts/,
      many(2600, (i) => `<rect x="${(i % 60) * 1.6}" y="${Math.floor(i / 60) * 1.6}" width="1.5" height="1.5"/>`),
    ],
    [
      'a star of 501 points',
      /crosses itself/,
      `<polygon fill-rule="evenodd" points="${many(501, (i) => `${50 + 45 * Math.cos((i * 500 * Math.PI) / 501)},${50 + 45 * Math.sin((i * 500 * Math.PI) / 501)} `)}"/>`,
    ],
    ['nothing large enough to sew', /large enough to sew/, '<rect width="100" height="0.01" fill="#135"/>'],
    ['a stroke as broad as a field', /larger than any hoop/, '<path d="M0,0H100" stroke="#135" stroke-width="1000000"/>'],
  ])('%s', (_, words, body) => expect(refusal(body)).toMatch(words));
});

test('as many rules as elements are looked up, not tried one by one on each', () => {
  const body = `<style>${many(1000, (i) => `.c${i}, g > #n${i} { fill: #${(i % 9) + 1}00 }`)}</style><g>${many(1000, (i) => `<rect id="n${i}" class="c${i}" x="${i % 10}" y="${i % 7}" width="30" height="30"/>`)}</g>`;
  const { items } = readSvg(svg(body));
  expect(items).toHaveLength(1000);
  expect(items.map((item) => item.hex)).toEqual(Array.from({ length: 1000 }, (_, i) => `#${(i % 9) + 1}${(i % 9) + 1}0000`));
});
