/** An object less some of its fields. */
export function without<T extends object, K extends keyof T>(of: T, ...fields: K[]): Omit<T, K> {
  const kept = { ...of };
  for (const field of fields) delete kept[field];
  return kept;
}
