import { endStage } from './stage';
import { say, spoken } from './say';
import { readFileSync, renameSync, rmSync, statSync, writeFileSync, writeSync } from 'node:fs';
import { InputError } from '../core/document/errors';
import { isPictureName } from '../core/tracing/pictureName';
import { MAX_BUNDLE_BYTES, MAX_PICTURE_BYTES, MAX_SVG_BYTES } from '../core/units/tolerances';

/** Reads a whole file, refusing what is missing or too large before it is loaded. */
export function readBytes(path: string): Uint8Array {
  let size: number;
  try {
    const stat = statSync(path);
    if (!stat.isFile()) throw new InputError('bad-usage', `‘${path}’ is not a file; name an SVG, a job.json or a .cobble bundle.`);
    size = stat.size;
  } catch (error) {
    if (error instanceof InputError) throw error;
    throw new InputError('bad-usage', `There is no file ‘${path}’; check the name.`);
  }
  const limit = /\.(cobble|zip)$/i.test(path) ? MAX_BUNDLE_BYTES : isPictureName(path) ? MAX_PICTURE_BYTES : MAX_SVG_BYTES;
  if (size > limit) {
    throw new InputError(
      'too-large',
      `‘${path}’ is ${(size / 1e6).toFixed(0)} MB; simplify it to less than ${limit / 1e6} MB and try again.`,
    );
  }
  return readFileSync(path);
}

/** Writes all files or none: each goes to a neighbour first and is moved into place when all are written. */
export function writeAll(files: readonly { path: string; content: string | Uint8Array }[]): void {
  const done: string[] = [];
  try {
    for (const { path, content } of files) {
      const part = `${path}.part`;
      done.push(part);
      writeFileSync(part, content);
    }
    for (const { path } of files) renameSync(`${path}.part`, path);
  } catch (error) {
    for (const part of done) rmSync(part, { force: true });
    throw new InputError(
      'bad-usage',
      `The result could not be written (${(error as NodeJS.ErrnoException).code ?? 'unknown'}); check the folder and free space.`,
    );
  }
}

/** Tells a line; Node's own stream takes ten milliseconds to set up, and is asked only where the terminal does not take it at once. */
export function sayShortly(line: string): void {
  endStage();
  try {
    writeSync(1, spoken(line));
  } catch {
    say(line);
  }
}
