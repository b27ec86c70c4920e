import { useEffect, useState } from 'react';

const BLINK_MS = 700;

/** Whoever wants little movement gets no blinking: the upper picture stays until the way is changed. */
export function useBlink(on: boolean): boolean {
  const [shown, setShown] = useState(true);
  useEffect(() => {
    if (!on || matchMedia('(prefers-reduced-motion: reduce)').matches) return;
    const timer = setInterval(() => setShown((s) => !s), BLINK_MS);
    return () => clearInterval(timer);
  }, [on]);
  return shown || !on;
}
