import { unzipSync } from 'fflate';
import { jobOfText } from '../lettering/textJob';
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
  expect(Object.keys(files).sort()).toEqual(['001-Ada', '003-Bo'].flatMap((n) => ['cobble', 'csv', 'pdf'].map((e) => `${n}.${e}`)).sort());
  expect(readBundle(files['003-Bo.cobble']!).job.pieces[0]!.lettering!.text).toBe('Bo');
  expect(new TextDecoder().decode(files['001-Ada.csv']).split('\n').length).toBeGreaterThan(100);
  expect(seen.length).toBe(3);
});
