import { readFileSync, readdirSync } from 'node:fs';
import { jobFromArt } from '../../../src/core/artwork/newJob';
import { readSvg } from '../../../src/core/artwork/readSvg';
import type { Job } from '../../../src/core/document/types';
import { Planner } from '../../../src/core/plan/planner';
import { HEAVY } from './heavy';
import { oneOf, type Attack, type Random } from './kinds';
import { wrongIn } from './sewn';

const FOLDER = 'public/demo';
const SEEDS = [
  ...readdirSync(FOLDER).map((f) => readFileSync(`${FOLDER}/${f}`, 'utf8')),
  readFileSync('tests/fixtures/lantern.svg', 'utf8'),
];
const NUMBERS = [
  '0',
  '-0',
  '1e-9',
  '1e-7',
  '-1',
  '1e4',
  '1e6',
  '1e9',
  '1e308',
  '-1e308',
  'NaN',
  'Infinity',
  '',
  '1e',
  '--1',
  '0.5.5',
  '50%',
  '100000000000000000000',
];
const TRANSFORMS = [
  'scale(0)',
  'scale(1e9)',
  'scale(1e-9)',
  'skewX(89.999)',
  'skewY(90)',
  'rotate(1e9)',
  'matrix(1 1 1 1 0 0)',
  'matrix(0 0 0 0 5 5)',
  'translate(1e9)',
  'scale(-1,1)',
  'matrix(1 2',
  'rotate()',
];
const SHAPES = [
  '<path d="M50,50h0v0z" fill="#123" stroke="#456"/>',
  '<path d="M50,50h0v0z" fill="none" stroke="#456" stroke-width="3" stroke-linecap="round"/>',
  '<circle cx="5" cy="5" r="1e-7" stroke="#456" stroke-width="2"/>',
  '<polygon points="5,5"/>',
  '<polygon points="5,5 5,5 5,5" stroke="#456" stroke-width="2"/>',
  '<polyline points="1,1 9,9 1,1 9,9 1,1" fill="none" stroke="#456" stroke-width="2" stroke-linejoin="miter" stroke-miterlimit="1e6"/>',
  '<path d="M0,0H100" stroke="#135" stroke-width="1000000"/>',
  '<path d="M0,0H100" stroke="#135" stroke-width="1e-6"/>',
  '<path d="M0,0L50,0L0,0.0000001L50,0.0000001Z" stroke="#135"/>',
  '<path d="M10,10A0,0 0 0 1 20,20A1e-9,5 0 1 0 30,10Z"/>',
  '<path d="M10,10A1e9,1e9 0 0 1 20,20Z"/>',
  '<path d="M10,10C10,10 10,10 10,10S10,10 10,10Z" stroke="#000"/>',
  '<path d="M0,0C1e5,1e5 -1e5,1e5 60,0Z"/>',
  '<rect width="1e-5" height="60" stroke="#900"/>',
  '<g opacity="0.2"><rect width="60" height="60"/></g>',
  '<text>Hello</text><image href="http://x/y.png"/><script>alert(1)</script><foreignObject><p/></foreignObject>',
  '<use href="#none"/><use href="http://x/#y"/><g id="self"><use href="#self"/></g>',
  '<ellipse rx="50" ry="0.01" cx="50" cy="50"/>',
  '<path d="M20,20 h60 v60 h-60 z M20,20 h60 v60 h-60 z M20,20 v60 h60 v-60 z" fill-rule="evenodd"/>',
];

const inside = (text: string, body: string): string => text.replace(/(<svg[^>]*>)/, `$1${body.replaceAll('$', '')}`);

function mutated(text: string, random: Random): string {
  const at = Math.floor(random() * text.length);
  switch (Math.floor(random() * 9)) {
    case 0: {
      const numbers = [...text.matchAll(/-?\d+\.?\d*/g)];
      const m = oneOf(numbers, random);
      return text.slice(0, m.index) + oneOf(NUMBERS, random) + text.slice(m.index + m[0].length);
    }
    case 1:
      return inside(text, oneOf(SHAPES, random));
    case 2:
      return text.replace(/(<(?:path|circle|rect|g|ellipse)\b)/, `$1 transform="${oneOf(TRANSFORMS, random)}"`);
    case 3: {
      const paths = [...text.matchAll(/<(?:path|circle|rect|ellipse)\b[^>]*\/>/g)];
      return paths.length === 0 ? text : inside(text, oneOf(paths, random)[0].repeat(1 + Math.floor(random() * 20)));
    }
    case 4:
      return text.slice(0, at) + oneOf(['<', '>', '"', '&', '\u0000', '&#0;', ']]>', '<!--', 'é', '\ud800'], random) + text.slice(at);
    case 5:
      return text.slice(0, at) + text.slice(at + 1 + Math.floor(random() * 30));
    case 6:
      return text.replace(
        /d="([^"]*)"/,
        (_, d: string) =>
          `d="${d
            .split('')
            .sort(() => random() - 0.5)
            .join('')}"`,
      );
    case 7:
      return text.replace(
        /fill="[^"]*"/,
        `fill="${oneOf(['none', 'url(#x)', 'rgb(300,-5,0)', 'red;', 'hsl()', 'var(--x)', 'currentColor'], random)}" stroke="#123" stroke-width="${oneOf(NUMBERS, random)}"`,
      );
    default:
      return text.replace(
        /(viewBox|width|height)="[^"]*"/,
        `$1="${oneOf([...NUMBERS, '0 0 0 0', '0 0 1e9 1', '-1e9 -1e9 2e9 2e9', '10in', '5mm'], random)}"`,
      );
  }
}

/** Sews a drawing from its text to its stitches; what is refused in a sentence is no fault. */
function sew(text: string, width: number): { job: Job; problem: string | null } {
  const { job } = jobFromArt(readSvg(text), { id: 'x', name: 'x', file: 'x.svg', brief: { cloth: 'pique', size: { width } } });
  if (job.pieces.length === 0) return { job, problem: 'an empty job was accepted' };
  return { job, problem: wrongIn(job, new Planner().plan(job)) };
}

/** Damaged, hostile and heavy drawings. */
export const drawings: Attack = {
  name: 'drawings',
  usual: 3000,
  case(index, random) {
    const heavy = Object.keys(HEAVY);
    if (index < heavy.length) return { what: heavy[index]!, run: () => sew(HEAVY[heavy[index]!]!(), 90).problem };
    let text = oneOf(SEEDS, random);
    const times = 1 + Math.floor(random() * 5);
    for (let i = 0; i < times; i++) text = mutated(text, random);
    const width = oneOf([20, 80, 80, 80, 250], random);
    return { what: `mutated drawing, ${text.length} bytes`, keep: text, run: () => sew(text, width).problem };
  },
};
