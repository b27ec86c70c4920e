'use client';
import { among } from '@/core/document/among';
import { useRef, type PointerEvent } from 'react';
import { constrained } from '@/core/editing/drawn';
import { insertNode } from '@/core/editing/nodes';
import { movedBy } from '@/core/editing/transform';
import { dataToRings } from '@/core/geometry/path';
import { boundsOf, distance, type Bounds, type Point } from '@/core/geometry/point';
import { formOf } from '@/core/pieces/registry';
import { panBy, toCloth, useCamera } from '@/session/view/cameraStore';
import { reshape, transformPieces } from '@/session/edit/commands';
import { usePlan } from '@/session/derived/planStore';
import { addGuide, onGuides } from '@/session/edit/guides';
import { useJob } from '@/session/job/jobStore';
import { aimAt, drawTo, finishDrawing, useTool } from '@/session/view/toolStore';
import { toast } from 'sonner';
import { nearestEdge } from '@/core/editing/outlines';
import { cutPieces, pullEdge } from '@/session/edit/shapeCommands';
import { chosenIds, select, selectAll, toggleSelected, useView } from '@/session/view/viewStore';
import { gaugeAt, pieceAt, piecesIn, withGroups } from './pick';
import { pickRegion } from './pickRegion';
import { pointWeight } from '@/session/derived/weightStore';
import { shapePathsOf } from './shape';
import { slantData } from './SlantHandles';

const CLICK_PX = 4;
const SNAP_PX = 8;

interface Press {
  x: number;
  y: number;
  at: Point;
  moved: boolean;
  button: number;
  mark: string;
  /** Outline at the beginning of a pull. */
  area?: string;
  /** What is being moved: the box it began in, and how far it is by now, mm. */
  carried?: { box: Bounds; by: Point };
}

let presses = 0;

const chosen = () => useJob.getState().job?.pieces.find((p) => p.id === useView.getState().selected);

/** What the pointer does on the cloth, by the tool in hand: choose, move the view, set nodes, lay slants, measure. */
export function useClothPointer() {
  const press = useRef<Press | null>(null);
  const place = (e: PointerEvent<HTMLDivElement> | React.MouseEvent<HTMLDivElement>): Point => {
    const rect = e.currentTarget.getBoundingClientRect();
    const at = toCloth(useCamera.getState(), e.clientX - rect.left, e.clientY - rect.top);
    const drawing = useTool.getState().drawing !== null && useView.getState().showGuides;
    return drawing ? onGuides(at, useJob.getState().job?.guides, snapMm()) : at;
  };
  const snapMm = (): number => SNAP_PX / useCamera.getState().camera.scale;
  return {
    onPointerDown(e: PointerEvent<HTMLDivElement>) {
      if (e.button > 1) return;
      press.current = { x: e.clientX, y: e.clientY, at: place(e), moved: false, button: e.button, mark: `press ${++presses}` };
      e.currentTarget.setPointerCapture(e.pointerId);
    },
    onPointerMove(e: PointerEvent<HTMLDivElement>) {
      const { tool } = useTool.getState();
      const from = press.current;
      const at = place(e);
      if (!from) {
        if (useView.getState().look === 'weight') pointWeight(at);
        if (tool === 'measure') useTool.setState({ gauge: gaugeAt(at) });
        aimAt({ at, constrain: e.shiftKey, snapMm: snapMm() });
        return;
      }
      const [dx, dy] = [e.clientX - from.x, e.clientY - from.y];
      if (!from.moved && Math.hypot(dx, dy) < CLICK_PX) return;
      from.moved = true;
      if (from.button === 0 && tool === 'measure') {
        useTool.setState({ measured: { from: from.at, to: e.shiftKey ? constrained(from.at, at) : at } });
        return;
      }
      if (from.button === 0 && tool === 'cut') {
        useTool.setState({ cut: { from: from.at, to: e.shiftKey ? constrained(from.at, at) : at } });
        return;
      }
      if (from.button === 0 && tool === 'edge' && dragEdge(from, at)) return;
      if (from.button === 0 && tool === 'choose' && e.shiftKey) {
        useView.setState({ box: { from: from.at, to: at } });
        return;
      }
      if (from.button === 0 && tool === 'choose' && carry(from, at, e.shiftKey, snapMm())) return;
      if (from.button === 0 && tool === 'slants' && layslant(from, e.shiftKey ? constrained(from.at, at) : at)) return;
      panBy(dx, dy);
      press.current = { ...from, x: e.clientX, y: e.clientY };
    },
    onPointerUp(e: PointerEvent<HTMLDivElement>) {
      const from = press.current;
      press.current = null;
      useView.setState({ gesture: null });
      const { tool, drawing, cut } = useTool.getState();
      const { box } = useView.getState();
      if (box) {
        useView.setState({ box: null });
        selectAll(withGroups(piecesIn(box.from, box.to)));
      }
      if (cut) finishCut(cut);
      if (!from || from.moved) return;
      if (drawing) drawTo({ at: place(e), constrain: e.shiftKey, snapMm: snapMm() });
      else if (tool === 'guides') layGuide(place(e), e.shiftKey);
      else if (tool === 'regions') pickRegion(place(e), e.shiftKey);
      else if (tool !== 'measure' && tool !== 'cut' && tool !== 'edge') pick(pieceAt(place(e)), e.shiftKey);
    },
    onPointerCancel() {
      press.current = null;
      useView.setState({ gesture: null });
    },
    onDoubleClick(e: React.MouseEvent<HTMLDivElement>) {
      const { tool, drawing } = useTool.getState();
      if (drawing) finishDrawing();
      else if (tool === 'nodes') addNodeNear(place(e));
    },
  };
}

