'use client';
import { useEffect, useRef, useState } from 'react';

const REST_MS = 120;

/**
 * A value that follows its source at once after a quiet time, but waits for rest while the source changes in quick
 * succession, as it does while a shape is dragged: what need not follow the hand leaves the time to what must.
 */
export function useRested<T>(value: T): T {
  const [shown, setShown] = useState(value);
  const last = useRef(0);
  useEffect(() => {
    const now = performance.now();
    const wait = now - last.current < 2 * REST_MS ? REST_MS : 0;
    last.current = now;
    const timer = setTimeout(() => setShown(() => value), wait);
    return () => clearTimeout(timer);
  }, [value]);
  return shown;
}
