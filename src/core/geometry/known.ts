/**
 * What was worked out for a shape, or for a pair of them, is kept as long as the shapes live. Shapes are kept by content,
 * so after an edit only what concerns the edited piece is worked out again.
 */
export function ofEach<K extends object, T>(make: (key: K) => T): (key: K) => T {
  const known = new WeakMap<K, T>();
  return (key) => {
    const old = known.get(key);
    if (old !== undefined) return old;
    const made = make(key);
    known.set(key, made);
    return made;
  };
}

export function ofPair<A extends object, B extends object, T>(make: (a: A, b: B) => T): (a: A, b: B) => T {
  const of = ofEach((a: A) => ofEach((b: B) => ({ made: make(a, b) })));
  return (a, b) => of(a)(b).made;
}

/** What is made when it is first asked for, and kept. */
export function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}

/** What is made for a number or a word when it is first asked for, and kept. */
export function onceEach<K extends string | number, V>(make: (key: K) => V): (key: K) => V {
  const made = new Map<K, V>();
  return (key) => {
    if (!made.has(key)) made.set(key, make(key));
    return made.get(key)!;
  };
}
