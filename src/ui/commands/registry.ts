import { BENCH_KEYS } from '../bench/tools/benchKeys';
import { HISTORY_KEYS } from './historyKeys';
import type { KeyCommand } from './keys';

export { BENCH_KEYS, BENCH_KEY_GROUPS } from '../bench/tools/benchKeys';

/** Every command: the palette and the sheet of keys read this list. */
export const COMMANDS: readonly KeyCommand[] = [...HISTORY_KEYS, ...BENCH_KEYS];
