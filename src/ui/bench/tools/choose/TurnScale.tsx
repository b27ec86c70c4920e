'use client';
import { useEffect, useRef, useState } from 'react';
import type { Piece } from '@/core/document/types';
import { apply } from '@/core/geometry/path';
import type { Bounds, Point } from '@/core/geometry/point';
import { usePlan } from '@/session/derived/planStore';
import { transformFrom } from '@/session/edit/commands';
import { lengthText, unitsNow } from '@/session/view/unitsStore';
import { useView } from '@/session/view/viewStore';
import { Handle } from '../../cloth/Handle';
import { chosenLoose, middleOf, useChosenBox } from '../chosenBox';
import { CORNERS, scaled, shaping, SIDES, TURN, turned, type Grip, type Shaping } from './turning';

/** How far the grips stand off the box, and the knob above it, pixels. */
const OFF_PX = 9;
const KNOB_PX = 24;
/** A box smaller than this shows no grips on its sides: they would lie on each other, pixels. */
const ROOM_PX = 46;

/** Looks in which one shapes; in the others the cloth has marks of its own to be taken. */
const SHAPING_LOOKS: ReadonlySet<string> = new Set(['thread', 'needle']);

interface Held {
  mark: string;
  pieces: readonly Piece[];
  box: Bounds;
  from: Point;
}

/** Grips round what is chosen: corners scale, sides stretch, the knob turns, all about its own middle, with the figures beside. */
export function TurnScale({ scale }: { scale: number }) {
  const chosen = useChosenBox();
  const shown = useView((s) => !s.playing && SHAPING_LOOKS.has(s.look));
  const outlines = usePlan((s) => s.planned?.outlines);
  const selected = useView((s) => s.selected);
  const also = useView((s) => s.also);
  const held = useRef<Held | null>(null);
  const [live, setLive] = useState<{ box: Bounds; as: Shaping } | null>(null);
  // What was let go is shown as it was dragged until its stitches are laid.
  useEffect(() => {
    if (!held.current) setLive(null);
  }, [outlines, selected, also]);
  const box = live?.box ?? chosen;
  if (!box || !shown) return null;
  const loose = chosenLoose();
  if (loose.length === 0) return null;

  const lay = (mark: string, from: Point, as: (held: Held) => Shaping): void => {
    if (held.current?.mark !== mark) held.current = { mark, pieces: chosenLoose(), box: chosen ?? box, from };
    const now = as(held.current);
    setLive({ box: held.current.box, as: now });
    transformFrom(held.current.pieces, now.degrees === 0 ? 'Scale' : 'Turn', now.map, mark);
  };
  const drop = (): void => {
    held.current = null;
    if (!useView.getState().selected) setLive(null);
  };
  const room = Math.min(box.maxX - box.minX, box.maxY - box.minY) * scale > ROOM_PX;
  const stretches = room && !loose.some((p) => p.lettering || p.follows);
  return (
    <g data-testid="turn-scale">
      <Outline box={box} live={live?.as} />
      {[TURN, ...CORNERS, ...(stretches ? SIDES : [])].map((grip) => (
        <GripMark
          key={grip.name}
          grip={grip}
          at={placeOf(grip, box, scale, live?.as)}
          scale={scale}
          onMove={(to, mark, even, at) => lay(mark, at, (h) => shaping(grip, h.box, h.from, to, even))}
          onArrow={(steps, mark, even) => {
            lay(mark, middleOf(box), (h) => stepped(grip, h.box, steps, even));
            drop();
          }}
          onDrop={drop}
        />
      ))}
      <Figures box={box} scale={scale} live={live?.as} />
    </g>
  );
}

/** One press of an arrow key: a degree, or a hundredth of the size; with Shift fifteen, or a tenth. */
function stepped(grip: Grip, box: Bounds, steps: number, even: boolean): Shaping {
  if (grip.does === 'turn') return turned(box, -steps * (even ? 15 : 1));
  const k = 1 + steps * (even ? 0.1 : 0.01);
  return grip.does === 'scale' ? scaled(box, k, k) : scaled(box, grip.across ? k : 1, grip.down ? k : 1);
}

/** Where a grip stands, mm: off the box as it was taken up, carried along by what has been done to it. */
function placeOf(grip: Grip, box: Bounds, scale: number, as: Shaping | undefined): Point {
  const off = (grip.does === 'turn' ? KNOB_PX : OFF_PX) / scale;
  const { x, y } = middleOf(box);
  const half = { x: (box.maxX - box.minX) / 2, y: (box.maxY - box.minY) / 2 };
  const grown = { x: half.x * (as?.across ?? 1) + off, y: half.y * (as?.down ?? 1) + off };
  const at = { x: x + grip.across * grown.x, y: y + grip.down * grown.y };
  return as && as.degrees !== 0 ? apply(turned(box, as.degrees).map, at) : at;
}

