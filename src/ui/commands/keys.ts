/** A command that a key runs. */
export interface KeyCommand {
  name: string;
  /** As shown to people, e.g. "Ctrl+Z". */
  keys: string;
  matches(e: KeyboardEvent): boolean;
  /** Whether it is its key, whatever is held with it. */
  isKey(e: Pick<KeyboardEvent, 'key'>): boolean;
  run(): void;
  /** It runs when its key comes up: held, the key is for something else. */
  whenReleased?: true;
  /** Why it does not apply as things stand; null when it does. */
  whyNot(): string | null;
}

const plain = (e: KeyboardEvent): boolean => !e.ctrlKey && !e.metaKey && !e.altKey;

/** On many keyboards brackets and braces are typed with AltGr, which browsers also report as Ctrl and Alt together. */
const typedWithAltGr = (e: KeyboardEvent, code: string): boolean =>
  code.length === 1 && /[^a-z0-9]/.test(code) && (e.getModifierState?.('AltGraph') || (e.ctrlKey && e.altKey));

const always = (): null => null;

/** @param whyNot why it does not apply as things stand; null when it does */
export function keyCommand(name: string, keys: string, run: () => void, whyNot: () => string | null = always): KeyCommand {
  const parts = keys === '+' ? ['+'] : keys.split('+');
  const wanted = parts[parts.length - 1]!.toLowerCase();
  const control = parts.includes('Ctrl');
  const shift = parts.includes('Shift');
  const code = wanted === 'space' ? ' ' : wanted;
  return {
    name,
    keys,
    run,
    whyNot,
    isKey: (e) => e.key.toLowerCase() === code,
    matches: (e) => {
      if (e.key.toLowerCase() !== code) return false;
      if (control) return (e.ctrlKey || e.metaKey) && e.shiftKey === shift;
      return (plain(e) || typedWithAltGr(e, code)) && (code.length > 1 ? e.shiftKey === shift : true);
    },
  };
}

/** Whether a key belongs to what is being typed or chosen rather than to the page. */
export function typing(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target instanceof HTMLInputElement && /^(checkbox|radio|range)$/.test(target.type)) return false;
  return target.isContentEditable || /^(INPUT|SELECT|TEXTAREA)$/.test(target.tagName);
}

/** A field in which nothing was typed since it was entered: undoing there means the job. */
export const untouched = (target: EventTarget | null): boolean => target instanceof HTMLElement && target.dataset['draft'] === 'false';

let pointing = false;
const pointed = new WeakSet<EventTarget>();

/** Remembers which controls got the focus from a pointer: for whoever works with one, keys mean the page, not what was clicked last. */
export function watchFocus(): void {
  const set = (value: boolean) => () => (pointing = value);
  window.addEventListener('pointerdown', set(true), true);
  window.addEventListener(
    'keydown',
    (e) => {
      if (e.key === 'Tab') pointing = false;
    },
    true,
  );
  window.addEventListener('focusin', (e) => {
    if (!e.target) return;
    if (pointing) pointed.add(e.target);
    else pointed.delete(e.target);
  });
}

/** Whether Space and Enter press what has the focus. */
export const presses = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  !pointed.has(target) &&
  (target instanceof HTMLButtonElement ||
    target instanceof HTMLInputElement ||
    target.tagName === 'SUMMARY' ||
    target.getAttribute('role') === 'button');
