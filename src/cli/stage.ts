import { writeSync } from 'node:fs';

/** So much time passes between two signs of life, ms. */
const EVERY_MS = 100;
const CLEAR = '\r\x1b[K';

interface Screen {
  isTTY: boolean;
  /** Signs to a line. */
  columns?: number | undefined;
  write(text: string): void;
}

/** What is being done now, told on one line of a terminal that is overwritten; nothing where the output is not a terminal. */
export class Stages {
  private shown = false;
  private last = -Infinity;

  constructor(
    private readonly screen: Screen,
    private readonly now: () => number = () => performance.now(),
  ) {}

  /** A stage begins. @returns tells the share of it that is done, 0 to 1 */
  begin(name: string): (done: number) => void {
    if (!this.screen.isTTY) return () => undefined;
    this.show(`${name} …`);
    return (done) => {
      if (this.now() - this.last >= EVERY_MS) this.show(`${name}: ${Math.round(100 * done)} %`);
    };
  }

  /** The line is free for other words. */
  end(): void {
    if (this.shown) this.screen.write(CLEAR);
    this.shown = false;
  }

  private show(text: string): void {
    this.last = this.now();
    this.shown = true;
    // A line that breaks could not be taken back.
    this.screen.write(CLEAR + text.slice(0, (this.screen.columns ?? 80) - 1));
  }
}

const stages = new Stages({
  isTTY: process.stderr.isTTY,
  columns: process.stderr.columns,
  // What is told while the one thread works has to leave at once.
  write: (text) => void writeSync(2, text),
});

/** A stage of the work begins. @returns tells the share of it that is done, 0 to 1 */
export const stage = (name: string): ((done: number) => void) => stages.begin(name);
/** Nothing is being worked on any more. */
export const endStage = (): void => stages.end();
