// Tries cases one after the other and says what came of each; `run.mjs` watches it and ends it when it hangs.
import { InputError } from '../../src/core/document/errors';
import { drawings } from './cases/drawings';
import { bundles, libraries } from './cases/files';
import type { Attack } from './cases/kinds';
import { records } from './cases/records';
import { randomOf } from './kit.mjs';

const ATTACKS: readonly Attack[] = [drawings, records, bundles, libraries];
const [name, seed, from, count] = process.argv.slice(2);
const attack = ATTACKS.find((a) => a.name === name)!;
/** Told when it has left: a process that ends takes with it what it still had to say. */
const say = (message: unknown): Promise<void> => new Promise((left) => process.send!(message, undefined, undefined, () => left()));

const last = Number(from) + Number(count ?? attack.usual);
for (let i = Number(from); i < last; i++) {
  const it = attack.case(i, randomOf(Number(seed) * 1_000_003 + i));
  const keep = it.keep === undefined ? null : typeof it.keep === 'string' ? it.keep : Buffer.from(it.keep).toString('base64');
  await say({ begins: i, what: it.what, keep });
  const began = process.cpuUsage();
  let problem: string | null = null;
  let crashed = false;
  try {
    problem = await it.run();
  } catch (error) {
    if (!(error instanceof InputError)) {
      crashed = true;
      problem = (error as Error).stack?.split('\n').slice(0, 4).join(' ') ?? String(error);
    }
  }
  const { user, system } = process.cpuUsage(began);
  await say({ ends: i, problem, crashed, cpuMs: (user + system) / 1000, rssMb: process.memoryUsage().rss / 1e6 });
  // Messages leave, and memory is let go, between cases.
  await new Promise((done) => setImmediate(done));
}
process.exit();
