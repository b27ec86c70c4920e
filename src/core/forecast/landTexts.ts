import type { Job, LetterOwn, Lettering } from '../document/types';
import { heightWithin } from '../document/ranges';
import { isCorrection } from '../lettering/sized';
import { toThousandths } from '../units/rounded';
import { forecast, type ForecastOptions } from './forecast';
import { heightsOfTexts, sewnMm, wantedMm, type LetterHeight } from './textHeights';

/** A letter is drawn taller or lower by no more than this share. */
const MOST_CORRECTED = 0.15;
/** So near a letter has landed, mm. */
const LANDED_MM = 0.03;
/** Letters whose heights lie no farther apart are as high as can be seen, mm. */
const ALIKE_MM = 0.1;
/**
 * Rounds in which all letters are corrected at once; then those in which only the worst one is; then those in which it is enough that
 * all come out alike, a little taller or lower than wanted.
 */
const ROUNDS = { all: 7, single: 24, alike: 24 };
type Stage = keyof typeof ROUNDS;

/** What a letter is off by at its top or foot, all of them being so much taller than wanted, mm. */
const errorOf = (h: LetterHeight, tallerMm = 0): number =>
  Math.max(Math.abs(h.sewnTop - h.wantedTop - tallerMm / 2), Math.abs(h.wantedBottom - h.sewnBottom - tallerMm / 2));
/** How much taller than wanted letters are between the tallest and the lowest, mm: alike is what is seen, exact is not. */
function tallerOf(heights: readonly Landed[]): number {
  const all = heights.map((h) => sewnMm(h) - wantedMm(h));
  return Math.min(MOST_TALLER_MM, Math.max(-MOST_TALLER_MM, (Math.max(...all) + Math.min(...all)) / 2));
}
const MOST_TALLER_MM = 0.2;
/** Squares of what letters miss; what they all miss alike does not count when they are only to be `alike`. */
function offOf(heights: readonly Landed[], alike: boolean): number {
  const taller = alike ? tallerOf(heights) : 0;
  return heights.reduce((sum, h) => sum + Math.max(0, errorOf(h, taller) - LANDED_MM) ** 2, 0);
}
const worstOf = (heights: readonly Landed[], tallerMm = 0): number => Math.max(0, ...heights.map((h) => errorOf(h, tallerMm)));
/** How far the heights of letters lie apart, by what each is wanted to be, mm. */
function spreadOf(heights: readonly Landed[]): number {
  const all = heights.map((h) => sewnMm(h) - wantedMm(h));
  return Math.max(...all) - Math.min(...all);
}

/**
 * Texts with every letter drawn so that it is predicted to sew as high as wanted, as nearly as some rounds come.
 * @param only ids of pieces; all texts where absent
 */
export function landTexts(job: Job, options: ForecastOptions & { only?: readonly string[] } = {}): Job {
  const { only, progress = () => undefined, ...rest } = options;
  const landings = new Map<string, Landing>();
  const rounds = ROUNDS.all + ROUNDS.single + ROUNDS.alike;
  const stageOf = (round: number): Stage => (round < ROUNDS.all ? 'all' : round < ROUNDS.all + ROUNDS.single ? 'single' : 'alike');
  let now = job;
  for (let round = 0; round < rounds; round++) {
    const sewn = heightsOfTexts(now, forecast(now, { ...rest, progress: (done) => progress((round + done) / rounds) }));
    const next = new Map<string, Lettering>();
    for (const { piece, heights } of sewn) {
      if (heights.length === 0 || (only && !only.includes(piece.id))) continue;
      const landing = landings.get(piece.id) ?? new Landing();
      landings.set(piece.id, landing);
      next.set(piece.id, landing.after(piece.lettering!, heights, stageOf(round + 1)));
    }
    if ([...landings.values()].every((b) => b.isDone(stageOf(round)))) break;
    now = withTexts(now, next);
  }
  return withTexts(job, new Map([...landings].map(([id, { text }]) => [id, text!])));
}

