// The headless tool as a script would use it: results, figures, and one clear line for everything it refuses.
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { test } from 'node:test';
import sharp from 'sharp';
import { jobRecord } from './browser.mjs';

const folder = mkdtempSync(join(tmpdir(), 'cobble-cli-'));
const file = (name, content) => {
  const path = join(folder, name);
  writeFileSync(path, content);
  return path;
};
const TOOL = resolve('bin', 'cobble');
const run = (...words) => spawnSync(TOOL, words, { encoding: 'utf8' });
const SQUARE = file(
  'square.svg',
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><rect width="10" height="10" fill="#c33"/></svg>',
);

test('plan writes stitches and report, and says what it did', () => {
  const [csv, report] = [join(folder, 'a.csv'), join(folder, 'a.json')];
  const { status, stdout } = run('plan', SQUARE, '--width', '40', '--cloth', 'twill', '--out', csv, '--report', report);
  assert.equal(status, 0);
  assert.match(stdout, /stitches/);
  const figures = JSON.parse(readFileSync(report, 'utf8'));
  const rows = readFileSync(csv, 'utf8').trimEnd().split('\n').slice(1);
  assert.equal(figures.stitches, rows.filter((r) => r.includes(',stitch,')).length);
  assert.equal(figures.trims, 1);
  assert.ok(Math.abs(figures.width_mm - 40.4) < 0.5);
  assert.equal(figures.pieces[0].settings.spacing.from, 'recipe');
});

test('several inputs are planned into a folder; the one that cannot be is named, and the rest done', () => {
  const bad = file('bad.svg', '<svg');
  const dir = join(folder, 'many');
  const circle = file('circle.svg', '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><circle cx="5" cy="5" r="4"/></svg>');
  const words = ['--width', '40', '--cloth', 'twill', '--quick'];
  const { status, stdout, stderr } = run('plan', SQUARE, bad, circle, '--out-dir', dir, '--as', 'csv,cobble', ...words);
  assert.equal(status, 2);
  assert.deepEqual(readdirSync(dir).sort(), ['circle.cobble', 'circle.csv', 'square.cobble', 'square.csv']);
  assert.match(stderr, /bad\.svg: This file is not a readable SVG/);
  assert.match(stderr, /1 of 3 could not be planned/);
  assert.equal(stdout.trim().split('\n').length, 2);
  const alone = join(folder, 'alone.csv');
  assert.equal(run('plan', SQUARE, ...words, '--out', alone).status, 0);
  assert.equal(readFileSync(join(dir, 'square.csv'), 'utf8'), readFileSync(alone, 'utf8'));
  assert.match(run('--version').stdout, /^Cobble \d+\.\d+\.\d+\n$/);
});

test('all formats in one go', () => {
  const outs = ['csv', 'svg', 'gcode', 'pdf', 'png', 'cobble'].flatMap((e) => ['--out', join(folder, `all.${e}`)]);
  assert.equal(run('plan', SQUARE, '--height', '30', ...outs).status, 0);
  for (const e of ['csv', 'svg', 'gcode', 'pdf', 'png', 'cobble']) assert.ok(readFileSync(join(folder, `all.${e}`)).length > 200, e);
});

test('letter makes a job of a text at a height or a width, on a line or an arc, with one cut', () => {
  const [csv, report] = [join(folder, 'l.csv'), join(folder, 'l.json')];
  for (const face of ['treadle', 'bobbin', 'gable', 'thimble']) {
    const { status, stderr } = run(
      'letter',
      'Harbour Line',
      '--face',
      face,
      '--width',
      '80',
      '--cloth',
      'pique',
      '--out',
      csv,
      '--report',
      report,
    );
    assert.equal(status, 0, stderr);
    const figures = JSON.parse(readFileSync(report, 'utf8'));
    assert.equal(figures.trims, 1);
    assert.ok(Math.abs(figures.width_mm - 80) < 1.5);
    assert.equal(figures.pieces[0].kind, 'lettering');
    assert.deepEqual(
      figures.findings.filter((f) => f.severity === 'severe'),
      [],
    );
  }
  const tall = (...line) => {
    assert.equal(run('letter', 'HARBOUR', '--height', '12', ...line, '--out', csv).status, 0);
    const rows = readFileSync(csv, 'utf8').trimEnd().split('\n').slice(1);
    const ys = rows.map((r) => Number(r.split(',')[1]));
    return Math.max(...ys) - Math.min(...ys);
  };
  // A chord of 72 mm in a circle of 60 lies 12 mm below its top.
  assert.ok(Math.abs(tall('--line', 'arc-up', '--radius', '60') - tall() - 12) < 4);
});

