import fc from 'fast-check';
import { coverageOf } from '../stitches/coverage';
import { Planner } from '../plan/planner';
import { Command } from '../stitches/roles';
import { outlineOf } from '../geometry/outline';
import { InputError } from '../document/errors';
import { jobFromArt } from './newJob';
import { readSvg } from './readSvg';

const n = fc.integer({ min: 0, max: 100 });
const colour = fc.constantFrom('#c8102e', '#0047bb', '#ffd400', '#111314');
const width = fc.integer({ min: 1, max: 14 });
/** Places on a lattice of 20: straight runs, repeated points, spikes and crossings are common. */
const coarse = fc.integer({ min: 0, max: 5 }).map((v) => 20 * v);
const shape = fc.oneof(
  fc.tuple(n, n, n, n, colour).map(([x, y, w, h, c]) => `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="${c}"/>`),
  fc.tuple(n, n, n, colour).map(([x, y, r, c]) => `<circle cx="${x}" cy="${y}" r="${r / 3}" fill="${c}"/>`),
  fc
    .tuple(fc.array(fc.tuple(coarse, coarse), { minLength: 3, maxLength: 9 }), colour, fc.boolean())
    .map(
      ([p, c, even]) =>
        `<polygon points="${p.map((q) => q.join(',')).join(' ')}" fill="${c}" fill-rule="${even ? 'evenodd' : 'nonzero'}"/>`,
    ),
  fc
    .tuple(fc.array(fc.tuple(n, n), { minLength: 2, maxLength: 6 }), colour, width, fc.constantFrom('butt', 'round', 'square'))
    .map(
      ([p, c, w, cap]) =>
        `<polyline points="${p.map((q) => q.join(',')).join(' ')}" fill="none" stroke="${c}" stroke-width="${w}" stroke-linecap="${cap}"/>`,
    ),
  fc
    .tuple(n, n, n, n, n, n, colour)
    .map(([a, b, c, d, e, f, hex]) => `<path d="M${a},${b} C${c},${d} ${e},${f} ${b},${a} S${f},${c} ${d},${e} Z" fill="${hex}"/>`),
  fc
    .tuple(n, n, fc.integer({ min: -180, max: 180 }), colour)
    .map(
      ([x, y, turn, c]) =>
        `<g transform="rotate(${turn} 50 50) scale(0.8)"><ellipse cx="${x}" cy="${y}" rx="18" ry="4" fill="${c}" stroke="#00843d" stroke-width="2"/></g>`,
    ),
);
const drawing = fc
  .array(shape, { minLength: 1, maxLength: 6 })
  .map((shapes) => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100">${shapes.join('')}</svg>`);

/** Rows of the most open recipe leave this much of the cloth bare between threads. */
const BETWEEN_ROWS = 0.1;

test('any drawing becomes a plan that can be sewn, or is refused in words', () => {
  let [sewn, inner, bare] = [0, 0, 0];
  fc.assert(
    fc.property(drawing, fc.constantFrom('twill', 'pique', 'jersey' as const), fc.integer({ min: 20, max: 90 }), (svg, cloth, size) => {
      let job;
      try {
        ({ job } = jobFromArt(readSvg(svg), { id: 'a', name: 'a', file: 'a.svg', brief: { cloth, size: { width: size } } }));
      } catch (error) {
        expect(error).toBeInstanceOf(InputError);
        return;
      }
      sewn++;
      const plan = new Planner().plan(job);
      for (let i = 1; i < plan.x.length; i++) {
        if (plan.command[i] !== Command.stitch || plan.command[i - 1] !== Command.stitch) continue;
        const length = Math.hypot(plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!);
        // No machine sews longer stitches; a shorter one than a tenth would hit the same hole again.
        expect(length).toBeLessThan(12.2);
        if (job.pieces[plan.piece[i]!]!.kind === 'fill') expect(length).toBeGreaterThan(0.1);
      }
      plan.pieces.forEach(({ from, to, areaMm2, problem }, k) => {
        const piece = job.pieces[k]!;
        if (!piece.area || piece.kind === 'run' || problem) return;
        const [x, y, command, role] = [
          plan.x.slice(from, to),
          plan.y.slice(from, to),
          plan.command.slice(from, to),
          plan.role.slice(from, to),
        ];
        inner += areaMm2;
        bare += (1 - coverageOf(outlineOf(piece.area).area, { x, y, command, role }).covered) * areaMm2;
      });
    }),
    { seed: 91, numRuns: 16, endOnFailure: true },
  );
  expect(sewn).toBeGreaterThan(10);
  expect(bare / inner).toBeLessThan(BETWEEN_ROWS);
});
