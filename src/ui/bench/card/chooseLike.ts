import type { ResolvedSettings } from '@/core/pieces/resolve';
import type { PlannedPiece } from '@/core/plan/plan';
import { usePlan } from '@/session/derived/planStore';
import { selectAll } from '@/session/view/viewStore';

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Ids of the pieces that are sewn with the same value of a setting, whoever chose it; the model first. */
export function likeIn(pieces: readonly Pick<PlannedPiece, 'id' | 'settings'>[], id: string, key: keyof ResolvedSettings): string[] {
  const model = pieces.find((p) => p.id === id)?.settings?.[key];
  if (!model) return [];
  return [id, ...pieces.filter((p) => p.id !== id && p.settings?.[key] && same(p.settings[key].value, model.value)).map((p) => p.id)];
}

/** Chooses every piece sewn with the same value of a setting as this one. */
export function chooseLike(id: string, key: keyof ResolvedSettings): void {
  const ids = likeIn(usePlan.getState().planned?.plan.pieces ?? [], id, key);
  if (ids.length > 0) selectAll(ids);
}
