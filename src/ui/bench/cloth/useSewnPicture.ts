'use client';
import { useEffect, useRef, type RefObject } from 'react';
import { useCamera } from '@/session/view/cameraStore';
import { usePlan } from '@/session/derived/planStore';
import { useShown } from '@/session/view/shownStore';
import { useView } from '@/session/view/viewStore';
import { painter } from '@/workers/client';
import type { Picture } from '@/workers/protocol/painter';

const ratio = (): number => Math.min(2, window.devicePixelRatio || 1);

/**
 * Keeps the canvas showing the sewn threads. The painter's worker draws what is in view; until a new picture is there the
 * last one is moved and scaled with the camera, so that panning and zooming never wait.
 */
export function useSewnPicture(canvas: RefObject<HTMLCanvasElement | null>): void {
  const last = useRef<{ picture: Picture; version: number; image: HTMLCanvasElement } | null>(null);
  useEffect(() => {
    let asked = '';
    let busy = false;
    let gone = false;

    const paint = (): void => {
      const target = canvas.current;
      const shown = last.current;
      const { camera, width, height } = useCamera.getState();
      if (!target || width === 0) return;
      const r = ratio();
      const [w, h] = [Math.round(width * r), Math.round(height * r)];
      if (target.width !== w || target.height !== h) {
        target.width = w;
        target.height = h;
      }
      const context = target.getContext('2d');
      if (!context) return;
      context.clearRect(0, 0, w, h);
      if (!shown) return;
      const k = (camera.scale * r) / shown.picture.scale;
      const left = (shown.picture.left - camera.x) * camera.scale * r + w / 2;
      const top = (shown.picture.top - camera.y) * camera.scale * r + h / 2;
      context.imageSmoothingEnabled = k !== 1;
      context.drawImage(shown.image, left, top, shown.picture.width * k, shown.picture.height * k);
      target.dataset.until = String(shown.picture.until);
      // For measuring from outside how soon a change is seen, and how soon the picture is sharp again.
      target.dataset.version = String(shown.version);
      target.dataset.sharp = String(k === 1);
    };

    const ask = (): void => {
      const { camera, width, height } = useCamera.getState();
      const { planned, version } = usePlan.getState();
      if (!planned || width === 0 || busy || gone) return;
      const r = ratio();
      const request = {
        width: Math.round(width * r),
        height: Math.round(height * r),
        scale: camera.scale * r,
        left: camera.x - Math.round(width * r) / 2 / (camera.scale * r),
        top: camera.y - Math.round(height * r) / 2 / (camera.scale * r),
        until: useView.getState().playhead ?? planned.plan.x.length,
        look: useView.getState().look,
      };
      const key = `${version} ${Object.values(request).join(' ')}`;
      if (key === asked) return;
      asked = key;
      busy = true;
      painter
        .call('picture', request)
        .then((picture) => {
          const image = last.current?.image ?? document.createElement('canvas');
          image.width = picture.width;
          image.height = picture.height;
          image.getContext('2d')?.putImageData(new ImageData(picture.pixels, picture.width, picture.height), 0, 0);
          last.current = { picture, version, image };
          busy = false;
          if (gone) return;
          paint();
          useShown.setState({ version });
          ask();
        })
        .catch(() => {
          busy = false;
        });
    };
    const update = (): void => {
      paint();
      ask();
    };
    const stops = [
      useCamera.subscribe(update),
      usePlan.subscribe((now, before) => (now.version === before.version ? undefined : update())),
      useView.subscribe((now, before) => (now.playhead === before.playhead && now.look === before.look ? undefined : update())),
    ];
    update();
    return () => {
      gone = true;
      for (const stop of stops) stop();
    };
  }, [canvas]);
}
