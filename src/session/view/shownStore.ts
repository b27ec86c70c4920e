import { create } from 'zustand';

/** Version of the plan whose picture is on the cloth; -1 before the first. */
export const useShown = create<{ version: number }>(() => ({ version: -1 }));
