// What every attack shares: counting, words at the end, a seed.
export class Tally {
  tried = 0;
  crashed = 0;
  hung = 0;
  wrong = 0;
  note(kind, what) {
    this[kind]++;
    console.log(`  ${kind}: ${what}`);
  }
  /** Prints the last line, and ends with 1 when anything was found. */
  end() {
    console.log(`${this.tried} tried, ${this.crashed} crashed, ${this.hung} hung, ${this.wrong} wrong`);
    if (this.crashed + this.hung + this.wrong > 0) process.exitCode = 1;
  }
}

/** `--name=value` of the command line, as a number. */
export const option = (name, fallback) => Number(process.argv.find((a) => a.startsWith(`--${name}=`))?.split('=')[1] ?? fallback);

/** Numbers from 0 to 1 that follow from a seed (mulberry32). */
export function randomOf(seed) {
  let s = seed >>> 0;
  return () => {
    s = (s + 0x6d2b79f5) >>> 0;
    let t = Math.imul(s ^ (s >>> 15), 1 | s);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

export const pause = (ms) => new Promise((done) => setTimeout(done, ms));
