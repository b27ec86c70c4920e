import type { Resolved } from '@/core/document/resolved';
import type { ResolvedSettings } from '@/core/pieces/resolve';

const words = (values: readonly unknown[]): string => {
  if (values.every((v): v is number => typeof v === 'number')) return `mixed: ${Math.min(...values)} to ${Math.max(...values)}`;
  if (values.every((v): v is string => typeof v === 'string')) return `mixed: ${[...new Set(values)].join(', ')}`;
  return 'mixed';
};

/** Settings that all of several pieces have; where they differ, the first one's value, and the reason says by how much. */
export function mergedSettings(all: readonly ResolvedSettings[]): ResolvedSettings {
  const lists = all as unknown as readonly Record<string, Resolved<unknown>>[];
  const first = lists[0] ?? {};
  const shared = Object.keys(first).filter((key) => lists.every((l) => l[key]));
  return Object.fromEntries(
    shared.map((key) => {
      const values = lists.map((l) => l[key]!.value);
      const same = values.every((v) => JSON.stringify(v) === JSON.stringify(values[0]));
      const byHand = lists.some((l) => l[key]!.from === 'hand');
      return [key, same ? first[key] : { value: values[0], from: byHand ? 'hand' : first[key]!.from, why: words(values) }];
    }),
  ) as unknown as ResolvedSettings;
}
