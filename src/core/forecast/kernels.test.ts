import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { giveBack, WasmArena, arenaSizeFor, takeArena } from './kernels';

describe('the compiled loops', () => {
  it('are those of their source', () => {
    const out = join(mkdtempSync(join(tmpdir(), 'cobble-kernels-')), 'bytes.ts');
    execFileSync(process.execPath, ['scripts/kernels.mjs', out]);
    expect(readFileSync(out, 'utf8')).toBe(readFileSync('src/core/forecast/kernelBytes.ts', 'utf8'));
  });
});

describe('a room', () => {
  it('holds arrays that do not touch each other', () => {
    const room = new WasmArena(arenaSizeFor([12, 7, 400]));
    const [a, b, c] = [room.floats(3), room.bytes(7), room.floats(100)];
    a.fill(1);
    b.fill(2);
    c.fill(3);
    expect([...a]).toEqual([1, 1, 1]);
    expect([...b]).toEqual([2, 2, 2, 2, 2, 2, 2]);
    expect(c.every((v) => v === 3)).toBe(true);
  });

  it('that was given back is taken again, when large enough, and its arrays begin with nothing in them', () => {
    const first = takeArena(5000);
    first.floats(100).fill(7);
    giveBack(first);
    const larger = takeArena(10 * first.size);
    expect(larger).not.toBe(first);
    const again = takeArena(2000);
    expect(again).toBe(first);
    expect(again.floats(100).every((v) => v === 0)).toBe(true);
    expect(takeArena(2000)).not.toBe(first);
  });
});
