import { create } from 'zustand';
import { keepPreference, preference } from '@/platform/storage/shop';

const KEY = 'guide';

/** Whether the way through a job is shown: null before it is known. */
export const useGuide = create<{ shown: boolean | null }>(() => ({ shown: null }));

/** As it was left; not shown to whoever never made a job of artwork of their own. */
export async function openGuide(): Promise<void> {
  const kept = await preference<boolean>(KEY);
  if (useGuide.getState().shown === null) useGuide.setState({ shown: kept === true });
}

export function showGuide(shown: boolean): void {
  useGuide.setState({ shown });
  void keepPreference(KEY, shown);
}

/** The first job of a person's own brings the guide, unless it was put away before. */
export async function bringGuide(): Promise<void> {
  if ((await preference<boolean>(KEY)) === null) showGuide(true);
}
