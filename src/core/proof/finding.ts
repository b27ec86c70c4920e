import type { SettingsPatch } from '../document/settings';
import type { Brief, Piece } from '../document/types';
import type { Point } from '../geometry/point';

export const SEVERITIES = ['stop', 'warn', 'note'] as const;
/** `stop`: it will break, tear or miss the hoop. `warn`: it will be seen. `note`: worth knowing. */
export type Severity = (typeof SEVERITIES)[number];

/** A change that would mend what was found, as one undoable step. */
export interface Fix {
  label: string;
  /** Fields of pieces to set; `settings` are merged into those that the piece has, undefined takes one away; `then` comes right after it. */
  pieces?: { id: string; patch?: Partial<Piece>; settings?: SettingsPatch; without?: (keyof Piece)[]; then?: Piece }[];
  brief?: Partial<Brief>;
  /** Pieces to be sewn right after others, ids. */
  sewRightAfter?: { piece: string; after: string }[];
  /** Ids of pieces whose edges are to be corrected for the pull; that is worked out when it is asked for. */
  correct?: string[];
}

/** One place of a finding, and the ids of the pieces that it concerns there. */
export interface Place {
  at: Point;
  pieces: string[];
}

/** What a check found, with its measure. What has one cause at many places is one finding. */
export interface Finding {
  /** Stable name of the rule. */
  rule: string;
  severity: Severity;
  /** Ids of all pieces that it concerns; none when it concerns the whole job. */
  pieces: string[];
  /** The worst place, and all of them, the worst first. */
  at: Point;
  places: Place[];
  /** Cloth that it spoils at all places, mm². */
  spoilsMm2: number;
  /** At the worst place. */
  measured: number;
  limit: number;
  unit: 'mm' | 'mm²' | '°' | '' | 'per mm²' | 'layers';
  /** Where the limit comes from. */
  limitFrom: string;
  /** What it is and why it matters, in a sentence. */
  message: string;
  fix?: Fix;
  /** Other ways to mend it, for a person to choose from. */
  others?: Fix[];
  /** Set when a person accepted it, with the reason. */
  accepted?: string;
}

/** What a check says of one place; its rule and severity are the check's own. */
export type Found = Omit<Finding, 'rule' | 'severity' | 'accepted' | 'places' | 'spoilsMm2'> & { severity?: Severity; spoilsMm2?: number };
