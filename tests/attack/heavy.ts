// Prints how long each heavy drawing takes, one by one: `node scripts/run-ts.mjs tests/attack/heavy.ts [part of a name]`.
import { jobFromArt } from '../../src/core/artwork/newJob';
import { readSvg } from '../../src/core/artwork/readSvg';
import { InputError } from '../../src/core/document/errors';
import { Planner } from '../../src/core/plan/planner';
import { HEAVY } from './cases/heavy';

for (const [name, make] of Object.entries(HEAVY)) {
  if (!name.includes(process.argv[2] ?? '')) continue;
  const text = make();
  const began = performance.now();
  const at: string[] = [];
  const lap = (what: string): void => void at.push(`${what} ${((performance.now() - began) / 1000).toFixed(1)}`);
  try {
    const doc = readSvg(text);
    lap('read');
    const { job } = jobFromArt(doc, { id: 'x', name: 'x', file: 'x.svg', brief: { cloth: 'pique', size: { width: 90 } } });
    lap('pieces');
    const plan = new Planner().plan(job);
    lap('plan');
    at.push(`${job.pieces.length} pieces, ${plan.x.length} events`);
  } catch (error) {
    lap(error instanceof InputError ? `refused: ${error.message}` : `CRASH ${(error as Error).stack?.split('\n').slice(0, 3).join(' ')}`);
  }
  console.log(name.padEnd(42), at.join(', '));
}