/** How high a letter came out, and how high it was drawn before anything was corrected, mm. */
interface Landed extends LetterHeight {
  givenMm: number;
}

/** A letter as it came out best so far, and how many other tries since were no better. */
interface Tried {
  error: number;
  own: LetterOwn | undefined;
  height: Landed;
  misses: number;
  /** Heights as drawn, mm: the tallest that sewed too low, the lowest that sewed too tall. */
  low: number;
  high: number;
}
const FRESH = { misses: 0, low: -Infinity, high: Infinity };
const MOST_FOLLOWED = 5;
/** Shares of what is wrong that are corrected, one try after the other: rows fall elsewhere in a letter of another height, so that what should land may not. */
const STEPS = [1, 0.5, 1.4, 0.75, 0.25, 1.8, 0.4, 1.2, 2.2, 0.15];
/** After so many tries in vain it is another letter's turn. */
const MOST_MISSES = 5;

/**
 * Letters of one text on their way to their heights. All of them are corrected at once at first; then one by one, the worst first, since
 * the path goes another way through neighbours of another height, and rows fall elsewhere.
 */
class Landing {
  /** The best text so far, and how its letters came out. */
  text: Lettering | null = null;
  /** Squares of what its letters miss. */
  private off = Infinity;
  private heights: readonly Landed[] = [];
  private alike = false;
  /** Rounds since the best text was left to see where another way leads. */
  private followed = 0;
  private readonly wanted = new Map<number, Pick<Landed, 'wantedTop' | 'wantedBottom' | 'givenMm'>>();
  private readonly tried = new Map<number, Tried>();
  private readonly given = new Map<number, number>();

  /** Takes in how a text came out. @returns the text to try next */
  after(text: Lettering, found: readonly LetterHeight[], next: Stage): Lettering {
    const heights = found.map((h) => this.asWanted(text, h));
    // A letter of which no level edge is known any more has not landed.
    const off = heights.length < this.heights.length ? Infinity : offOf(heights, this.alike);
    if (off < this.off) {
      [this.text, this.off, this.heights] = [text, off, heights];
      this.given.clear();
    }
    for (const height of heights) this.learn(text, height);
    if (next === 'all') return this.withAll(text);
    if (next === 'alike' && !this.alike) return this.withOthersAlike();
    // The path may have gone another way, on which the letters land just as well: that way is followed a little.
    if (off === this.off || this.followed >= MOST_FOLLOWED) this.followed = 0;
    else {
      this.followed++;
      return this.asSeen(text, heights, this.alike ? tallerOf(heights) : 0);
    }
    return this.withWorst();
  }

  /** A letter's heights beside what was wanted of it at first: one that is drawn otherwise on purpose is not another one for being corrected. */
  private asWanted(text: Lettering, height: LetterHeight): Landed {
    const { index, wantedTop, wantedBottom } = height;
    const first = this.wanted.get(index) ?? { wantedTop, wantedBottom, givenMm: text.letters?.[index]?.height ?? text.height };
    this.wanted.set(index, first);
    return { ...height, ...first };
  }

  /** Whether nothing is left to be corrected in some stage. */
  isDone(stage: Stage): boolean {
    if (stage === 'all') return worstOf(this.heights) <= LANDED_MM;
    return spreadOf(this.heights) <= ALIKE_MM && worstOf(this.heights, stage === 'alike' ? tallerOf(this.heights) : 0) <= ALIKE_MM;
  }

  private learn(text: Lettering, height: Landed): void {
    const before = this.tried.get(height.index);
    const own = text.letters?.[height.index];
    const drawn = own?.height ?? text.height;
    const short = sewnMm(height) < wantedMm(height);
    const low = Math.max(before?.low ?? -Infinity, short ? drawn : -Infinity);
    const high = Math.min(before?.high ?? Infinity, short ? Infinity : drawn);
    const now: Tried = { error: errorOf(height), own, height, misses: 0, low, high };
    this.tried.set(height.index, before && before.error <= now.error ? { ...before, misses: before.misses + 1, low, high } : now);
  }

