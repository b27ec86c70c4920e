import { TooComplex } from '../geometry/crossings';

/** Why input was refused. The message is one sentence that says what to do, fit for people. */
export class InputError extends Error {
  constructor(
    readonly code:
      | 'not-svg'
      | 'too-large'
      | 'entities'
      | 'empty-art'
      | 'no-size'
      | 'too-big-for-hoop'
      | 'bad-size'
      | 'bad-job'
      | 'newer-version'
      | 'bad-bundle'
      | 'bad-font'
      | 'bad-picture'
      | 'bad-stitches'
      | 'bad-machine'
      | 'no-machine'
      | 'too-complex'
      | 'bad-usage',
    message: string,
  ) {
    super(message);
    this.name = 'InputError';
  }
}

/** What to say of something that failed: its own words when they are fit for people, else `otherwise`. */
export const reasonOf = (error: unknown, otherwise: string): string =>
  error instanceof InputError || error instanceof TooComplex ? error.message : otherwise;
