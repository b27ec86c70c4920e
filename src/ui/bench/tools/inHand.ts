import { create } from 'zustand';
import type { Tool } from './tool';

/** The tool in hand; null while one only chooses. Never part of the job. */
export const useTool = create<{ tool: Tool | null }>(() => ({ tool: null }));

export function takeTool(wanted: Tool | null): void {
  const tool = wanted?.atRest ? null : wanted;
  useTool.getState().tool?.end?.();
  useTool.setState({ tool });
  tool?.begin?.();
}

export const putAway = (): void => takeTool(null);

/** Esc: first what the tool is in the middle of, then the tool itself. @returns false when there was neither */
export function giveUp(): boolean {
  const { tool } = useTool.getState();
  if (!tool) return false;
  if (!tool.giveUp?.()) putAway();
  return true;
}
