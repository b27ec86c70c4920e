import type { Job } from '../../src/core/document/types';
import { forecastParameters } from '../../src/core/forecast/parameters';
import { forecast } from '../../src/core/forecast/forecast';
import { Planner } from '../../src/core/plan/planner';
import { makeRaster } from '../../src/core/render/raster';
import { drawThreads } from '../../src/core/render/thread';
import { planBounds } from '../../src/core/stitches/planBounds';
import type { StitchPlan } from '../../src/core/plan/plan';
import { madeJob } from '../../src/core/sewouts/fixtures';
import { cameraOf, onPhoto, type Camera } from '../../src/core/sewouts/photo/camera';
import { USUAL_SHOT, cameraOfShot, drawnPhoto, type Shot } from '../../src/core/sewouts/photo/drawnPhoto';
import { layingOf, preparedPhoto, type PreparedPhoto } from '../../src/core/sewouts/photo/find';
import { gapsOnPhoto, type SeenOnPhoto } from '../../src/core/sewouts/photo/gapsOnPhoto';
import { movedPlan } from '../../src/core/sewouts/photo/movedPlan';
import type { Laying } from '../../src/core/document/sewoutTypes';
import type { MeetingEdge } from '../../src/core/forecast/edgeMeetings';
import { random } from '../../src/core/units/random';

const COLOURS = ['#0b5563', '#c8401f', '#2d5a2b', '#6b2f6b', '#d9a514', '#1c2430', '#8a3b12'];
const CLOTHS = ['#e9ece8', '#f2e9d8', '#c9d3dc'];

/** A made-up emblem with edges that may gape: fields with rims sewn later, and a bar across. */
export function emblem(seed: number): Job {
  const r = random(seed);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(r() * of.length)]!;
  const field = (id: string, x: number, y: number, w: number, h: number) => {
    const rim = 2.2 + 1.4 * r();
    const out = rim - 0.4 + 0.6 * r();
    const round = r() < 0.4;
    const shape = (k: number): string =>
      round
        ? `M${x - w / 2 - k},${y} a${w / 2 + k},${h / 2 + k} 0 1 0 ${w + 2 * k},0 a${w / 2 + k},${h / 2 + k} 0 1 0 ${-w - 2 * k},0 Z`
        : `M${x - w / 2 - k},${y - h / 2 - k} h${w + 2 * k} v${h + 2 * k} h${-w - 2 * k} Z`;
    const settings = { angle: Math.round(180 * r()), pullComp: Math.round(30 * r()) / 100 };
    return {
      field: { id, kind: 'fill' as const, area: shape(0), settings },
      rim: { id: `${id}-rim`, kind: 'border' as const, thread: 't2', area: shape(out), width: rim },
    };
  };
  const [a, b] = [field('a', -13, -2, 20 + 6 * r(), 24 + 8 * r()), field('b', 15, 4, 14 + 6 * r(), 18 + 8 * r())];
  const job = madeJob([a.field, b.field, { id: 'bar', kind: 'satin', line: 'M-22,24 L20,27', width: 3 }, a.rim, b.rim], {
    hoop: { width: 100, height: 100, shape: 'rect' },
    clothHex: pick(CLOTHS),
  });
  const [first, second] = [pick(COLOURS), pick(COLOURS)];
  return { ...job, threads: job.threads.map((t, i) => ({ ...t, hex: i === 0 ? first : second === first ? '#c8401f' : second })) };
}

/** A photo of a test on cloth that gives otherwise than its recipe says, and what is known of it. */
export interface PhotoCase {
  job: Job;
  plan: StitchPlan;
  planner: Planner;
  /** As it came out, and as the recipe foresees it. */
  sewn: StitchPlan;
  foreseen: StitchPlan;
  shot: Shot;
  photo: PreparedPhoto;
  meetings: readonly MeetingEdge[];
}

export function photoCase(seed: number): PhotoCase {
  const r = random(seed + 1000);
  const job = emblem(seed);
  const planner = new Planner();
  const plan = planner.plan(job);
  const base = forecastParameters(job);
  const by = 0.8 + 1.2 * r();
  const other = { ...base, shortening: base.shortening * by, push: base.push * by, biteMm: base.biteMm * by };
  const [sewn, foreseen] = [movedPlan(job, plan, other), movedPlan(job, plan)];
  const even = (most: number): number => (2 * r() - 1) * most;
  const shot: Shot = {
    ...USUAL_SHOT,
    width: 640,
    height: 600,
    offMm: [even(4), even(4)],
    turn: even(25),
    pitch: even(20),
    yaw: even(20),
    bend: even(0.03),
    light: [even(0.3), even(0.3)],
    corners: 0.3 * r(),
    blurPx: 0.4 + 1.2 * r(),
    noise: 1 + 5 * r(),
    texture: 8 + 16 * r(),
    seed,
  };
  const photo = preparedPhoto(drawnPhoto(job, sewn, shot));
  return { job, plan, planner, sewn, foreseen, shot, photo, meetings: forecast(job, { planner, plan }).meetings };
}

