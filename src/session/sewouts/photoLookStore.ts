import { create } from 'zustand';
import type { Sewout, SewoutPhoto } from '@/core/document/sewoutTypes';
import type { Job } from '@/core/document/types';

/** What a photo is held against: the plan as it is now, the plan that was sewn, or what was foreseen of that. */
export type HeldAgainst = 'now' | 'plan' | 'foreseen';
export type OverWay = 'slider' | 'blink' | 'difference';

interface PhotoLook {
  /** Of the photo that is shown; the last one laid while none is chosen. */
  photo: string | null;
  against: HeldAgainst;
  way: OverWay;
  /** How much of the photo is shown, percent of the view from its left. */
  at: number;
}

export const usePhotoLook = create<PhotoLook>(() => ({ photo: null, against: 'now', way: 'slider', at: 50 }));

export interface LaidOn {
  sewout: Sewout;
  photo: SewoutPhoto;
  /** Counted within its test. */
  number: number;
}

/** All photos that lie over the plan, those of the latest test first. */
export const laidPhotos = ({ sewouts }: Pick<Job, 'sewouts'>): LaidOn[] =>
  sewouts
    .slice()
    .reverse()
    .flatMap((sewout) => sewout.photos.flatMap((photo, i) => (photo.laying ? [{ sewout, photo, number: i + 1 }] : [])));

/** The one that is looked at. */
export const photoShown = (job: Pick<Job, 'sewouts'>, chosen: string | null): LaidOn | null => {
  const laid = laidPhotos(job);
  return laid.find((l) => l.photo.id === chosen) ?? laid[0] ?? null;
};
