// The headless tool as a script would use it: results, figures, and one clear line for everything it refuses.
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { test } from 'node:test';

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

test('all formats in one go', () => {
  const outs = ['csv', 'svg', 'gcode', 'pdf', 'png', 'cobble'].flatMap((e) => ['--out', join(folder, `all.${e}`)]);
  assert.equal(run('plan', SQUARE, '--height', '30', ...outs).status, 0);
  for (const e of ['csv', 'svg', 'gcode', 'pdf', 'png', 'cobble']) assert.ok(readFileSync(join(folder, `all.${e}`)).length > 200, e);
});

const refusals = [
  ['no words', [], /usage/],
  ['an unknown command', ['sew', SQUARE], /no command/],
  ['no size', ['plan', SQUARE], /how large/],
  ['both sizes', ['plan', SQUARE, '--width', '4', '--height', '4'], /not both/],
  ['a width that is no number', ['plan', SQUARE, '--width', 'NaN'], /--width takes a number/],
  ['an unknown cloth', ['plan', SQUARE, '--width', '40', '--cloth', 'mail'], /no cloth/],
  ['too wide for the hoop', ['plan', SQUARE, '--width', '120', '--hoop', '100x100'], /larger hoop/],
  ['a missing file', ['plan', join(folder, 'none.svg'), '--width', '40'], /no file/],
  ['a folder', ['plan', folder, '--width', '40'], /not a file/],
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
