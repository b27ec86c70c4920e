import type { PieceSettings } from './types';

/** Changes to settings; what is undefined in it is given back to recipe and rules. */
export type SettingsPatch = { [K in keyof PieceSettings]?: PieceSettings[K] | undefined };

/** Settings with a patch. */
export function withSettings(settings: PieceSettings, patch: SettingsPatch): PieceSettings {
  return Object.fromEntries(Object.entries({ ...settings, ...patch }).filter(([, v]) => v !== undefined));
}
