import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { SaxesParser } from 'saxes';
import { EMPTY_LIBRARY } from '../cloth/library';
import { artworkName } from '../document/fileNames';
import { parseJob } from '../document/schema';
import type { Job } from '../document/types';
import { jobOf, piece } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import { writeBundle } from './bundle';
import { readBundle } from './readBundle';
import { writeCsv } from './csv';
import { writeGcode } from './gcode';
import { writePdf } from './pdf';
import { readShelf, writeShelf } from './shelf';
import { writeSvg } from './svg';
import { unzipped } from './zip';

const HOSTILE = [
  'two\nlines',
  'M3 S9000',
  ')\nM3 S9000\n(',
  '\u2028G1 X99',
  '%',
  '=1+1',
  '+1',
  '-1',
  '@x',
  'a,b"c',
  '"',
  '\u0000\u0007\u001b[2J',
  ']]></title><script>',
  '&amp;<b>',
  '\ud800',
  '\uffff',
  '__proto__',
  'constructor',
  '..',
  '../../x',
  'C:\\x',
  '☂ Ünusual',
  'x'.repeat(190),
];
const words = fc.oneof(fc.constantFrom(...HOSTILE), fc.string({ unit: 'binary', maxLength: 60 }));
const base = jobOf([piece('fill', { area: 'M-3,-3 H3 V3 H-3 Z' }), piece('run', { line: 'M-3,5 H3', thread: 't2' })]);
const plan = new Planner().plan(base);

/** The same stitches under other names. */
function named(name: string, id: string, code: string): { job: Job; plan: typeof plan } {
  const job = {
    ...base,
    name: name || 'x',
    brief: { ...base.brief, notes: name },
    threads: base.threads.map((t, i) => ({ ...t, code: code.slice(0, 40), name: name.slice(0, 80), id: i === 0 ? id : t.id })),
    pieces: base.pieces.map((p, i) => (i === 0 ? { ...p, id, name, thread: id } : p)),
  };
  return { job, plan: { ...plan, pieces: plan.pieces.map((p, i) => (i === 0 ? { ...p, id } : p)) } };
}
const hostile = fc.tuple(
  words,
  words.map((w) => w.slice(0, 80) || 'i'),
  words,
);
const many = { numRuns: 300, seed: 5, endOnFailure: true };

/** Words of a motion program outside its comments; throws where a comment is not closed on its line. */
function motionWords(text: string): string[] {
  return text.split(/[\n\r\u2028\u2029\u0085]/).flatMap((line) => {
    const bare = line.replace(/\([^()]*\)/g, '');
    if (/[()]/.test(bare)) throw new Error(`a comment is not closed: ${line}`);
    return bare.split(/\s+/).filter((w) => w !== '');
  });
}

/** Cells by row, after RFC 4180. */
function csvRows(text: string): string[][] {
  const rows: string[][] = [[]];
  let cell = '';
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    const c = text[i]!;
    if (quoted && c === '"' && text[i + 1] === '"') cell += text[++i]!;
    else if (c === '"') quoted = !quoted;
    else if (c === ',' && !quoted) {
      rows[rows.length - 1]!.push(cell);
      cell = '';
    } else if (c === '\n' && !quoted) {
      rows[rows.length - 1]!.push(cell);
      cell = '';
      rows.push([]);
    } else cell += c;
  }
  return rows.slice(0, -1);
}

test('no name makes a machine do anything: the words outside comments stay the same', () => {
  const plain = motionWords(writeGcode(base, plan));
  fc.assert(
    fc.property(hostile, ([name, id, code]) => {
      const it = named(name, id, code);
      expect(motionWords(writeGcode(it.job, it.plan))).toEqual(plain);
    }),
    many,
  );
});

test('a stitch list keeps its rows and cells, and no cell is a formula', () => {
  fc.assert(
    fc.property(hostile, ([name, id, code]) => {
      const it = named(name, id, code);
      const text = writeCsv(
        it.plan,
        it.job.threads.map((t) => t.id),
      );

      expect(text).not.toMatch(/[\u0000-\u0009\u000b-\u001f\u2028\u2029]/);
      const rows = csvRows(text);
      expect(rows).toHaveLength(plan.x.length + 1);
      for (const row of rows) {
        expect(row).toHaveLength(6);
        for (const words of row.slice(4)) expect(words).not.toMatch(/^[=+\-@\t\r]/);
      }
    }),
    many,
  );
});

test('a layered drawing is XML with the same elements, whatever things are called', () => {
  const elements = (text: string): string[] => {
    const seen: string[] = [];
    const parser = new SaxesParser();
    parser.on('error', (error) => {
      throw error;
    });
    parser.on('opentag', (tag) => seen.push(tag.name));
    parser.write(text).close();
    return seen;
  };
  const plain = elements(writeSvg(base, plan));
  fc.assert(
    fc.property(hostile, ([name, id, code]) => {
      const it = named(name, id, code);
      expect(elements(writeSvg(it.job, it.plan))).toEqual(plain);
    }),
    many,
  );
});

