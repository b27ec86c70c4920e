import { create } from 'zustand';
import type { KeyCommand } from './keys';

/** A command whose key is down and which runs when the key comes up, unless the hand did something else with it meanwhile. */
export const useHeldKey = create<{ command: KeyCommand | null; spent: boolean }>(() => ({ command: null, spent: false }));

export const holds = (command: KeyCommand): boolean => useHeldKey.getState().command === command;

/** The held key meant something else: its command is not run when it comes up. */
export const spendHeldKey = (): void => useHeldKey.setState({ spent: true });

export function holdKey(command: KeyCommand): void {
  if (!holds(command)) useHeldKey.setState({ command, spent: false });
}

export function releaseKey(e: Pick<KeyboardEvent, 'key'>): void {
  const { command, spent } = useHeldKey.getState();
  if (!command?.isKey(e)) return;
  useHeldKey.setState({ command: null, spent: false });
  if (!spent) command.run();
}

export const forgetHeldKey = (): void => useHeldKey.setState({ command: null, spent: false });
