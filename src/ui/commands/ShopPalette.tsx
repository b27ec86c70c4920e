'use client';
import { useCallback } from 'react';
import type { Findable } from './matching';
import { Palette } from './Palette';
import { COMMANDS } from './registry';
import { shopFindables, type ShopPlace } from './shopFindables';
import { useGo } from './useGo';
import { useShelfJobs } from './useShelfJobs';

export interface ShopPaletteProps {
  at: ShopPlace;
  own: readonly Findable[];
  onOpenChange(open: boolean): void;
}

/** The palette where no job is open. */
export default function ShopPalette({ at, own, onOpenChange }: ShopPaletteProps) {
  const go = useGo();
  const others = useShelfJobs(true);
  const all = useCallback(() => shopFindables(COMMANDS, { at, own, others, go }), [at, own, others, go]);
  return <Palette open onOpenChange={onOpenChange} all={all} />;
}
