import { congruence, printOf, unturned, type Congruence, type Print } from '../geometry/congruent';
import type { Region } from './artRegions';
import { paintedBy, type Proposal } from './proposeKind';

/** Shapes that differ by less are the same, mm. */
const SAME_MM = 0.15;

/** One of several of a shape. */
export interface Twin {
  /** Tells the sets apart: the place of the first of them among all parts, sewn or left out. */
  model: number;
  /** How the model is laid on it. */
  as: Congruence;
}

/** A region with what it is proposed as. */
interface Sewn {
  region: Region;
  proposal: Proposal;
}

/** For each region the first one of its colour and shape as it is seen, wherever it lies, turned or mirrored; null where it is the only one. */
export function twinsOf(sewn: readonly Sewn[]): (Twin | null)[] {
  const prints = sewn.map(({ region, proposal }) => (proposal.shape ? printOf(region.seen ?? paintedBy(region)) : null));
  const out = sewn.map((): Twin | null => null);
  const models: number[] = [];
  sewn.forEach(({ region }, i) => {
    const print = prints[i];
    if (!print) return;
    for (const model of models) {
      if (sewn[model]!.region.hex !== region.hex) continue;
      const as = congruence(prints[model]!, print, SAME_MM);
      if (!as) continue;
      out[model] ??= { model, as: { turn: 0, mirrored: false, from: print.middle, to: print.middle } };
      out[i] = { model, as };
      return;
    }
    models.push(i);
  });
  return out;
}

/** Shapes that differ by so little cover and pile alike, mm. */
const DECIDED_MM = 0.1;

/** The same way of proposing, which decides regions of one shape once, moved or mirrored: what the first became, the others become. */
export function decidedOnce(propose: (region: Region) => Proposal): (region: Region) => Proposal {
  const known: { whole: Print; seen: Print | null; proposal: Proposal }[] = [];
  return (region) => {
    const whole = region.stroke ? null : printOf(region.area);
    if (!whole || region.area.length > 1) return propose(region);
    const seen = region.seen ? printOf(region.seen) : null;
    const before = known.find((k) => unturned(k.whole, whole, DECIDED_MM) && sameSeen(k.seen, seen));
    if (before) return { ...before.proposal, shape: { ...before.proposal.shape!, area: region.data } };
    const proposal = propose(region);
    if (proposal.shape?.area === region.data) known.push({ whole, seen, proposal });
    return proposal;
  };
}

const sameSeen = (a: Print | null, b: Print | null): boolean => (a && b ? unturned(a, b, DECIDED_MM) !== null : a === b);

/** Sets of twins are sewn as one kind: columns only where all of them can be. */
export function proposedAlike<T extends Sewn>(sewn: readonly T[], twins: readonly (Twin | null)[]): T[] {
  const filled = new Set(sewn.flatMap((s, i) => (twins[i] && s.proposal.kind === 'fill' ? [twins[i].model] : [])));
  return sewn.map((s, i) => {
    const twin = twins[i];
    if (!twin || !filled.has(twin.model) || s.proposal.kind !== 'satin' || s.region.stroke) return s;
    const shape = { area: s.region.data, settings: {} };
    return { ...s, proposal: { kind: 'fill', why: 'a fill as the others of its shape', shape } };
  });
}