/** How far a camera puts places of the design from where they are on the photo, root mean square, mm. */
export function offBy({ plan, shot, photo }: PhotoCase, camera: Camera): number {
  const truth = cameraOfShot(shot);
  const { minX, minY, maxX, maxY } = planBounds(plan);
  let [sum, n] = [0, 0];
  for (let i = 0; i <= 10; i++) {
    for (let k = 0; k <= 10; k++) {
      const p = { x: minX + ((maxX - minX) * i) / 10, y: minY + ((maxY - minY) * k) / 10 };
      const [a, b] = [onPhoto(truth, photo.shape, p), onPhoto(camera, photo.shape, p)];
      sum += ((a.x - b.x) ** 2 + (a.y - b.y) ** 2) * (shot.width / shot.pxPerMm) ** 2;
      n++;
    }
  }
  return Math.sqrt(sum / n);
}

export const found = ({ photo, job, plan, foreseen }: PhotoCase): Laying | null => layingOf(photo, job, { plan, foreseen });

/** Laid by four marks at the hoop's corners, each pointed at to within half a pixel. */
export function byFourPoints({ shot, photo }: PhotoCase, seed: number): Camera | null {
  const r = random(seed);
  const truth = cameraOfShot({ ...shot, bend: 0 });
  const points = [
    [-30, -30],
    [30, -30],
    [30, 30],
    [-30, 30],
  ].map(([x, y]) => {
    const p = onPhoto(truth, photo.shape, { x: x!, y: y! });
    return { hoop: { x: x!, y: y! }, photo: { x: p.x + (r() - 0.5) / shot.width, y: p.y + (r() - 0.5) / shot.width } };
  });
  return cameraOf(points, photo.shape);
}

/** The same with the lens straight: what four points can tell. */
export const offByStraight = (of: PhotoCase, camera: Camera): number => offBy({ ...of, shot: { ...of.shot, bend: 0 } }, camera);

export const gapsFound = (of: PhotoCase, laying: Laying): SeenOnPhoto[] =>
  gapsOnPhoto(of.photo, laying, of.job, of.planner.shape(of.job), of.meetings).gaps;

const PX_PER_MM = 20;

/**
 * Gaps that the sewn plan truly has, on a picture of where thread lies and where it does not: for each place of an edge the width of bare
 * cloth across it, between the threads of the two pieces. Nothing of the photo is looked at.
 */
export function trueGaps({
  job,
  plan,
  sewn,
  meetings,
}: PhotoCase): { first: number; later: number; at: { x: number; y: number }; mm: number }[] {
  const box = planBounds(plan);
  const [left, top] = [box.minX - 3, box.minY - 3];
  const [width, height] = [Math.ceil((box.maxX - left + 3) * PX_PER_MM), Math.ceil((box.maxY - top + 3) * PX_PER_MM)];
  const raster = makeRaster(width, height, PX_PER_MM, left, top);
  drawThreads(
    raster,
    sewn,
    job.threads.map(() => ({ rgb: { r: 0, g: 0, b: 0 }, widthMm: 0.4 })),
  );
  const bare = (x: number, y: number): boolean => {
    const [px, py] = [Math.floor((x - left) * PX_PER_MM), Math.floor((y - top) * PX_PER_MM)];
    return px < 0 || py < 0 || px >= width || py >= height || raster.data[(py * width + px) * 4 + 3]! < 128;
  };
  return meetings.flatMap(({ first, later, places }) =>
    places.map(({ at, out }) => {
      let [mm, run, closed] = [0, 0, false];
      for (let d = -2.6; d <= 2.6; d += 0.05) {
        if (bare(at.x + out.x * d, at.y + out.y * d)) run += 0.05;
        else {
          if (closed) mm = Math.max(mm, run);
          run = 0;
          closed = true;
        }
      }
      return { first, later, at, mm };
    }),
  );
}
