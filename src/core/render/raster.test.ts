import fc from 'fast-check';
import { jobOf, piece } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import { drawCloth } from './cloth';
import { drawNeedle, drawPath } from './looks';
import { clothColour, drawSewn } from './picture';
import { blend, hexToRgb, isPale, makeRaster, type Raster } from './raster';
import { planBounds } from '../stitches/planBounds';

const byte = fc.integer({ min: 0, max: 255 });

test('colours are bytes of their hexadecimal digits', () => {
  fc.assert(
    fc.property(byte, byte, byte, (r, g, b) => {
      const hex = `#${[r, g, b].map((v) => v.toString(16).padStart(2, '0')).join('')}`;
      expect(hexToRgb(hex)).toEqual({ r, g, b });
    }),
    { seed: 81 },
  );
});

test('letters on a colour are dark when it is pale', () => {
  for (const hex of ['#ffffff', '#ffd400', '#c9cfce', '#f6ecd2']) expect(isPale(hex)).toBe(true);
  for (const hex of ['#000000', '#0047bb', '#c8102e', '#3a4042', '#00843d']) expect(isPale(hex)).toBe(false);
});

test('what is laid over a pixel shines through as much as it should', () => {
  fc.assert(
    fc.property(byte, byte, fc.double({ min: 0, max: 1, noNaN: true }), (below, above, alpha) => {
      const data = Uint8ClampedArray.from([below, below, below, 255]);
      blend(data, 0, above, above, above, alpha);
      expect(Math.abs(data[0]! - (above * alpha + below * (1 - alpha)))).toBeLessThanOrEqual(1.1);
      expect(data[3]).toBe(255);
    }),
    { seed: 82 },
  );
  const empty = new Uint8ClampedArray(4);
  blend(empty, 0, 200, 100, 50, 0.5);
  expect([...empty]).toEqual([200, 100, 50, 128]);
  blend(empty, 0, 1, 1, 1, 0);
  expect(empty[0]).toBe(200);
});

describe('cloth', () => {
  const mean = (r: Raster, channel: number): number => {
    let sum = 0;
    for (let i = channel; i < r.data.length; i += 4) sum += r.data[i]!;
    return sum / (r.data.length / 4);
  };

  it('fills the picture in its colour, with a weave where one can see it', () => {
    const near = makeRaster(120, 80, 12, 3, 4);
    drawCloth(near, '#6080a0');
    expect(Math.abs(mean(near, 0) - 0x60)).toBeLessThan(6);
    expect(Math.abs(mean(near, 2) - 0xa0)).toBeLessThan(8);
    expect(new Set(near.data.filter((_, i) => i % 4 === 0)).size).toBeGreaterThan(3);
    const far = makeRaster(60, 60, 2, 0, 0);
    drawCloth(far, '#6080a0');
    expect(new Set(far.data.filter((_, i) => i % 4 === 0)).size).toBe(1);
    expect(far.data.filter((_, i) => i % 4 === 3).every((a) => a === 255)).toBe(true);
  });

  it('lies still when the view moves: the weave belongs to the cloth', () => {
    const [a, b] = [makeRaster(60, 60, 12, 0, 0), makeRaster(60, 60, 12, 1, 0)];
    drawCloth(a, '#6080a0');
    drawCloth(b, '#6080a0');
    for (let x = 12; x < 60; x++) expect(a.data[4 * x]).toBe(b.data[4 * (x - 12)]);
  });
});

describe('ways to look at a plan', () => {
  const job = jobOf([
    piece('fill', { area: 'M-8,-8 H8 V8 H-8 Z' }, { angle: 0 }),
    piece('fill', { area: 'M12,-8 h8 v16 h-8 Z', thread: 't2' }),
  ]);
  const plan = new Planner().plan(job);
  const colours = job.threads.map((t) => hexToRgb(t.hex));
  const raster = (): Raster => makeRaster(400, 260, 12, -10, -10);
  const inked = (r: Raster, from = 0, to = 400): number => {
    let n = 0;
    for (let y = 0; y < 260; y++) for (let x = from; x < to; x++) if (r.data[4 * (y * 400 + x) + 3]! > 0) n++;
    return n;
  };
  const all = (): boolean => true;

  it('show nothing of pieces that are hidden', () => {
    for (const draw of [drawNeedle, drawPath]) {
      const [both, one, none] = [raster(), raster(), raster()];
      draw(both, plan, colours, 0, plan.x.length, all);
      draw(one, plan, colours, 0, plan.x.length, (p) => p === 0);
      draw(none, plan, colours, 0, plan.x.length, () => false);
      expect(inked(both)).toBeGreaterThan(inked(one));
      expect(inked(one, 270)).toBe(0);
      expect(inked(none)).toBe(0);
    }
  });

  it('show as much as is sewn so far', () => {
    const half = raster();
    drawNeedle(half, plan, colours, 0, plan.pieces[0]!.to, all);
    expect(inked(half, 0, 250)).toBeGreaterThan(1000);
    expect(inked(half, 270)).toBe(0);
  });

  it('drawn in two goes they are what they are in one', () => {
    const [whole, parts] = [raster(), raster()];
    drawPath(whole, plan, colours, 0, plan.x.length, all);
    for (const [from, to] of [[0, 100], [100, plan.x.length]] as const) drawPath(parts, plan, colours, from, to, all); // prettier-ignore
    expect(Buffer.from(parts.data).equals(Buffer.from(whole.data))).toBe(true);
  });

  it('without its way the path shows cover alone', () => {
    const [way, bare] = [raster(), raster()];
    drawPath(way, plan, colours, 0, plan.x.length, all);
    drawPath(bare, plan, colours, 0, plan.x.length, all, false);
    expect(inked(bare)).toBeLessThanOrEqual(inked(way));
    expect(inked(bare)).toBeGreaterThan(1000);
  });

  it('a picture holds the whole plan and a margin, on the cloth of the brief', () => {
    const box = planBounds(plan);
    const sewn = drawSewn(job, plan, 5, 3);
    expect(sewn.width).toBe(Math.round((box.maxX - box.minX + 6) * 5));
    expect(sewn.left).toBeCloseTo(box.minX - 3, 6);
    const own = { ...job, brief: { ...job.brief, clothHex: '#123456' } };
    expect(clothColour(own)).toBe('#123456');
    expect(planBounds({ ...plan, x: new Float32Array(0), y: new Float32Array(0) })).toEqual({ minX: -5, minY: -5, maxX: 5, maxY: 5 });
  });
});
