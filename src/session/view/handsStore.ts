import { create } from 'zustand';
import { keepPreference, preference } from '@/platform/storage/shop';

/** How the person's hands work the cloth; kept in this browser. */
export type WheelHabit = 'zooms' | 'moves';

const WHEEL = 'wheel';

/** What a wheel does over the cloth: it makes larger and smaller, or moves the view and with Ctrl makes larger. */
export const useHands = create<{ wheel: WheelHabit }>(() => ({ wheel: 'zooms' }));

export async function loadHands(): Promise<void> {
  if ((await preference<WheelHabit>(WHEEL)) === 'moves') useHands.setState({ wheel: 'moves' });
}

export function setWheel(wheel: WheelHabit): void {
  useHands.setState({ wheel });
  void keepPreference(WHEEL, wheel);
}
