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

/** All tools in the order of the strip. Adding one is one folder and one entry here. */
export const TOOLS: readonly Tool[] = [choose, nodes, slants, ends, run, satin, area, letters, regions, lift, cut, edge, measure, guides];

/** The tool that the pointer works with: with none in hand, it chooses. */
export const toolInHand = (): Tool => useTool.getState().tool ?? choose;
export const useToolInHand = (): Tool => useTool((s) => s.tool) ?? choose;
