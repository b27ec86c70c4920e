'use client';
import { useEffect, type RefObject } from 'react';
import { useCamera } from '@/session/view/cameraStore';
import { usePlan } from '@/session/derived/planStore';
import { useShown } from '@/session/view/shownStore';
import { useView } from '@/session/view/viewStore';
import { painter } from '@/workers/client';
import type { Picture } from '@/workers/protocol/painter';

const ratio = (): number => Math.min(2, window.devicePixelRatio || 1);

interface Shown {
  picture: Picture;
  version: number;
  image: HTMLCanvasElement;
}

/** What the painter has to draw for the view as it is; null while there is nothing to show. */
function requestNow() {
  const { camera, width, height } = useCamera.getState();
  const { planned } = usePlan.getState();
  if (!planned || width === 0) return null;
  const r = ratio();
  const scale = camera.scale * r;
  const [w, h] = [Math.round(width * r), Math.round(height * r)];
  const { look, playhead } = useView.getState();
  return {
    width: w,
    height: h,
    scale,
    left: camera.x - w / 2 / scale,
    top: camera.y - h / 2 / scale,
    until: playhead ?? planned.plan.x.length,
    look: look === 'photo' ? ('thread' as const) : look,
  };
}

/** Draws the last picture where the camera sees it now. */
function paintOn(target: HTMLCanvasElement, shown: Shown | null): void {
  const { camera, width, height } = useCamera.getState();
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
  const { picture, image, version } = shown;
  const k = (camera.scale * r) / picture.scale;
  const left = (picture.left - camera.x) * camera.scale * r + w / 2;
  const top = (picture.top - camera.y) * camera.scale * r + h / 2;
  context.imageSmoothingEnabled = k !== 1;
  context.drawImage(image, left, top, picture.width * k, picture.height * k);
  target.dataset.until = String(picture.until);
  // For measuring from outside how soon a change is seen, and how soon the picture is sharp again.
  target.dataset.version = String(version);
  target.dataset.sharp = String(k === 1);
}

/** Asks the painter for pictures, one at a time and only for what differs, and shows the last one meanwhile. */
class SewnPicture {
  private last: Shown | null = null;
  private asked = '';
  private busy = false;
  private gone = false;

  constructor(private readonly canvas: RefObject<HTMLCanvasElement | null>) {}

  update(): void {
    this.paint();
    this.ask();
  }

  stop(): void {
    this.gone = true;
  }

  private paint(): void {
    if (this.canvas.current && useCamera.getState().width > 0) paintOn(this.canvas.current, this.last);
  }

  private ask(): void {
    const request = this.busy || this.gone ? null : requestNow();
    if (!request) return;
    const { version } = usePlan.getState();
    const key = `${version} ${Object.values(request).join(' ')}`;
    if (key === this.asked) return;
    this.asked = key;
    this.busy = true;
    painter
      .call('picture', request)
      .then((picture) => this.take(picture, version))
      .catch(() => (this.busy = false));
  }

  private take(picture: Picture, version: number): void {
    const image = this.last?.image ?? document.createElement('canvas');
    image.width = picture.width;
    image.height = picture.height;
    image.getContext('2d')?.putImageData(new ImageData(picture.pixels, picture.width, picture.height), 0, 0);
    this.last = { picture, version, image };
    this.busy = false;
    if (this.gone) return;
    this.paint();
    useShown.setState({ version });
    this.ask();
  }
}

/**
 * Keeps the canvas showing the sewn threads. The painter's worker draws what is in view; until a new picture is there the
 * last one is moved and scaled with the camera, so that panning and zooming never wait.
 */
export function useSewnPicture(canvas: RefObject<HTMLCanvasElement | null>): void {
  useEffect(() => {
    const picture = new SewnPicture(canvas);
    const update = (): void => picture.update();
    const stops = [
      useCamera.subscribe(update),
      usePlan.subscribe((now, before) => (now.version === before.version ? undefined : update())),
      useView.subscribe((now, before) => (now.playhead === before.playhead && now.look === before.look ? undefined : update())),
    ];
    update();
    return () => {
      picture.stop();
      for (const stop of stops) stop();
    };
  }, [canvas]);
}
