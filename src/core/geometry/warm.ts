import {
  Active,
  Clipper64,
  ClipperD,
  ClipperOffset,
  HorzJoin,
  HorzSegment,
  LocalMinima,
  OutPt,
  OutRec,
  PathType,
  PolyPathD,
  PolyTreeD,
  Vertex,
  VertexFlags,
} from 'clipper2-ts';
import svgpath from 'svgpath';
import { stayWarm } from '../units/warm';

/** Keeps one object of each class that clipping and path reading make and drop (see `stayWarm`). */
export function keepClippingWarm(): void {
  const at = { x: 0, y: 0 };
  const vertex = new Vertex(at, VertexFlags.None, null);
  const record = new OutRec();
  const point = new OutPt(at, record);
  [
    ...[vertex, record, point, new Active(), new LocalMinima(vertex, PathType.Subject)],
    ...[new HorzSegment(point), new HorzJoin(point, point), new PolyTreeD(), new PolyPathD()],
    ...[new ClipperD(), new Clipper64(), new ClipperOffset(), svgpath('M0,0h1')],
  ].forEach(stayWarm);
}
