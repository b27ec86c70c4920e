import { Canvas } from '@/core/render/canvas';
import { PlanReceiver } from '../planWire';

/** The plan that pictures are of, and the last of them. */
export const plans = new PlanReceiver();
export const canvas = new Canvas();
