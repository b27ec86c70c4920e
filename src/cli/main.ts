import { InputError } from '../core/document/errors';
import { USAGE } from './args';
import { compareCommand } from './compare';
import { forecastCommand } from './forecast';
import { planCommand } from './plan';
import { proofCommand } from './proof';
import { routeCommand } from './route';

const COMMANDS: Readonly<Record<string, (argv: readonly string[]) => Promise<number>>> = {
  plan: planCommand,
  route: routeCommand,
  proof: proofCommand,
  forecast: forecastCommand,
  compare: compareCommand,
};

async function main(argv: readonly string[]): Promise<number> {
  const [name, ...rest] = argv;
  if (name === '--help' || name === 'help') {
    process.stdout.write(USAGE + '\n');
    return 0;
  }
  const command = COMMANDS[name ?? ''];
  try {
    if (!command) throw new InputError('bad-usage', name ? `There is no command ‘${name}’. ${USAGE}` : USAGE);
    return await command(rest);
  } catch (error) {
    const known = error instanceof InputError;
    const message = known ? error.message : `This input could not be planned (${(error as Error).message}).`;
    process.stderr.write(`cobble: ${message.replace(/\s+/g, ' ')}\n`);
    return 2;
  }
}

void main(process.argv.slice(2)).then((code) => (process.exitCode = code));
