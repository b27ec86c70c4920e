'use client';
import { useEffect } from 'react';
import { presses, typing, type KeyCommand } from './keys';

/** Runs the commands while the component is mounted; what is being typed comes first. */
export function useKeys(commands: readonly KeyCommand[]): void {
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (typing(e.target) || e.defaultPrevented) return;
      if (presses(e.target) && !e.ctrlKey && !e.metaKey && (e.key === ' ' || e.key === 'Enter')) return;
      const command = commands.find((c) => c.matches(e));
      if (!command) return;
      e.preventDefault();
      command.run();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [commands]);
}
