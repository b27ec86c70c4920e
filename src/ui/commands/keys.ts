/** A command that a key runs. */
export interface KeyCommand {
  name: string;
  /** As shown to people, e.g. "Ctrl+Z". */
  keys: string;
  matches(e: KeyboardEvent): boolean;
  run(): void;
}

const plain = (e: KeyboardEvent): boolean => !e.ctrlKey && !e.metaKey && !e.altKey;

export function keyCommand(name: string, keys: string, run: () => void): KeyCommand {
  const parts = keys === '+' ? ['+'] : keys.split('+');
  const wanted = parts[parts.length - 1]!.toLowerCase();
  const control = parts.includes('Ctrl');
  const shift = parts.includes('Shift');
  const code = wanted === 'space' ? ' ' : wanted;
  return {
    name,
    keys,
    run,
    matches: (e) => {
      if (e.key.toLowerCase() !== code) return false;
      if (control) return (e.ctrlKey || e.metaKey) && e.shiftKey === shift;
      return plain(e) && (code.length > 1 ? e.shiftKey === shift : true);
    },
  };
}

/** Whether a key belongs to what is being typed or chosen rather than to the page. */
export function typing(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target instanceof HTMLInputElement && /^(checkbox|radio)$/.test(target.type)) return false;
  return target.isContentEditable || /^(INPUT|SELECT|TEXTAREA)$/.test(target.tagName);
}

/** Whether Space and Enter press what has the focus. */
export const presses = (target: EventTarget | null): boolean =>
  target instanceof HTMLButtonElement ||
  target instanceof HTMLInputElement ||
  (target instanceof HTMLElement && target.tagName === 'SUMMARY');
