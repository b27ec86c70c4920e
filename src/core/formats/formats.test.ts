import type { Job } from '../document/types';
import { decode, encode } from 'fast-png';
import { zipSync, strToU8, unzipSync, strFromU8 } from 'fflate';
import { readSvg } from '../artwork/readSvg';
import { placeArt } from '../artwork/place';
import { emptyJob } from '../document/job';
import { InputError } from '../document/errors';
import { piece, jobOf } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import { writeBundle } from './bundle';
import { readBundle } from './readBundle';
import { CSV_HEADER, writeCsv } from './csv';
import { writeGcode } from './gcode';
import { EXPORTS } from './registry';
import { writeSvg } from './svg';

const job = jobOf([piece('fill', { area: 'M-10,-10 H10 V10 H-10 Z' }), piece('satin', { line: 'M-10,0 L10,0', width: 3, thread: 't2' })]);
const plan = new Planner().plan(job);
const input = { job, plan, artwork: { 'square.svg': '<svg xmlns="http://www.w3.org/2000/svg"/>' } };
const codeOf = (run: () => unknown): string => {
  try {
    run();
    return 'accepted';
  } catch (error) {
    return error instanceof InputError ? error.code : `unforeseen ${String(error)}`;
  }
};

test('the stitch list has its header, three decimals and only known words', () => {
  const [header, ...rows] = writeCsv(plan, ['t1', 't2']).trimEnd().split('\n');
  expect(header).toBe('x_mm,y_mm,command,role,piece,thread');
  expect(header).toBe(CSV_HEADER);
  expect(rows).toHaveLength(plan.x.length);
  for (const row of rows)
    expect(row).toMatch(/^-?\d+\.\d{3},-?\d+\.\d{3},(stitch|jump|trim|stop|end),(tie|underlay|cover|travel),p[12],t[12]$/);
  rows.forEach((row, i) => expect(Number(row.split(',')[0])).toBeCloseTo(plan.x[i]!, 4));
});

test('a bundle reads back the same job, artwork and plan', () => {
  const back = readBundle(writeBundle(input));
  expect(back.job).toEqual(job);
  expect(back.artwork).toEqual(input.artwork);
  const ids = job.threads.map((t) => t.id);
  expect(writeCsv(new Planner().plan(back.job), ids)).toBe(writeCsv(plan, ids));
});

test('fields that this version does not know survive the round trip', () => {
  const odd = { ...job, weather: 'fair', pieces: job.pieces.map((p) => ({ ...p, mood: 1 })) };
  expect(readBundle(writeBundle({ job: odd, artwork: {} })).job).toEqual(odd);
});

test('writing twice gives the same bytes', () => {
  expect(Buffer.from(writeBundle(input)).equals(Buffer.from(writeBundle(input)))).toBe(true);
});

test('damaged bundles are refused', () => {
  const whole = writeBundle(input);
  expect(codeOf(() => readBundle(whole.slice(0, whole.length - 40)))).toBe('bad-bundle');
  expect(codeOf(() => readBundle(whole.slice(0, 100)))).toBe('bad-bundle');
  expect(codeOf(() => readBundle(new Uint8Array([1, 2, 3])))).toBe('bad-bundle');
  expect(codeOf(() => readBundle(zipSync({ 'other.txt': strToU8('hello') })))).toBe('bad-bundle');
  expect(codeOf(() => readBundle(zipSync({ 'job.json': strToU8('{ no json') })))).toBe('bad-bundle');
  expect(codeOf(() => readBundle(zipSync({ 'job.json': strToU8(JSON.stringify({ ...job, cobble: 2 })) })))).toBe('newer-version');
});

test('entries with paths that lead elsewhere are not taken', () => {
  const files = unzipSync(writeBundle(input));
  const back = readBundle(zipSync({ ...files, 'artwork/../../evil.svg': strToU8('x'), '/etc/passwd': strToU8('x') }));
  expect(Object.keys(back.artwork)).toEqual(['square.svg']);
});

