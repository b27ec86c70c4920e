/** Records come back from the store with their keys in another order. */
const inOrder = (value: unknown): unknown => {
  if (Array.isArray(value)) return value.map(inOrder);
  if (value === null || typeof value !== 'object') return value;
  return Object.entries(value)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([key, v]) => [key, inOrder(v)]);
};

/** Tells whether plain data is as it was: the same for equal data whatever the order of its fields. FNV-1a, hexadecimal. */
export function fingerprintOf(value: unknown): string {
  let hash = 0x811c9dc5;
  for (const char of JSON.stringify(inOrder(value))) hash = Math.imul(hash ^ char.codePointAt(0)!, 0x01000193);
  return (hash >>> 0).toString(16);
}