test('a job of a text can be planned again, and is the same', () => {
  const [a, b, job] = ['la.csv', 'lb.csv', 'l.cobble'].map((n) => join(folder, n));
  assert.equal(run('letter', 'Ärmel\\nß', '--height', '9', '--out', a, '--out', job).status, 0);
  assert.equal(run('plan', job, '--out', b).status, 0);
  assert.equal(readFileSync(a, 'utf8'), readFileSync(b, 'utf8'));
});

test('a list of names makes a job of each; a bad row is named and the others are made', () => {
  const list = file('names.csv', 'Name,Size,Thread\nAnna,12,#aa0000\n"Ólafur, jr.",,\n漢字,,\nToo large,900,\n,,\n');
  const [dir, report] = [join(folder, 'names'), join(folder, 'names.json')];
  const { status, stdout, stderr } = run('letter', '--names', list, '--out-dir', dir, '--height', '8', '--report', report);
  assert.equal(status, 0);
  assert.match(stdout, /2 made, 2 refused|2 made, 3 refused/);
  assert.match(stderr, /row 4, ‘漢字’/);
  assert.match(stderr, /row 5, ‘Too large’/);
  assert.deepEqual(readdirSync(dir).sort(), ['001-Anna.cobble', '001-Anna.csv', '002-Olafur-jr.cobble', '002-Olafur-jr.csv']);
  assert.deepEqual(
    JSON.parse(readFileSync(report, 'utf8')).made.map((m) => m.trims),
    [1, 1],
  );
});

test('faces tells what can be written and how small', () => {
  const report = join(folder, 'faces.json');
  assert.equal(run('faces', '--report', report).status, 0);
  const { faces } = JSON.parse(readFileSync(report, 'utf8'));
  assert.ok(faces.length >= 4);
  for (const f of faces) assert.ok(f.glyphs > 100 && f.smallest_height_mm[60] <= f.smallest_height_mm[40] && f.smallest_height_mm[40] < 10);
});

const refusals = [
  ['a text without a size', ['letter', 'Quay'], /--height/],
  ['an unknown face', ['letter', 'Quay', '--height', '9', '--face', 'arial'], /no face/],
  ['a sign that a face has not', ['letter', '漢', '--height', '9'], /has no/],
  ['a list without names', ['letter', '--names', file('n.csv', 'a,b\n1,2\n'), '--out-dir', folder, '--height', '9'], /column ‘name’/],
  ['no words', [], /usage/],
  ['an unknown command', ['sew', SQUARE], /no command/],
  ['no size', ['plan', SQUARE], /how large/],
  ['both sizes', ['plan', SQUARE, '--width', '4', '--height', '4'], /not both/],
  ['a width that is no number', ['plan', SQUARE, '--width', 'NaN'], /--width takes a number/],
  ['an unknown cloth', ['plan', SQUARE, '--width', '40', '--cloth', 'mail'], /no cloth/],
  ['too wide for the hoop', ['plan', SQUARE, '--width', '120', '--hoop', '100x100'], /larger hoop/],
  ['a missing file', ['plan', join(folder, 'none.svg'), '--width', '40'], /no file/],
  ['a folder', ['plan', folder, '--width', '40'], /not a file/],
  ['a PDF', ['plan', file('art.pdf', '%PDF-1.7'), '--width', '40'], /is a PDF.*SVG/],
  ['a machine’s own file', ['plan', file('design.bin', 'L\u0000\u0001'), '--width', '40'], /holds stitches and no shapes/],
  ['no XML', ['plan', file('words.svg', 'hello'), '--width', '40'], /SVG/],
  [
    'no area',
    ['plan', file('flat.svg', '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0,0"/></svg>'), '--width', '40'],
    /paints nothing/,
  ],
  ['a newer job', ['plan', file('new.json', '{"cobble": 99}')], /newer Cobble/],
  ['a cut bundle', ['plan', file('cut.cobble', 'PK')], /damaged/],
  ['an unknown format', ['plan', SQUARE, '--width', '40', '--out', join(folder, 'x.xyz')], /cannot write/],
];
for (const [name, words, says] of refusals) {
  test(`refuses ${name} in one line`, () => {
    const before = readdirSync(folder).length;
    const { status, stderr, stdout } = run(...words);
    assert.equal(status, 2);
    assert.match(stderr, says);
    assert.equal(stderr.trimEnd().split('\n').length, 1);
    assert.equal(stdout, '');
    assert.equal(readdirSync(folder).length, before);
  });
}

