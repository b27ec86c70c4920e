import type { ThreadNeed } from '../production/materials';
import { csvCell } from './escape';

export const THREAD_LIST_HEADER = 'code,name,hex,weight,metres,cones';

/** What is taken from the thread shelf, one colour a row; metres with one decimal. */
export const writeThreadList = (threads: readonly ThreadNeed[]): string =>
  [
    THREAD_LIST_HEADER,
    ...threads.map((t) => [csvCell(t.code), csvCell(t.name), t.hex, String(t.weight), t.metres.toFixed(1), String(t.cones)].join(',')),
  ].join('\n') + '\n';
