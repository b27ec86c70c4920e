// Every example of docs/commands.md works as it stands, one after the other, and writes the files that it names.
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { copyFileSync, existsSync, mkdtempSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { test } from 'node:test';

const folder = mkdtempSync(join(tmpdir(), 'cobble-examples-'));
copyFileSync('tests/fixtures/lantern.svg', join(folder, 'lantern.svg'));
writeFileSync(join(folder, 'names.csv'), 'name,size\nAda,\nBruno,8\n');

const page = readFileSync('docs/commands.md', 'utf8');
const examples = [...page.matchAll(/```\n([\s\S]*?)```/g)].flatMap(([, block]) => block.trim().split('\n'));

/** Words as a shell parts them, for examples without anything more than quotes. */
const wordsOf = (line) => [...line.matchAll(/"([^"]*)"|(\S+)/g)].map(([, quoted, plain]) => quoted ?? plain);

test('the page has examples of every command that needs no machine', () => {
  for (const command of ['plan', 'proof', 'route', 'compare', 'letter', 'place', 'produce'])
    assert.ok(
      examples.some((e) => e.startsWith(`bin/cobble ${command} `)),
      command,
    );
});

for (const line of examples)
  test(line, () => {
    const [, ...words] = wordsOf(line);
    const { status, stderr } = spawnSync(resolve('bin', 'cobble'), words, { cwd: folder, encoding: 'utf8' });
    assert.equal(status, 0, stderr);
    const named = words.flatMap((w, i) => (['--out', '--report', '--apply', '--out-dir'].includes(words[i - 1]) ? [w] : []));
    for (const file of named) {
      assert.ok(existsSync(join(folder, file)), file);
      assert.ok(statSync(join(folder, file)).size > 0, file);
    }
  });
