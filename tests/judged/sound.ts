import { jobFromArt } from '../../src/core/artwork/newJob';
import { correct } from '../../src/core/forecast/correct';
import { readSvg } from '../../src/core/artwork/readSvg';
import type { Brief, Job, Piece } from '../../src/core/document/types';
import { area, bar, block, chance, frame, jobOf, line, type Chance } from './made';

const COLOURS = ['#123a5c', '#b3202e', '#e0b13a', '#3c7d3a', '#f2efe6', '#5b3b7a'];

/** A drawing as a person would bring it, laid out by the proposals. */
function drawn(body: string, brief: Partial<Brief> & { cloth: Brief['cloth'] }, size: number): Job {
  const doc = readSvg(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100">${body}</svg>`);
  const { job } = jobFromArt(doc, {
    id: 'sound',
    name: 'Sound',
    file: 'sound.svg',
    brief: { hoop: { width: 400, height: 400, shape: 'rect' }, ...brief, size: { width: size } },
  });
  return job;
}

const correctedIn = (job: Job): Piece[] => {
  const { pieces } = correct(job, {});
  return job.pieces.map((p) => pieces.find((q) => q.id === p.id) ?? p);
};

/** Colours that differ from one another, in the order of a seed. */
const shuffled = (r: Chance): string[] => {
  const left = COLOURS.slice();
  return COLOURS.map(() => left.splice(r.whole(0, left.length - 1), 1)[0]!);
};

/** Sound work of each kind, from a seed. */
export const SOUND: Record<string, (seed: number) => Job> = {
  polo(seed) {
    const r = chance(seed);
    const [a, b, c] = shuffled(r);
    const x = r.between(20, 40);
    return drawn(
      `<path fill="${a}" d="M10,10H90V55C90,80 70,92 50,98C30,92 10,80 10,55Z"/><rect x="10" y="${x}" width="80" height="18" fill="${b}"/><circle cx="50" cy="${x + 32}" r="${r.between(8, 12)}" fill="${c}"/>`,
      { cloth: 'pique', place: 'left-chest' },
      r.between(60, 85),
    );
  },
  cap(seed) {
    const r = chance(seed + 50);
    const [a, b] = shuffled(r);
    const w = r.between(5, 8);
    return drawn(
      `<rect x="10" y="60" width="80" height="20" rx="4" fill="${a}"/><path fill="none" stroke="${b}" stroke-width="${w}" d="M20,50L50,20L80,50"/>`,
      { cloth: 'cap', place: 'cap-front' },
      r.between(44, 62),
    );
  },
  patch(seed) {
    const r = chance(seed + 100);
    const [a, b, c] = shuffled(r);
    return drawn(
      `<circle cx="50" cy="50" r="46" fill="${a}"/><path fill="${b}" d="M20,60L40,${r.between(28, 36)}L55,50L66,40L82,60Z"/><circle cx="50" cy="50" r="46" fill="none" stroke="${c}" stroke-width="5"/>`,
      { cloth: 'patch' },
      r.between(65, 90),
    );
  },
  jacket(seed) {
    const r = chance(seed + 150);
    const [a, b, c, d] = shuffled(r);
    const job = drawn(
      `<circle cx="50" cy="50" r="34" fill="${a}"/><path fill="${b}" d="M22,62L40,${r.between(36, 42)}L52,56L64,44L79,64A34,34 0 0 1 22,62Z"/><circle cx="64" cy="34" r="7" fill="${c}"/><rect x="8" y="88" width="84" height="8" fill="${d}"/>`,
      { cloth: 'twill', place: 'jacket-back' },
      r.between(210, 260),
    );
    // Large work is looked at in the forecast, and extended where cloth would show.
    return { ...job, pieces: correctedIn(job) };
  },
  word(seed) {
    const r = chance(seed + 200);
    const [a] = shuffled(r);
    const h = r.between(22, 30);
    const [w, t] = [0.7 * h, r.between(3.6, 4.4)];
    const letters = [
      `M0,0H${t}V${h - t}H${w}V${h}H0Z`,
      `M0,0H${w}V${t}H${(w + t) / 2}V${h}H${(w - t) / 2}V${t}H0Z`,
      `M0,0H${t}V${(h - t) / 2}H${w - t}V0H${w}V${h}H${w - t}V${(h + t) / 2}H${t}V${h}H0Z`,
      `M0,0H${w}V${t}H${t}V${(h - t) / 2}H${0.8 * w}V${(h + t) / 2}H${t}V${h - t}H${w}V${h}H0Z`,
    ];
    return drawn(
      letters.map((d, i) => `<path transform="translate(${4 + i * (w + 5)} 30)" fill="${a}" d="${d}"/>`).join(''),
      { cloth: 'pique' },
      r.between(90, 120),
    );
  },
  lace(seed) {
    const r = chance(seed + 250);
    const side = r.between(30, 44);
    const runs = [-1, 0, 1].flatMap((k) => [
      line(`M${-side / 2},${(k * side) / 3} H${side / 2}`, { settings: { tieOff: true } }),
      line(`M${(k * side) / 3},${-side / 2} V${side / 2}`, { settings: { tieOff: true } }),
    ]);
    return jobOf('soluble-film', [...runs, frame({ x: 0, y: 0 }, side, side, r.between(2, 3))]);
  },
  foam(seed) {
    const r = chance(seed + 300);
    const bars: Piece[] = Array.from({ length: r.whole(2, 4) }, (_, k) =>
      bar({ x: 0, y: 14 - 14 * k }, r.between(24, 40), r.between(5, 8), { settings: { foam: 3 } }),
    );
    return jobOf('cap', bars, { place: 'cap-front' });
  },
  applique(seed) {
    const r = chance(seed + 350);
    const side = r.between(30, 50);
    const data = `M${-side / 2},${-side / 2} h${side} v${side} h${-side} Z`;
    return jobOf('twill', [area('applique', data), block({ x: 0, y: 0 }, r.between(8, 14), 10, { thread: 't2' })]);
  },
};