test('a bundle reads back whatever a job and its artwork are called', () => {
  fc.assert(
    fc.property(
      hostile,
      fc.uniqueArray(
        words.filter((w) => w !== ''),
        { maxLength: 6 },
      ),
      ([name, id, code], files) => {
        const { job } = named(name, id, code);
        const clean = parseJob(JSON.parse(JSON.stringify(job)));
        const utf8 = files.map((f) => f.toWellFormed?.() ?? f).filter((f, i, all) => f.isWellFormed?.() !== false && all.indexOf(f) === i);
        const artwork = Object.fromEntries(utf8.map((f, i) => [f, `<svg>${i}</svg>`]));
        const back = readBundle(writeBundle({ job: clean, artwork }));
        expect(back.job).toEqual(clean);
        expect(new Map(Object.entries(back.artwork))).toEqual(new Map(Object.entries(artwork)));
        const shelf = readShelf(
          writeShelf({
            jobs: [{ job: clean, artwork, updated: 3 }],
            library: EMPTY_LIBRARY,
          }),
        )!;
        expect([shelf.jobs[0]!.job, shelf.damaged]).toEqual([clean, 0]);
      },
    ),
    { ...many, numRuns: 120 },
  );
});

test('a worksheet opens whatever a job is called', async () => {
  const { PDFDocument } = await import('pdf-lib');
  // Each as a title once, all of them as the customer's words.
  const notes = HOSTILE.join('\n');
  for (let i = 0; i < HOSTILE.length; i += 3) {
    const it = named(HOSTILE.slice(i, i + 3).join(' '), 'p1', HOSTILE[i]!);
    const job = { ...it.job, brief: { ...it.job.brief, notes } };
    expect((await PDFDocument.load(await writePdf(job, it.plan))).getPageCount()).toBeGreaterThan(0);
  }
}, 60_000);

test('names of dropped files are made fit for a job', () => {
  fc.assert(
    fc.property(words, (name) => {
      const fit = artworkName(name);
      expect(fit).toMatch(/^[^/\\]{1,120}$/);
      expect(fit).not.toMatch(/\.\./);
      expect(fit).not.toBe('__proto__');
    }),
    many,
  );
  expect(artworkName('heron.svg')).toBe('heron.svg');
});

describe('a zip that lies', () => {
  const limits = { entries: 10, bytes: 50_000_000 };
  const bomb = zipSync({ 'job.json': new Uint8Array(60_000_000) }, { level: 6 });
  const at = (bytes: Uint8Array, signature: number): number => {
    const view = new DataView(bytes.buffer, bytes.byteOffset);
    for (let i = bytes.length - 4; i >= 0; i--) if (view.getUint32(i, true) === signature) return i;
    return -1;
  };
  const altered = (bytes: Uint8Array, change: (view: DataView, directory: number) => void): Uint8Array => {
    const copy = bytes.slice();
    change(new DataView(copy.buffer), at(copy, 0x02014b50));
    return copy;
  };
  const refused = (bytes: Uint8Array, words: RegExp): void => expect(() => unzipped(bytes, limits)).toThrow(words);

  it('is refused by the size that it gives, before anything is unpacked', () => refused(bomb, /more than 50 MB/));

  it('is refused as soon as more comes out than it gave', () => {
    const small = altered(bomb, (view, d) => view.setUint32(d + 24, 1000, true));
    const before = process.memoryUsage().arrayBuffers;
    refused(small, /damaged/);
    expect(process.memoryUsage().arrayBuffers - before).toBeLessThan(40_000_000);
  });

  it('is refused when a checksum is wrong, two entries share a name, or there are too many', () => {
    const honest = zipSync({ 'a.txt': strToU8('hello'), 'b.txt': strToU8('world') });
    expect(unzipped(honest, limits).size).toBe(2);
    refused(
      altered(honest, (view, d) => view.setUint32(d + 16, 7, true)),
      /damaged/,
    );
    refused(
      altered(honest, (view, d) => view.setUint8(d + 46, 'a'.charCodeAt(0))),
      /damaged/,
    );
    refused(zipSync(Object.fromEntries(Array.from({ length: 11 }, (_, i) => [`f${i}`, strToU8('x')]))), /too many/);
  });

  it('and any damage gives one kind of answer', () => {
    const whole = writeBundle({ job: base, artwork: { 'a.svg': '<svg/>' } });
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(whole.length - 1), fc.nat(255)), { minLength: 1, maxLength: 6 }),
        fc.nat(whole.length),
        (bytes, cut) => {
          const copy = whole.slice(0, cut % 3 === 0 ? cut : whole.length);
          for (const [i, b] of bytes) if (i < copy.length) copy[i] = b;
          try {
            readBundle(copy);
          } catch (error) {
            expect((error as Error).name).toBe('InputError');
          }
        },
      ),
      { numRuns: 500, seed: 3, endOnFailure: true },
    );
  });
});
