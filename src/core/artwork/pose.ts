import { mirroredAbout, turnedAbout } from '../editing/transform';
import { IDENTITY, multiply, transformPath, type Matrix } from '../geometry/path';
import type { ArtDocument, ClipShape } from './readSvg';

/** How a drawing is laid before it is brought to size: mirrored left and right first, then turned. */
export interface ArtPose {
  mirror?: boolean;
  /** Degrees counter-clockwise as seen. */
  turn?: number;
}

const ORIGIN = { x: 0, y: 0 };

/** The pose as a map of drawing units about the drawing's origin; placing centres what is painted afterwards. */
export function poseMatrix({ mirror = false, turn = 0 }: ArtPose): Matrix {
  const turned = turn === 0 ? IDENTITY : turnedAbout(ORIGIN, turn);
  return mirror ? multiply(turned, mirroredAbout('vertical', 0)) : turned;
}

/** The drawing as it lies in its pose. */
export function posed(doc: ArtDocument, m: Matrix): ArtDocument {
  if (m === IDENTITY) return doc;
  const clips = new Map<ClipShape, ClipShape>();
  const laid = (clip: ClipShape): ClipShape => {
    // Shapes share clips, and whoever places them works each out once.
    const made = clips.get(clip) ?? { paths: clip.paths.map((p) => ({ ...p, path: transformPath(p.path, m) })) };
    clips.set(clip, made);
    return made;
  };
  return {
    ...doc,
    texts: (doc.texts ?? []).map((t) => ({ ...t, matrix: multiply(m, t.matrix) })),
    items: doc.items.map((item) => ({
      ...item,
      path: transformPath(item.path, m),
      clips: item.clips.map(laid),
    })),
  };
}