interface GripProps {
  grip: Grip;
  at: Point;
  scale: number;
  onMove(to: Point, mark: string, even: boolean, at: Point): void;
  onArrow(steps: number, mark: string, even: boolean): void;
  onDrop(): void;
}

/** Corners are brackets as on a registration sheet, sides are bars, the knob is a ring: told apart without colour. */
function GripMark({ grip, at, scale, onMove, onArrow, onDrop }: GripProps) {
  const taken = useRef<{ mark: string; at: Point } | null>(null);
  const { across: a, down: d } = grip;
  const shape =
    grip.does === 'turn'
      ? 'M-6,0 a6,6 0 1 1 12,0 a6,6 0 1 1 -12,0 Z'
      : grip.does === 'stretch'
        ? a !== 0
          ? 'M-2,-8 h4 v16 h-4 Z'
          : 'M-8,-2 h16 v4 h-16 Z'
        : `M${a * 2},${d * 2} h${-a * 12} v${-d * 4} h${a * 8} v${-d * 8} h${a * 4} Z`;
  const cursor =
    grip.does === 'turn' ? 'grab' : grip.does === 'scale' ? (a === d ? 'nwse-resize' : 'nesw-resize') : a ? 'ew-resize' : 'ns-resize';
  return (
    <Handle
      at={at}
      label={grip.name}
      tab={grip === TURN || grip === CORNERS[0]}
      cursor={cursor}
      onMove={(to, mark, even) => {
        if (taken.current?.mark !== mark) taken.current = { mark, at };
        onMove(to, mark, even, taken.current.at);
      }}
      onArrow={(right, down, mark, even) => onArrow(right - down, mark, even)}
      onDrop={onDrop}
    >
      <g transform={`translate(${at.x} ${at.y}) scale(${1 / scale})`}>
        <rect x={-10} y={-10} width={20} height={20} fill="transparent" />
        <path d={shape} fill="#fffdf6" stroke="#1d282c" strokeWidth={1.6} strokeLinejoin="round" />
        {grip.does === 'turn' && <circle r={1.8} fill="#1d282c" />}
      </g>
    </Handle>
  );
}

function Outline({ box, live }: { box: Bounds; live: Shaping | undefined }) {
  if (!live) return null;
  const d = `M${box.minX},${box.minY} H${box.maxX} V${box.maxY} H${box.minX} Z`;
  return (
    <path
      d={d}
      transform={`matrix(${live.map.join(' ')})`}
      fill="none"
      stroke="#1d282c"
      strokeWidth={1}
      strokeDasharray="4 3"
      vectorEffect="non-scaling-stroke"
    />
  );
}

/** The size, and while something is done to it by how much. */
function Figures({ box, scale, live }: { box: Bounds; scale: number; live: Shaping | undefined }) {
  const [w, h] = [(box.maxX - box.minX) * (live?.across ?? 1), (box.maxY - box.minY) * (live?.down ?? 1)];
  const bare = (mm: number): string => lengthText(mm).replace(/ .*/, '');
  const size = `${bare(w)} × ${bare(h)} ${unitsNow()}`;
  const by =
    live && live.degrees !== 0
      ? `${Math.abs(live.degrees)}° ${live.degrees < 0 ? 'clockwise' : 'anticlockwise'}`
      : live && (live.across !== 1 || live.down !== 1)
        ? `${Math.round((live.across !== 1 ? live.across : live.down) * 1000) / 10} %`
        : '';
  const text = by === '' ? size : live!.degrees !== 0 ? by : `${by} · ${size}`;
  const below = live ? ((box.maxY - box.minY) / 2) * live.down + middleOf(box).y : box.maxY;
  const width = text.length * 7.3 + 14;
  return (
    <g
      transform={`translate(${middleOf(box).x} ${below}) scale(${1 / scale})`}
      data-testid="chosen-size"
      data-width={w.toFixed(2)}
      data-height={h.toFixed(2)}
      data-degrees={live?.degrees ?? 0}
    >
      <rect
        x={-width / 2}
        y={18}
        width={width}
        height={20}
        rx={4}
        fill={live ? '#f2c230' : '#fffdf6'}
        fillOpacity={live ? 1 : 0.9}
        stroke="#1d282c"
        strokeWidth={0.8}
      />
      <text x={0} y={32} fontSize={12} textAnchor="middle" className="figures" fill="#1d282c">
        {text}
      </text>
    </g>
  );
}