  private withAll(text: Lettering): Lettering {
    const letters = { ...text.letters };
    for (const [index, best] of this.tried) {
      const next = best.error <= LANDED_MM ? best.own : corrected(text, best);
      if (next) letters[index] = next;
      else delete letters[index];
    }
    return { ...text, letters };
  }

  /** A text with each letter corrected by how it has just come out. */
  private asSeen(text: Lettering, heights: readonly Landed[], taller: number, overMm = LANDED_MM): Lettering {
    const letters = { ...text.letters };
    for (const height of heights) {
      const error = errorOf(height, taller);
      if (error > overMm) letters[height.index] = corrected(text, { ...FRESH, error, own: letters[height.index], height }, taller);
    }
    return { ...text, letters };
  }

  /** The best text with all letters, but those that were tried in vain, as much taller or lower as those are. */
  private withOthersAlike(): Lettering {
    this.alike = true;
    this.off = offOf(this.heights, true);
    const moved = this.heights.filter((h) => (this.given.get(h.index) ?? 0) < MOST_MISSES);
    this.given.clear();
    return this.asSeen(this.text!, moved, tallerOf(this.heights), 0);
  }

  /** The best text with its worst letter corrected once more; where that was tried in vain, the next one. */
  private withWorst(): Lettering {
    const text = this.text!;
    const left = this.heights.filter((h) => (this.given.get(h.index) ?? 0) < MOST_MISSES);
    if (left.length === 0) return text;
    const taller = this.alike ? tallerOf(this.heights) : 0;
    const height = left.reduce((a, b) => (errorOf(b, taller) > errorOf(a, taller) ? b : a));
    const misses = this.given.get(height.index) ?? 0;
    this.given.set(height.index, misses + 1);
    const { low, high } = this.tried.get(height.index)!;
    const own = text.letters?.[height.index];
    const next = corrected(text, { error: errorOf(height), own, height, misses, low, high }, taller);
    return { ...text, letters: { ...text.letters, [height.index]: next } };
  }
}

const withTexts = (job: Job, texts: ReadonlyMap<string, Lettering>): Job => ({
  ...job,
  pieces: job.pieces.map((p) => (texts.has(p.id) ? { ...p, lettering: texts.get(p.id)! } : p)),
});

/** A letter's own height and shift with which what was wrong with it is corrected. */
function corrected(text: Lettering, { own = {}, height: h, misses, low, high }: Tried, tallerMm = 0): LetterOwn {
  const height = own.height ?? text.height;
  const step = STEPS[misses % STEPS.length]!;
  // The base line stays where it is: what is too much below it is a shift, the rest is height.
  const half = tallerMm / 2;
  const [over, under] = [step * (h.sewnTop - h.wantedTop - half), step * (h.wantedBottom - h.sewnBottom - half)];
  const straight = (height * (wantedMm(h) - over - under)) / wantedMm(h);
  // What is sewn jumps where a row more fits in: between a height that was too low and one that was too tall it is halved.
  const between = Number.isFinite(low) && Number.isFinite(high) && low < high;
  const wanted = between && misses % 2 === 1 ? (low + high) / 2 : straight;
  // What would differ by more is another height that somebody wanted, not a correction.
  const about = isCorrection(h.givenMm, text) ? text.height : h.givenMm;
  const next = heightWithin(Math.min(about * (1 + MOST_CORRECTED), Math.max(about * (1 - MOST_CORRECTED), wanted)));
  const shift = (own.shift?.[1] ?? 0) + under - (h.bottom / height) * (next - height);
  return { ...own, height: toThousandths(next), shift: [own.shift?.[0] ?? 0, toThousandths(shift)] };
}
