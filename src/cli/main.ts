import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { version } from '../../package.json';
import { InputError } from '../core/document/errors';
import { providePrinting, type PrintFont } from '../core/formats/print/fonts';
import { clipCompiled } from '../core/geometry/clipping/load';
import { helpOf, isCommand, overview, type CommandName } from './help';
import { compareCommand } from './compare';
import { forecastCommand } from './forecast';
import { facesCommand } from './faces';
import { letterCommand } from './letter';
import { planCommand } from './plan';
import { proofCommand } from './proof';
import { routeCommand } from './route';
import { spoken, tellIn } from './say';
import { endStage } from './stage';
import { traceCommand } from './trace';

/** Those of production are loaded when they are asked for: planning a small drawing takes hardly longer than loading them. */
const COMMANDS: Readonly<Record<CommandName, (argv: readonly string[]) => Promise<number>>> = {
  plan: planCommand,
  route: routeCommand,
  proof: proofCommand,
  forecast: forecastCommand,
  compare: compareCommand,
  trace: traceCommand,
  letter: letterCommand,
  faces: facesCommand,
  place: async (argv) => (await import('./place')).placeCommand(argv),
  produce: async (argv) => (await import('./produce')).produceCommand(argv),
  sewout: async (argv) => (await import('./sewout')).sewoutCommand(argv),
  machine: async (argv) => (await import('./machine')).machineCommand(argv),
};

/** Faces for print lie beside the program too. */
const PRINT = 'print';
/** Lies beside the program; see scripts/build-cli.mjs. */
const CLIPPING = 'clipper2z.wasm';

/** Takes `--units NAME` out of the words, which every command understands. */
function withoutUnits(argv: readonly string[]): readonly string[] {
  const at = argv.findIndex((w) => w === '--units' || w.startsWith('--units='));
  if (at < 0) return argv;
  const joined = argv[at]!.includes('=');
  const name = joined ? argv[at]!.slice('--units='.length) : argv[at + 1];
  if (name !== 'mm' && name !== 'in') throw new InputError('bad-usage', `--units takes mm or in, not ‘${name ?? ''}’.`);
  tellIn(name);
  return argv.filter((_, i) => i !== at && (joined || i !== at + 1));
}

async function main(words: readonly string[]): Promise<number> {
  let argv = words;
  try {
    argv = withoutUnits(words);
  } catch (error) {
    process.stderr.write(`cobble: ${sentenceOf(error, null)}\n`);
    return 2;
  }
  const [name, ...rest] = argv;
  const command = name !== undefined && isCommand(name) ? name : null;
  if (name === '--help' || name === 'help' || (command && rest.includes('--help'))) {
    process.stdout.write(command ? helpOf(command) : overview());
    return 0;
  }
  if (name === '--version') {
    process.stdout.write(`Cobble ${version}\n`);
    return 0;
  }
  try {
    if (!command) throw new InputError('bad-usage', name ? `There is no command ‘${name}’.` : 'usage: bin/cobble COMMAND …');
    providePrinting({
      index: () => Promise.resolve(JSON.parse(readFileSync(join(__dirname, PRINT, 'index.json'), 'utf8')) as PrintFont[]),
      load: (file) => Promise.resolve(readFileSync(join(__dirname, PRINT, file))),
    });
    await clipCompiled(readFileSync(join(__dirname, CLIPPING)));
    return await COMMANDS[command](rest);
  } catch (error) {
    endStage();
    process.stderr.write(`cobble: ${spoken(sentenceOf(error, command)).replace(/\s+/g, ' ')}\n`);
    return 2;
  }
}

function sentenceOf(error: unknown, command: CommandName | null): string {
  if (!(error instanceof InputError)) return `This input could not be planned (${(error as Error).message}).`;
  return error.code === 'bad-usage' ? `${error.message} See bin/cobble ${command ? `${command} ` : ''}--help.` : error.message;
}

void main(process.argv.slice(2)).then((code) => (process.exitCode = code));
