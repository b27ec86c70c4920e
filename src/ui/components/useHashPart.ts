import { useEffect, useState } from 'react';

/** A part of a page that an address may ask for after its #. */
export function useHashPart<K extends string>(parts: readonly K[], first: K): [K, (part: K) => void] {
  const [part, setPart] = useState<K>(first);
  useEffect(() => {
    const look = (): void => {
      const asked = parts.find((p) => `#${p}` === window.location.hash);
      if (asked) setPart(asked);
    };
    look();
    window.addEventListener('hashchange', look);
    return () => window.removeEventListener('hashchange', look);
  }, [parts]);
  return [part, setPart];
}
