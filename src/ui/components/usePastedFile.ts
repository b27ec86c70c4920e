import { useEffect, useRef } from 'react';

/** Takes a file that is pasted while nothing is being typed. */
export function usePastedFile(take: (file: File) => void): void {
  const latest = useRef(take);
  useEffect(() => {
    latest.current = take;
  });
  useEffect(() => {
    const pasted = (event: ClipboardEvent): void => {
      const { target } = event;
      if (target instanceof Element && target.closest('input:not([type=file]), textarea, [contenteditable]')) return;
      const file = event.clipboardData?.files[0];
      if (!file) return;
      event.preventDefault();
      latest.current(file);
    };
    window.addEventListener('paste', pasted);
    return () => window.removeEventListener('paste', pasted);
  }, []);
}
