import { box } from './box';
import { choose } from './choose';
import { cut } from './cut';
import { area, run, satin } from './draw';
import { edge } from './edge';
import { ends } from './ends';
import { guides } from './guides';
import { useTool } from './inHand';
import { letters } from './letters';
import { lift } from './lift';
import { measure } from './measure';
import { nodes } from './nodes';
import { regions } from './regions';
import { slants } from './slants';
import type { Tool } from './tool';

/** The tools by what one wants to do, in the order of the strip. Adding one is one folder and one entry here. */
export const TOOL_GROUPS: readonly { name: string; tools: readonly Tool[] }[] = [
  { name: 'Choose and shape', tools: [choose, box, nodes, slants, ends, edge] },
  { name: 'Draw', tools: [run, satin, area, letters] },
  { name: 'Take and cut', tools: [regions, lift, cut] },
  { name: 'Measure', tools: [measure, guides] },
];
export const TOOLS: readonly Tool[] = TOOL_GROUPS.flatMap((g) => g.tools);

/** The tool that the pointer works with: with none in hand, it chooses. */
export const toolInHand = (): Tool => useTool.getState().tool ?? choose;
export const useToolInHand = (): Tool => useTool((s) => s.tool) ?? choose;