function layGuide(at: Point, upright: boolean): void {
  addGuide(upright ? 'upright' : 'level', upright ? at.x : at.y);
  useView.setState({ showGuides: true });
}

/** Chooses a piece, adds it to what is chosen, or lets all go. */
function pick(id: string | null, adding: boolean): void {
  if (id && adding) toggleSelected(id);
  else if (id) selectAll(withGroups([id]));
  else if (useTool.getState().tool === 'choose') select(null);
}

/** Cuts what is chosen along the line that was drawn; with nothing chosen, whatever it crosses. */
function finishCut(cut: { from: Point; to: Point }): void {
  useTool.setState({ cut: null });
  const ids = chosenIds().length > 0 ? chosenIds() : (useJob.getState().job?.pieces ?? []).map((p) => p.id);
  const made = cutPieces(ids, cut.from, cut.to);
  if (typeof made === 'string') toast.error(made);
  else selectAll(made);
}

const FARTHEST_FROM_EDGE_MM = 6;

/** Pulls the edge of the chosen piece nearest to where the drag began, square to the edge. */
function dragEdge(from: Press, to: Point): boolean {
  const piece = chosen();
  if (!piece?.area || piece.locked) return false;
  from.area ??= piece.area;
  const edge = nearestEdge(from.area, from.at);
  if (!edge || edge.away > FARTHEST_FROM_EDGE_MM) return false;
  const mm = Math.round(((to.x - from.at.x) * edge.out.x + (to.y - from.at.y) * edge.out.y) * 10) / 10;
  pullEdge(piece.id, from.area, { at: edge.at, mm, falloffMm: useTool.getState().falloffMm }, from.mark);
  return true;
}

const round = (v: number): number => Math.round(v * 100) / 100;

/** Moves what is chosen when the drag began on it; edges and middle catch on guides and on the hoop's centre lines. */
function carry(from: Press, to: Point, straight: boolean, snapMm: number): boolean {
  if (!from.carried) {
    const ids = chosenIds();
    const under = pieceAt(from.at);
    if (!under || !ids.includes(under)) return false;
    from.carried = { box: boxOf(ids), by: { x: 0, y: 0 } };
    useView.setState({ gesture: from.mark });
  }
  // Esc has given the drag up: the pointer may go on, the pieces do not.
  if (useView.getState().gesture !== from.mark) return true;
  const wanted = snapped(from.carried.box, straight ? constrained(from.at, to) : to, from.at, snapMm);
  const [dx, dy] = [round(wanted.x - from.carried.by.x), round(wanted.y - from.carried.by.y)];
  if (dx === 0 && dy === 0) return true;
  from.carried.by = { x: round(from.carried.by.x + dx), y: round(from.carried.by.y + dy) };
  transformPieces(chosenIds(), 'Move', movedBy(dx, dy), from.mark);
  return true;
}

/** How far to move a box so that it follows the pointer and catches on what it comes near. */
function snapped(box: Bounds, to: Point, from: Point, snapMm: number): Point {
  const guides = useJob.getState().job?.guides;
  const { showGuides } = useView.getState();
  const catching = (places: readonly number[], lines: readonly number[], by: number): number => {
    const near = places.flatMap((p) => lines.map((l) => l - (p + by))).sort((a, b) => Math.abs(a) - Math.abs(b))[0];
    return near !== undefined && Math.abs(near) < snapMm ? by + near : by;
  };
  const [middleX, middleY] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
  const uprights = showGuides ? (guides?.upright ?? []) : [];
  const levels = showGuides ? (guides?.level ?? []) : [];
  const [x, y] = [to.x - from.x, to.y - from.y];
  return {
    x: catching([middleX, ...(uprights.length > 0 ? [box.minX, box.maxX] : [])], [0, ...uprights], x),
    y: catching([middleY, ...(levels.length > 0 ? [box.minY, box.maxY] : [])], [0, ...levels], y),
  };
}

function boxOf(ids: readonly string[]): Bounds {
  const outlines = usePlan.getState().planned?.outlines ?? [];
  const pieces = useJob.getState().job?.pieces ?? [];
  const chosen = among(ids);
  return boundsOf(pieces.flatMap((p, i) => (chosen(p.id) ? dataToRings(outlines[i] ?? '') : [])));
}

/** Lays a new slant across the chosen piece while dragging. */
function layslant(from: Press, to: Point): boolean {
  const piece = chosen();
  if (!piece || piece.line || formOf(piece) === 'edge') return false;
  if (distance(from.at, to) < 0.5) return true;
  const data = slantData(from.at, to);
  const { history } = useJob.getState();
  const goingOn = history.past[history.past.length - 1]?.mark === from.mark;
  reshape(
    piece.id,
    'Lay a slant',
    (p) => {
      const slants = p.slants ?? [];
      p.slants = goingOn ? [...slants.slice(0, -1), data] : [...slants, data];
    },
    from.mark,
  );
  return true;
}

function addNodeNear(at: Point): void {
  const piece = chosen();
  if (!piece) return;
  const shapes = shapePathsOf(piece);
  if (shapes.length !== 1) return;
  reshape(piece.id, 'Add node', (p) => shapes[0]!.put(p, insertNode(shapes[0]!.path, at)));
}
