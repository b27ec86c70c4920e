import { said } from '@/session/view/unitsStore';
import type { Hoop } from '@/core/document/types';

/** What tells one hoop field from another, and what it is called. */
export const hoopKey = (h: Hoop): string => `${h.width}x${h.height}-${h.shape}`;
export const hoopName = (h: Hoop): string => said(h.shape === 'round' ? `${h.width} mm round` : `${h.width} × ${h.height} mm`);
