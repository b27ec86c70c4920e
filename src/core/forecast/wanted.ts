import type { EdgePlace } from './edges';

/** A place of an edge, and how far it is to be moved out, mm. */
export interface Wanted {
  place: EdgePlace;
  mm: number;
}
