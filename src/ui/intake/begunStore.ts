import { create } from 'zustand';
import type { ArtNote } from '@/core/artwork/readSvg';

/** What was left out of the drawing that a job was just made of; told where the job begins, and always on Art. */
export const useBegun = create<{ job: string | null; notes: readonly ArtNote[] }>(() => ({ job: null, notes: [] }));

export const tellBegun = (job: string, notes: readonly ArtNote[]): void => useBegun.setState({ job, notes });
export const forgetBegun = (): void => useBegun.setState({ job: null, notes: [] });
