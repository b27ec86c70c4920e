import { create } from 'zustand';
import { keepPreference, preference } from '@/platform/storage/shop';

const KEY = 'tool-words';

/** Whether the strip shows the tools' words beside their signs. */
export const useStrip = create<{ words: boolean }>(() => ({ words: true }));

/** As it was left; with words at first. */
export async function openStrip(): Promise<void> {
  if ((await preference<boolean>(KEY)) === false) useStrip.setState({ words: false });
}

export function showWords(words: boolean): void {
  useStrip.setState({ words });
  void keepPreference(KEY, words);
}
