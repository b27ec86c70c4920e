/** Where a value came from. */
export type Source = 'recipe' | 'rule' | 'hand';

export interface Resolved<T> {
  value: T;
  from: Source;
  /** The reason in a few words, for people. */
  why: string;
}
