import type { KeyCommand } from './keys';

/** Commands whose name holds every word that was typed, in any order. */
export function matching(commands: readonly KeyCommand[], typed: string): KeyCommand[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  return commands.filter((c) => words.every((w) => c.name.toLowerCase().includes(w)));
}
