/** "heron-wing_left" becomes "Heron wing left"; machine-made ids become nothing. */
export function readable(id: string): string {
  const words = id.replace(/[-_]+/g, ' ').replace(/\s+/g, ' ').trim();
  if (
    words === '' ||
    /^(path|rect|circle|ellipse|polygon|polyline|line|g|group|layer|svg|use|xmlid|shape)\s*\d*/i.test(words) ||
    /\d{3,}/.test(words)
  )
    return '';
  return words.charAt(0).toUpperCase() + words.slice(1).slice(0, 39);
}

/** What a part is called by. */
export interface Named {
  /** Its name in the artwork, readable; empty where it has none. */
  title: string;
  thread: string;
  /** Lightness of its thread, 0 to 100. */
  lightness: number;
  /** What it is: dot, band, area. */
  shape: string;
  at: { x: number; y: number };
}

/** Parts that lie farther apart than this one way than the other are left and right, or upper and lower. */
const PLAINLY = 1.5;

/**
 * A name for each part, no two alike: the artwork's own, told apart by light and dark, by what they are and by where they lie;
 * without one the thread and the shape, numbered.
 */
export function namesOf(parts: readonly Named[]): string[] {
  const out = parts.map((p) => p.title || `${p.thread} ${p.shape}`);
  toldApart(parts, out, (group) => byShape(group.map((i) => parts[i]!)));
  toldApart(parts, out, (group) => byShade(group.map((i) => parts[i]!)));
  toldApart(parts, out, (group) => byPlace(group.map((i) => parts[i]!)));
  toldApart(parts, out, (group) => group.map((_, k) => ` ${k + 1}`));
  return unlike(out);
}

/** Adds to names that several parts have what tells them apart; nothing where that says nothing. */
function toldApart(parts: readonly Named[], names: string[], words: (group: readonly number[]) => string[] | null): void {
  const groups = new Map<string, number[]>();
  parts.forEach((_, i) => groups.set(names[i]!, [...(groups.get(names[i]!) ?? []), i]));
  for (const group of groups.values()) {
    const added = group.length > 1 ? words(group) : null;
    if (added) group.forEach((i, k) => (names[i] += added[k]!));
  }
}

function byShade(group: readonly Named[]): string[] | null {
  const threads = [...new Map(group.map((p) => [p.thread, p.lightness])).entries()].sort((a, b) => b[1] - a[1]).map(([t]) => t);
  if (threads.length < 2) return null;
  const words = threads.length === 2 ? [', light', ', dark'] : threads.map((t) => `, ${t.toLowerCase()}`);
  return group.map((p) => words[threads.indexOf(p.thread)]!);
}

/** The one area among columns keeps the name: they are its limbs. */
function byShape(group: readonly Named[]): string[] | null {
  const areas = group.filter((p) => p.title !== '' && BODIES.has(p.shape));
  return areas.length === 1 ? group.map((p) => (p === areas[0] ? '' : ` ${p.shape}`)) : null;
}
const BODIES: ReadonlySet<string> = new Set(['area', 'frame', 'disc', 'panel']);

function byPlace(group: readonly Named[]): string[] | null {
  if (group.length !== 2) return null;
  const [a, b] = group as [Named, Named];
  const [dx, dy] = [a.at.x - b.at.x, a.at.y - b.at.y];
  if (Math.abs(dx) > PLAINLY * Math.abs(dy)) return dx < 0 ? [', left', ', right'] : [', right', ', left'];
  if (Math.abs(dy) > PLAINLY * Math.abs(dx)) return dy < 0 ? [', upper', ', lower'] : [', lower', ', upper'];
  return null;
}

/** A number that was added may be another part's own name. */
function unlike(names: readonly string[]): string[] {
  const used = new Set<string>();
  return names.map((name) => {
    let made = name;
    for (let k = 2; used.has(made); k++) made = `${name} ${k}`;
    used.add(made);
    return made;
  });
}
