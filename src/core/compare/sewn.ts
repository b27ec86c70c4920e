import { SETTING_KEYS, SETTINGS, type AnySetting, type SettingKey } from '../document/catalogue';
import type { UnderlayLayer } from '../document/types';
import type { PlannedPiece } from '../plan/plan';
import type { ResolvedSettings } from '../pieces/resolve';

/** A setting that pieces are sewn with, before and after, as people read it; a length in mm. */
export interface SewnDifference {
  label: string;
  from: string;
  to: string;
}

/** Pieces whose sewing differs in the same way. */
export interface SewnChange {
  ids: string[];
  what: SewnDifference[];
}

type Settled = Pick<PlannedPiece, 'id' | 'settings'>;

/**
 * What two plans sew otherwise although nobody changed the pieces, as another cloth, thread or rule of the job does;
 * pieces that change alike stand together, in the order of the second plan.
 */
export function sewnChanges(before: readonly Settled[], after: readonly Settled[]): SewnChange[] {
  const earlier = new Map(before.map((p) => [p.id, p.settings]));
  const alike = new Map<string, SewnChange>();
  for (const { id, settings } of after) {
    const old = earlier.get(id);
    if (!old || !settings) continue;
    const what = differences(old, settings);
    if (what.length === 0) continue;
    const key = JSON.stringify(what);
    const group = alike.get(key);
    if (group) group.ids.push(id);
    else alike.set(key, { ids: [id], what });
  }
  return [...alike.values()];
}

function differences(old: ResolvedSettings, now: ResolvedSettings): SewnDifference[] {
  return SETTING_KEYS.flatMap((key) => {
    const [from, to] = [wordOf(key, valueIn(old, key)), wordOf(key, valueIn(now, key))];
    return from === to ? [] : [{ label: SETTINGS[key].label, from, to }];
  });
}

/** Keys that only what is set by hand has, such as per cent, are told by what they come to. */
const valueIn = (settings: ResolvedSettings, key: SettingKey): unknown =>
  (settings as unknown as Partial<Record<SettingKey, { value: unknown }>>)[key]?.value;

const NONE = 'none';

function wordOf(key: SettingKey, value: unknown): string {
  if (value === undefined || value === null) return NONE;
  const setting: AnySetting = SETTINGS[key];
  switch (setting.as) {
    case 'number':
      return `${(value as number).toFixed(setting.decimals)}${setting.unit === 'mm' ? ' mm' : setting.unit}`;
    case 'choice':
      return (setting.words[value as string] ?? (value as string)).toLowerCase();
    case 'switch':
      return value ? 'yes' : 'no';
    case 'layers':
      return (value as readonly UnderlayLayer[]).map((l) => l.kind.replace('-', ' ')).join(' + ') || NONE;
    case 'sides':
      return (value as readonly number[]).map((v) => v.toFixed(2)).join(' and ') + ' mm';
  }
}
