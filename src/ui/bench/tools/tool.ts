import type { ComponentType } from 'react';
import type { Job, Piece } from '@/core/document/types';
import type { Motion } from './motions';
import type { Point } from '@/core/geometry/point';

/** Where the pointer is on the cloth, mm, and what is held down with it. */
export interface Spot {
  at: Point;
  shift: boolean;
  /** How near counts as the same place, mm. */
  snapMm: number;
}

/** A drag that a tool has taken up. */
export interface Drag {
  to(spot: Spot): void;
  drop?(): void;
}

export interface MarksProps {
  job: Job;
  /** The chosen piece. */
  piece: Piece | null;
  scale: number;
}

/** Keys that mean something of their own while a tool is in the middle of something. */
export type ToolKey = 'Enter' | 'Backspace' | 'C';

/** What the pointer does on the cloth. A tool is one folder and one entry in the list of tools; whatever it leaves out moves the view. */
export interface Tool {
  name: string;
  word: string;
  /** The key that takes it in hand. */
  key: string;
  /** What it does: in a few words, and in full. */
  hint: { short: string; full: string };
  /** On the strip: a word or two. */
  label: string;
  Sign: ComponentType<{ size?: number }>;
  /** What the hand does with it. */
  motion: Motion;
  /** It is what the pointer does with nothing in hand: taking it puts the other away. */
  atRest?: true;
  begin?(): void;
  end?(): void;
  /** The pointer moves with nothing pressed. */
  hover?(spot: Spot): void;
  /** A drag begins: the tool takes it up, or leaves it to the view. All that it changes under one mark is one step. */
  drag?(from: Spot, mark: string): Drag | null;
  click?(spot: Spot): void;
  doubleClick?(spot: Spot): void;
  /** @returns whether the key meant something to it */
  press?(key: ToolKey): boolean;
  /** Esc: gives up what it is in the middle of. @returns false when that is nothing */
  giveUp?(): boolean;
  /** What it makes is sewn in the thread in hand, which is shown and chosen on the card. */
  lays?: true;
  /** Places are caught by guides that are shown. */
  catchesGuides?: true;
  /** What to do so that Delete takes a part away, where it works on parts of pieces. */
  parts?: string;
  /** Handles and marks on the cloth. */
  Marks?: ComponentType<MarksProps>;
}
