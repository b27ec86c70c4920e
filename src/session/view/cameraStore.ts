import { create } from 'zustand';
import type { Point } from '@/core/geometry/point';

/** Where the eyes are over the cloth: pixels per mm, and the mm in the middle of the view. */
export interface Camera {
  scale: number;
  x: number;
  y: number;
}

interface CameraState {
  camera: Camera;
  /** Size of the view in CSS pixels. */
  width: number;
  height: number;
}

export const CLOSEST = 120;
export const FARTHEST = 0.8;

export const useCamera = create<CameraState>(() => ({ camera: { scale: 6, x: 0, y: 0 }, width: 0, height: 0 }));

const clampScale = (scale: number): number => Math.min(CLOSEST, Math.max(FARTHEST, scale));

/** Zooms so that what is under the view's point (px, py) stays there. */
export function zoomAt(factor: number, px?: number, py?: number): void {
  useCamera.setState(({ camera, width, height }) => {
    const dx = (px ?? width / 2) - width / 2;
    const dy = (py ?? height / 2) - height / 2;
    const scale = clampScale(camera.scale * factor);
    return { camera: { scale, x: camera.x + dx / camera.scale - dx / scale, y: camera.y + dy / camera.scale - dy / scale } };
  });
}

export function panBy(dx: number, dy: number): void {
  useCamera.setState(({ camera }) => ({ camera: { ...camera, x: camera.x - dx / camera.scale, y: camera.y - dy / camera.scale } }));
}

/** Shows a centred field of this size, with a little room. */
export function fit(widthMm: number, heightMm: number): void {
  useCamera.setState(({ width, height }) => {
    if (width === 0 || height === 0) return {};
    const scale = clampScale(Math.min(width / (widthMm + 12), height / (heightMm + 12)));
    return { camera: { scale, x: 0, y: 0 } };
  });
}

/** Shows what is in the middle at so many pixels per mm. */
export function showAt(scale: number): void {
  useCamera.setState(({ camera }) => ({ camera: { ...camera, scale: clampScale(scale) } }));
}

/** From a point of the view to mm on the cloth. */
export function toCloth({ camera, width, height }: CameraState, px: number, py: number): { x: number; y: number } {
  return { x: camera.x + (px - width / 2) / camera.scale, y: camera.y + (py - height / 2) / camera.scale };
}

/** Brings a place on the cloth to the middle of the view. */
export const centreOn = ({ x, y }: Point): void => useCamera.setState((s) => ({ camera: { ...s.camera, x, y } }));
