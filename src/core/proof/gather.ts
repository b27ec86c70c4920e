import { SEVERITIES, type Finding, type Fix, type Found, type Severity } from './finding';

/** One place as a check found it, its rule and severity told. */
export type FoundAt = Found & { rule: string; severity: Severity; accepted?: string };

/** So many pieces are named in a sentence. */
const MOST_NAMED = 3;

/**
 * Findings of one cause as one, its places the worst first: by rule, severity and whether they are accepted, and why.
 * The gravest come first, among like ones those that spoil the most cloth.
 * @param nameOf a piece's name by its id
 */
export function gathered(found: readonly FoundAt[], nameOf: (id: string) => string): Finding[] {
  const groups = new Map<string, FoundAt[]>();
  for (const f of found) {
    const key = `${f.rule}\n${f.severity}\n${f.accepted ?? ''}`;
    groups.set(key, [...(groups.get(key) ?? []), f]);
  }
  return [...groups.values()]
    .map((group) => together(group, nameOf))
    .sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) || b.spoilsMm2 - a.spoilsMm2);
}

const spoiled = (f: FoundAt): number => f.spoilsMm2 ?? 0;

function together(group: readonly FoundAt[], nameOf: (id: string) => string): Finding {
  const places = group.slice().sort((a, b) => spoiled(b) - spoiled(a));
  const [worst, ...others] = places as [FoundAt, ...FoundAt[]];
  const all: Finding = {
    ...worst,
    pieces: [...new Set(places.flatMap((f) => f.pieces))],
    places: places.map(({ at, pieces }) => ({ at, pieces })),
    spoilsMm2: places.reduce((sum, f) => sum + spoiled(f), 0),
  };
  if (others.length === 0) return all;
  const fix = fixOfAll(places);
  const ways = waysOfAll(places);
  delete all.fix;
  delete all.others;
  return {
    ...all,
    message: `${worst.message} ${elsewhere(worst, others, nameOf)}`,
    ...(fix ? { fix } : {}),
    ...(ways.length > 0 ? { others: ways } : {}),
  };
}

function elsewhere(worst: FoundAt, others: readonly FoundAt[], nameOf: (id: string) => string): string {
  const names = [...new Set(others.flatMap((f) => f.pieces.slice(0, 1)))].filter((id) => !worst.pieces.includes(id)).map(nameOf);
  const more = names.length > MOST_NAMED ? ` and ${names.length - MOST_NAMED} more` : '';
  const where =
    names.length > 0
      ? `: ${names
          .slice(0, MOST_NAMED)
          .map((n) => `‘${n}’`)
          .join(', ')}${more}`
      : '';
  return `The same at ${others.length === 1 ? 'another place' : `${others.length} other places`}${where}.`;
}

/** All that can be mended by one step, where the worst place can. */
function fixOfAll(places: readonly FoundAt[]): Fix | null {
  const fixes = places.flatMap((f) => f.fix ?? []);
  if (!places[0]!.fix) return null;
  return fixes.length === 1 ? fixes[0]! : joined(labelOf(fixes), fixes);
}

/** One label for all when they say the same, or how many they are. */
function labelOf(fixes: readonly Fix[]): string {
  const first = fixes[0]!.label;
  return fixes.every((f) => f.label === first) ? `${first}, at all ${fixes.length}` : `${first}, and ${fixes.length - 1} more alike`;
}

/** Other ways that there are at every place. */
function waysOfAll(places: readonly FoundAt[]): Fix[] {
  return (places[0]!.others ?? []).flatMap(({ label }) => {
    const same = places.flatMap((f) => f.others?.find((o) => o.label === label) ?? []);
    return same.length === places.length ? [joined(`${label}, at all ${same.length}`, same)] : [];
  });
}

/** Several fixes as one step. What two of them say of one piece is joined; where they disagree the first is kept. */
function joined(label: string, fixes: readonly Fix[]): Fix {
  const pieces = new Map<string, NonNullable<Fix['pieces']>[number]>();
  for (const change of fixes.flatMap((f) => f.pieces ?? [])) {
    const known = pieces.get(change.id);
    if (!known) pieces.set(change.id, change);
    else {
      const without = [...new Set([...(known.without ?? []), ...(change.without ?? [])])];
      pieces.set(change.id, {
        ...change,
        ...known,
        patch: { ...change.patch, ...known.patch },
        settings: { ...change.settings, ...known.settings },
        ...(without.length > 0 ? { without } : {}),
      });
    }
  }
  const brief = Object.assign({}, ...fixes.map((f) => f.brief ?? {}).reverse()) as Fix['brief'];
  const after = fixes.flatMap((f) => f.sewRightAfter ?? []);
  const correct = [...new Set(fixes.flatMap((f) => f.correct ?? []))];
  return {
    label,
    ...(pieces.size > 0 ? { pieces: [...pieces.values()] } : {}),
    ...(Object.keys(brief ?? {}).length > 0 ? { brief: brief! } : {}),
    ...(after.length > 0 ? { sewRightAfter: after } : {}),
    ...(correct.length > 0 ? { correct } : {}),
  };
}