test('a folder that cannot be written leaves nothing half-written', () => {
  const { status, stderr } = run(
    'plan',
    SQUARE,
    '--width',
    '40',
    '--out',
    join(folder, 'a-ok.csv'),
    '--report',
    join(folder, 'no', 'such', 'r.json'),
  );
  assert.equal(status, 2);
  assert.match(stderr, /could not be written/);
  assert.ok(!existsSync(join(folder, 'a-ok.csv')));
});

test('route seeks an order, says why every cut stays, and writes the job it found', () => {
  const job = jobRecord(
    'Row',
    [2, 0, 3, 1].map((i) => ({ id: `p${i}`, area: `M${i * 5.6},0 h5 v12 h-5 Z` })),
  );
  const [report, out] = [join(folder, 'route.json'), join(folder, 'routed.json')];
  assert.equal(run('route', file('row.json', JSON.stringify(job)), '--policy', 'stops', '--apply', out, '--report', report).status, 0);
  const found = JSON.parse(readFileSync(report, 'utf8'));
  assert.equal(found.after.trims, 1);
  assert.ok(found.before.trims > 1);
  assert.deepEqual(
    found.cuts.map((c) => c.reason),
    ['end'],
  );
  const order = JSON.parse(readFileSync(out, 'utf8'))
    .pieces.map((p) => p.id)
    .join('');
  assert.ok(order === 'p0p1p2p3' || order === 'p3p2p1p0', order);
  assert.match(run('route', SQUARE, '--width', '30', '--policy', 'prettiest').stderr, /no policy/);
});

test('proof ends with 1 on a severe finding and with 0 otherwise, and tells figures', () => {
  const job = jobRecord('Wide', [{ area: 'M-40,-10 h80 v20 h-80 Z' }], { hoop: { width: 60, height: 60, shape: 'rect' } });
  const report = join(folder, 'proof.json');
  assert.equal(run('proof', file('wide.json', JSON.stringify(job)), '--report', report).status, 1);
  const [first] = JSON.parse(readFileSync(report, 'utf8')).findings;
  assert.equal(first.rule, 'outside-hoop');
  assert.ok(Math.abs(first.measured - 10.2) < 0.3, String(first.measured));
  job.brief.hoop = { width: 130, height: 60, shape: 'rect' };
  assert.equal(run('proof', file('fits.json', JSON.stringify(job))).status, 0);
});

test('forecast tells the gap of a late outline and the edge that is drawn in', () => {
  const report = join(folder, 'forecast.json');
  assert.equal(run('forecast', SQUARE, '--width', '60', '--cloth', 'jersey', '--report', report).status, 0);
  const { gaps, max_gap_mm, outlines, predicted_mm, assumed } = JSON.parse(readFileSync(report, 'utf8'));
  assert.deepEqual(gaps, []);
  assert.equal(max_gap_mm, 0);
  assert.ok(outlines[0].predicted.length > 100);
  // Sewn with the jersey's compensation of 0.4 at each end, long rows are drawn in by more than that at their middle.
  const middle = outlines[0].predicted.filter(([x, y]) => Math.min(Math.abs(x), Math.abs(y)) < 10);
  const nearest = Math.min(...middle.map(([x, y]) => Math.max(Math.abs(x), Math.abs(y))));
  assert.ok(nearest < 29.8, `nearest ${nearest}`);
  assert.equal(predicted_mm.length, 2);
  assert.ok(assumed.stiffness_n_per_mm > 0);
  assert.equal(run('forecast', SQUARE, '--width', '60', '--grid', 'fine').status, 2);
});

