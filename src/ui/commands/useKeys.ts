'use client';
import { useEffect } from 'react';
import { forgetHeldKey, holdKey, releaseKey } from './heldKey';
import { presses, typing, untouched, watchFocus, type KeyCommand } from './keys';

let watching = false;

/** Runs the commands while the component is mounted; what is being typed comes first. */
export function useKeys(commands: readonly KeyCommand[]): void {
  useEffect(() => {
    if (!watching) watchFocus();
    watching = true;
    const onKey = (e: KeyboardEvent): void => {
      if (e.defaultPrevented) return;
      const undoing = (e.ctrlKey || e.metaKey) && /^[zy]$/i.test(e.key) && untouched(e.target);
      if (typing(e.target) && !undoing) return;
      if (presses(e.target) && !e.ctrlKey && !e.metaKey && (e.key === ' ' || e.key === 'Enter')) return;
      const command = commands.find((c) => c.matches(e));
      if (!command) return;
      e.preventDefault();
      // A button that was clicked must not be pressed again when the key comes up.
      if (e.key === ' ' && e.target instanceof HTMLButtonElement) e.target.blur();
      if (command.whenReleased) holdKey(command);
      else command.run();
    };
    window.addEventListener('keydown', onKey);
    window.addEventListener('keyup', releaseKey);
    window.addEventListener('blur', forgetHeldKey);
    return () => {
      window.removeEventListener('keydown', onKey);
      window.removeEventListener('keyup', releaseKey);
      window.removeEventListener('blur', forgetHeldKey);
    };
  }, [commands]);
}
