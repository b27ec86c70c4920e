import { keepPreference, preference } from '@/platform/storage/shop';

/** How wide the card and how tall the thread line are, pixels. */
export interface PanelSizes {
  card: number;
  line: number;
}

export const CARD_PX = { usual: 304, least: 264, most: 620 } as const;
export const LINE_PX = { usual: 149, low: 60, least: 44, most: 420 } as const;
/** On a screen lower than this the cloth needs the room, pixels. */
const LOW_PX = 520;

const KEY = 'bench-panels';
let known: PanelSizes | null = null;

/** As they were left, as far as that is known by now. */
export const panelSizes = (): PanelSizes =>
  known ?? { card: CARD_PX.usual, line: globalThis.innerHeight < LOW_PX ? LINE_PX.low : LINE_PX.usual };

/** @returns the sizes as they were left; null when they never were changed */
export async function loadPanelSizes(): Promise<PanelSizes | null> {
  const kept = await preference<Partial<PanelSizes>>(KEY);
  if (typeof kept?.card !== 'number' || typeof kept.line !== 'number') return null;
  known = { card: within(kept.card, CARD_PX), line: within(kept.line, LINE_PX) };
  return known;
}

export function keepPanelSizes(sizes: PanelSizes): void {
  known = sizes;
  void keepPreference(KEY, sizes);
}

const within = (v: number, { least, most }: { least: number; most: number }): number => Math.min(most, Math.max(least, v));