test('compare tells two jobs apart, figure by figure', () => {
  const report = join(folder, 'compare.json');
  const other = file(
    'half.svg',
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><rect width="10" height="5" fill="#c33"/></svg>',
  );
  assert.equal(run('compare', SQUARE, other, '--width', '40', '--report', report).status, 0);
  const { a, b, difference } = JSON.parse(readFileSync(report, 'utf8'));
  // As large as drawn, longer by the cloth's compensation where rows end and nowhere else: 0.35 for rows of 10 mm, more for longer ones.
  const longer = (mm, drawn) => mm - drawn > 0.7 && mm - drawn < 1.1;
  assert.ok(Math.abs(a.height_mm - 40) < 0.1 && longer(a.width_mm, 40), `${a.width_mm} x ${a.height_mm}`);
  assert.ok(Math.abs(b.width_mm - 40) < 0.1 && longer(b.height_mm, 20), `${b.width_mm} x ${b.height_mm}`);
  assert.equal(difference.stitches, b.stitches - a.stitches);
  assert.equal(run('compare', SQUARE).status, 2);
});

test('trace makes shapes of pictures, and every command takes one', async () => {
  const drawn = Buffer.from(
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 60 40" width="600" height="400"><rect width="60" height="40" fill="#fff"/><rect x="5" y="5" width="50" height="30" fill="#0b5563"/><circle cx="30" cy="20" r="9" fill="#f0b429"/></svg>',
  );
  for (const kind of ['png', 'jpeg', 'webp', 'gif']) {
    const picture = file(`flag.${kind}`, await sharp(drawn).toFormat(kind).toBuffer());
    const [svg, report] = [join(folder, `${kind}.svg`), join(folder, `${kind}.json`)];
    assert.equal(run('trace', picture, '--width', '50', '--out', svg, '--report', report).status, 0, kind);
    const figures = JSON.parse(readFileSync(report, 'utf8'));
    assert.deepEqual([figures.colours.length, figures.regions, figures.lines], [2, 2, 0], kind);
    assert.ok(Math.abs(figures.pixels_per_mm - 10) < 0.1, kind);
    assert.equal((readFileSync(svg, 'utf8').match(/<path fill="#/g) ?? []).length, 2, kind);
  }
  const png = join(folder, 'flag.png');
  const [csv, report] = [join(folder, 'flag.csv'), join(folder, 'flag-plan.json')];
  assert.equal(run('plan', png, '--width', '50', '--quick', '--out', csv, '--report', report).status, 0);
  assert.equal(JSON.parse(readFileSync(report, 'utf8')).threads, 2);
  assert.match(run('plan', png).stderr, /^cobble: A picture has no size of its own; give --width or --height in mm\.\n$/);
  assert.match(run('trace', png).stderr, /Give --width/);
});

test('pictures that are none, cut short, huge or empty are one clear line or a sensible result', async () => {
  const sound = await sharp({ create: { width: 300, height: 200, channels: 3, background: '#a33' } })
    .png()
    .toBuffer();
  // The last bytes only say that it ends.
  for (let i = 1; i < sound.length - 40; i += Math.max(1, Math.floor(sound.length / 10))) {
    const { status, stderr } = run('trace', file('short.png', sound.subarray(0, i)), '--width', '40');
    assert.equal(status, 2, `cut at ${i}`);
    assert.match(stderr, /^cobble: ‘short\.png’ is damaged[^\n]*\n$/);
  }
  // A picture that says it has 60,000 x 60,000 pixels.
  const bomb = Buffer.from(sound);
  bomb.writeUInt32BE(60_000, 16);
  bomb.writeUInt32BE(60_000, 20);
  assert.match(run('trace', file('bomb.png', bomb), '--width', '40').stderr, /^cobble: ‘bomb\.png’ has far too many pixels/);
  const nothing = await sharp({ create: { width: 50, height: 50, channels: 4, background: { r: 0, g: 0, b: 0, alpha: 0 } } })
    .png()
    .toBuffer();
  assert.equal(run('trace', file('nothing.png', nothing), '--width', '40', '--out', join(folder, 'nothing.svg')).status, 0);
  assert.match(run('plan', file('nothing.png', nothing), '--width', '40').stderr, /^cobble: [^\n]+\n$/);
  const deep = await sharp({ create: { width: 80, height: 60, channels: 3, background: '#a33' } })
    .toColourspace('rgb16')
    .png()
    .toBuffer();
  assert.equal(run('trace', file('deep.png', deep), '--width', '40', '--keep-background', '--out', join(folder, 'deep.svg')).status, 0);
});

test('sewout tells causes, closes the gap without moving the outline, and teaches a library', () => {
  const job = jobRecord(
    'Tested',
    [
      { id: 'field', area: 'M-18,-14 h36 v28 h-36 Z', settings: { angle: 0, pullComp: 0 } },
      { id: 'rim', kind: 'border', thread: 't2', area: 'M-20.2,-16.2 h40.4 v32.4 h-40.4 Z', width: 2.6 },
    ],
    { threads: [{ id: 't2', code: 'Q101', name: 'Ember', hex: '#c8401f', weight: 40 }] },
  );
  job.brief = { ...job.brief, cloth: 'pique', hoop: { width: 100, height: 100, shape: 'rect' } };
  const path = file('tested.json', JSON.stringify(job));
  const marks = file(
    'marks.json',
    JSON.stringify([
      { kind: 'gap', piece: 'rim', against: 'field', at: [18, 0], mm: 0.9 },
      { kind: 'gap', piece: 'field', against: 'rim', at: [-18, 0], mm: 0.9 },
    ]),
  );
  const [out, library, report] = ['next.cobble', 'learned.json', 'sewout.json'].map((name) => join(folder, name));
  const { status, stdout, stderr } = run('sewout', path, '--marks', marks, '--apply', out, '--learn', library, '--report', report);
  assert.equal(status, 0, stderr);
  assert.match(stdout, /2 marks; likeliest cause: pull on long rows/);
  const told = JSON.parse(readFileSync(report, 'utf8'));
  const first = told.causes.filter((c) => c.mark === 0);
  assert.ok(Math.abs(first.reduce((sum, c) => sum + c.probability, 0) - 1) < 0.01);
  assert.ok(told.corrections.every((c) => c.expected_after_mm < 0.15));
  assert.deepEqual(told.changed, ['field']);
  assert.ok(told.learned.parameters.shortening.value > told.learned.parameters.shortening.prior);
  const after = join(folder, 'after.json');
  assert.equal(run('forecast', out, '--report', after).status, 0);
  assert.ok(JSON.parse(readFileSync(after, 'utf8')).max_gap_mm < 0.15);
  assert.equal(JSON.parse(readFileSync(library, 'utf8')).recipes[0].learned.sewouts, 1);
  // What it refuses is one line, and nothing is left behind.
  const wrong = file('wrong.json', JSON.stringify([{ kind: 'gap', piece: 'nobody', mm: 1 }]));
  const refused = run('sewout', path, '--marks', wrong, '--report', join(folder, 'never.json'));
  assert.equal(refused.status, 2);
  assert.match(refused.stderr, /^cobble: A mark names the piece nobody[^\n]*\n$/);
  assert.ok(!existsSync(join(folder, 'never.json')));
  assert.match(run('sewout', path, '--marks', file('odd.json', '[{"kind":"hole"}]')).stderr, /^cobble: [^\n]+\n$/);
});
