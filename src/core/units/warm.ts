const kept = new Map<unknown, object>();

/**
 * Keeps the last object of its class. Engines throw away the machine code that knows a class when its last object goes;
 * the first edit after a rest would then be nearly twice as slow as the next. For classes whose objects live only while
 * a plan is made.
 */
export function stayWarm<T extends object>(one: T): T {
  kept.set(one.constructor, one);
  return one;
}
