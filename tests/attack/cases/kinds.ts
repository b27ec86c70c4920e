export type Random = () => number;
export const oneOf = <T>(list: readonly T[], random: Random): T => list[Math.floor(random() * list.length)]!;

/** One thing to be tried. */
export interface Case {
  what: string;
  /** What is written to disk when it goes wrong. */
  keep?: string | Uint8Array;
  /** What is wrong with the outcome; null when nothing is. What is refused with an `InputError` is fine. */
  run(): string | null | Promise<string | null>;
}

export interface Attack {
  name: string;
  /** How many are tried unless told otherwise. */
  usual: number;
  case(index: number, random: Random): Case;
}
