import { unzipSync } from 'fflate';
import { jobOfText } from '../lettering/textJob';
import type { Job, Piece } from '../document/types';
import { boundsOf } from '../geometry/point';
import { prepareShape } from '../pieces/registry';
import { contactSheet } from './contactSheet';
import { readBundle } from './readBundle';
import { namesArchive } from './namesArchive';

const job = jobOfText({ id: 'x', name: 'Crew', text: { text: 'ADA', face: 'treadle', height: 12 } });
const rows = ['Ada', '漢', 'Bo'].map((name, i) => ({ row: i + 1, name }));

test('each name is a job, its stitches and its worksheet; a bad one is told and the others are made', async () => {
  const seen: number[] = [];
  const { archive, made, refused } = await namesArchive(job, { piece: 'p1', rows, fit: 'height' }, (done) => void seen.push(done));
  expect([made, refused.map((r) => [r.row, r.name])]).toEqual([2, [[2, '漢']]]);
  expect(refused[0]!.why).toMatch('漢');
  const files = unzipSync(archive);
  expect(Object.keys(files).sort()).toEqual(
    [...['001-Ada', '003-Bo'].flatMap((n) => ['cobble', 'csv', 'pdf'].map((e) => `${n}.${e}`)), 'all-names.svg'].sort(),
  );
  expect(readBundle(files['003-Bo.cobble']!).job.pieces[0]!.lettering!.text).toBe('Bo');
  expect(new TextDecoder().decode(files['001-Ada.csv']).split('\n').length).toBeGreaterThan(100);
  expect(seen.length).toBe(2);
});

describe('several names in one hoop', () => {
  const list = ['Ada', 'Bo', 'Cyril', 'Dot', 'Eve', 'Finn', 'Gus'].map((name, i) => ({ row: i + 1, name }));
  const made = async (of: Job, together: number) => {
    const { archive, hoops } = await namesArchive(of, { piece: 'p1', rows: list, fit: 'width', together });
    const files = unzipSync(archive);
    const names = Object.keys(files).filter((f) => f.endsWith('.cobble')).sort(); // prettier-ignore
    return { hoops, jobs: names.map((f) => readBundle(files[f]!).job), names };
  };
  const boxes = (of: Job) => of.pieces.map((p) => boundsOf(prepareShape(p)!.painted));

  it('lie apart by the gap, inside the hoop, every one once, in as many hoops as needed', async () => {
    for (const [width, height] of [
      [100, 100],
      [130, 180],
      [300, 200],
    ] as const) {
      const { jobs, hoops } = await made({ ...job, brief: { ...job.brief, hoop: { width, height, shape: 'rect' } } }, 8);
      expect(jobs).toHaveLength(hoops);
      expect(jobs.flatMap((j) => j.pieces.map((p) => p.lettering!.text)).sort()).toEqual(list.map((r) => r.name).sort());
      for (const own of jobs) {
        const all = boxes(own);
        expect(all.every((b) => b.minX > -width / 2 && b.maxX < width / 2 && b.minY > -height / 2 && b.maxY < height / 2)).toBe(true);
        all.forEach((a, i) =>
          all.slice(i + 1).forEach((b) => {
            const apart = Math.max(b.minX - a.maxX, a.minX - b.maxX, b.minY - a.maxY, a.minY - b.maxY);
            expect(apart).toBeGreaterThan(7.9);
          }),
        );
      }
    }
  });

  it('have no more stops than one has, and borders of their own', async () => {
    const text = job.pieces[0]!;
    const border: Piece = { id: 'b', name: 'b', kind: 'border', thread: 't2', area: 'M0,0 h9 v9 h-9 Z', width: 2, follows: { text: 'p1', gap: 2 }, settings: {} }; // prettier-ignore
    const two: Job = {
      ...job,
      brief: { ...job.brief, hoop: { width: 200, height: 200, shape: 'rect' } },
      threads: [...job.threads, { id: 't2', code: 'Q2', name: 'Other', hex: '#aa0000', weight: 40 }],
      pieces: [text, border],
    };
    const { jobs } = await made(two, 6);
    const [own] = jobs;
    const threads = own!.pieces.map((p) => p.thread);
    expect(threads.filter((t, i) => i > 0 && t !== threads[i - 1])).toHaveLength(1);
    const all = boxes(own!);
    const half = all.length / 2;
    all.slice(0, half).forEach((b, i) => {
      const round = all[half + i]!;
      expect(round.minX).toBeLessThan(b.minX);
      expect(round.maxX).toBeGreaterThan(b.maxX);
    });
  });

  it('are refused where not even one has room', async () => {
    await expect(made({ ...job, brief: { ...job.brief, hoop: { width: 30, height: 20, shape: 'rect' } } }, 5)).rejects.toThrow(/hoop/);
  });
});

test('a sheet shows every name with its height', () => {
  const sheet = contactSheet(['Ada', 'B&B', 'Cy'].map((name) => ({ name, text: { text: name, face: 'gable', height: 9 } })));
  expect(sheet).toContain('1. Ada, 9.0 mm');
  expect(sheet).toContain('2. B&#38;B, 9.0 mm');
  expect(sheet.match(/<path/g)!.length).toBeGreaterThan(10);
});
