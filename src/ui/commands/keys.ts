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
  return target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|SELECT|TEXTAREA)$/.test(target.tagName));
}