test('a bundle that unpacks to more than it may is refused', () => {
  expect(codeOf(() => readBundle(zipSync({ 'job.json': strToU8('{}'), 'artwork/a.svg': new Uint8Array(90_000_000) }, { level: 1 })))).toBe(
    'bad-bundle',
  );
});

test('the layered drawing is an SVG at real size whose pieces read back', () => {
  const text = writeSvg(job, plan);
  expect(text).toContain('width="100mm" height="100mm"');
  const art = placeArt(readSvg(text), {});
  expect(art.width).toBeGreaterThan(20);
  expect(art.width).toBeLessThan(22);
  expect(text.match(/id="stitches-/g)).toHaveLength(2);
});

test('the layered drawing shows a text by its letters', () => {
  const text = piece('lettering', { lettering: { text: 'HI', face: 'treadle', height: 20 } });
  const lettered = jobOf([text]);
  const art = placeArt(readSvg(writeSvg(lettered, new Planner().plan(lettered))), {});
  expect(art.height).toBeGreaterThan(19);
  expect(art.height).toBeLessThan(21);
});

test('motion words: millimetres, absolute, y up, one needle word per stitch', () => {
  const text = writeGcode(job, plan);
  expect(text.split('\n').slice(1, 3)).toEqual(['G21', 'G90']);
  expect(text.match(/^M101$/gm)).toHaveLength(Array.from(plan.command).filter((c) => c === 0).length);
  const first = /G0 X(\S+) Y(\S+)/.exec(text)!;
  expect(Number(first[1])).toBeCloseTo(plan.x[0]!, 3);
  expect(Number(first[2])).toBeCloseTo(-plan.y[0]!, 3);
  expect(text.trimEnd().endsWith('M2')).toBe(true);
});

test('the picture is a PNG in which the thread’s colour prevails where it was sewn', async () => {
  const png = decode((await EXPORTS.find((f) => f.extension === 'png')!.write(input)) as Uint8Array);
  const at = (Math.floor(png.height * 0.3) * png.width + Math.floor(png.width / 2)) * 4;
  const [r, g, b] = [png.data[at]!, png.data[at + 1]!, png.data[at + 2]!];
  expect(b).toBeGreaterThan(r + 20);
  expect(g).toBeGreaterThan(r + 20);
});

test('every format writes something and has words for people', async () => {
  for (const f of EXPORTS) {
    const made = await f.write(input);
    expect(made.length).toBeGreaterThan(100);
    expect(f.use.length).toBeGreaterThan(10);
  }
  expect(strFromU8(unzipSync(writeBundle(input))['job.json']!)).toContain('"cobble": 1');
});

test('what was accepted in the proof is told on the worksheet', async () => {
  const write = async (accepted: Job['accepted']): Promise<number> => {
    const made = await EXPORTS.find((f) => f.extension === 'pdf')!.write({ ...input, job: { ...job, ...(accepted ? { accepted } : {}) } });
    return made.length;
  };
  const reason = 'the customer wants it solid and was told that it will be stiff';
  expect(await write([{ rule: 'layers-stacked', pieces: [], reason }])).toBeGreaterThan(await write(undefined));
});

test('photos of sew-outs travel in a bundle as they are; what is no picture is left out', () => {
  const job = emptyJob('j', 'With photos');
  const photo = new Uint8Array(encode({ width: 2, height: 2, data: new Uint8Array(16).fill(200), channels: 4 }));
  const read = readBundle(writeBundle({ job, artwork: {}, photos: { 'photo-1.jpg': photo, 'photo-2.jpg': new Uint8Array([1, 2, 3]) } }));
  expect(Object.entries(read.photos ?? {}).map(([name, bytes]) => [name, Array.from(bytes)])).toEqual([['photo-1.jpg', Array.from(photo)]]);
  expect(readBundle(writeBundle({ job, artwork: {} })).photos).toBeUndefined();
});

test('photos that unpack to more than they may are refused too', () => {
  const files = Object.fromEntries([1, 2, 3].map((k) => [`photos/${k}.jpg`, new Uint8Array(70_000_000)]));
  expect(codeOf(() => readBundle(zipSync({ 'job.json': strToU8('{}'), ...files }, { level: 0 })))).toBe('bad-bundle');
});
