import { InputError } from '../core/document/errors';
import { USAGE } from './args';
import { planCommand } from './plan';
import { routeCommand } from './route';

const COMMANDS: Readonly<Record<string, (argv: readonly string[]) => Promise<void>>> = { plan: planCommand, route: routeCommand };

async function main(argv: readonly string[]): Promise<number> {
  const [name, ...rest] = argv;
  if (name === '--help' || name === 'help') {
    process.stdout.write(USAGE + '\n');
    return 0;
  }
  const command = COMMANDS[name ?? ''];
  try {
    if (!command) throw new InputError('bad-usage', name ? `There is no command ‘${name}’. ${USAGE}` : USAGE);
    await command(rest);
    return 0;
  } catch (error) {
    const known = error instanceof InputError || error instanceof RangeError;
    const message = known ? error.message : `This input could not be planned (${(error as Error).message}).`;
    process.stderr.write(`cobble: ${message.replace(/\s+/g, ' ')}\n`);
    return 2;
  }
}

void main(process.argv.slice(2)).then((code) => (process.exitCode = code));
