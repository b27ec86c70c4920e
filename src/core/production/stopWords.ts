import type { Job } from '../document/types';
import type { SewnStop } from './stops';

/** What is told of one stretch between stops. */
export interface StopLine {
  /** What a hand does before it; null where the machine goes on by itself once its thread is on. */
  hand: string | null;
  /** What is sewn in it. */
  sews: string;
}

const MOST_NAMES = 5;
/** Names of parts and copies of one piece are one: `Limpet 2` and `Limpet 3`. */
const stem = (name: string): string => name.replace(/ \d+$/, '');

/** The stretches of a plan in words. @param job whose pieces the stretches name: of several copies the sheet's own */
export function stopLines(job: Pick<Job, 'pieces'>, stops: readonly SewnStop[]): StopLine[] {
  const waits = new Map<string, number>();
  return stops.map(({ pieces, byHand }) => {
    const names = [...new Set(pieces.map((p) => stem(job.pieces[p]?.name ?? '?')))];
    const sews = names.slice(0, MOST_NAMES).join(', ') + (names.length > MOST_NAMES ? ` and ${names.length - MOST_NAMES} more` : '');
    const first = job.pieces[pieces[0]!];
    const [kind, foam, name] = [first?.kind, first?.settings.foam ?? 0, stem(first?.name ?? '')];
    if (kind === 'applique') {
      const before = waits.get(name);
      waits.set(name, (before ?? -1) + 1);
      const hand =
        before === undefined
          ? null
          : before === 0
            ? `Lay the cloth over the line of ${name}.`
            : `Cut the cloth of ${name} away, close to its tack-down. Mind the blade.`;
      return { hand: byHand ? hand : null, sews };
    }
    if (foam > 0 && byHand)
      return { hand: `Lay ${foam} mm foam on, a little larger than ${name}, in the colour next to its thread.`, sews };
    return { hand: byHand ? 'The machine waits, as the job asks.' : null, sews };
  });
}
