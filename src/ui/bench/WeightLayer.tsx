'use client';
import { useEffect, useState } from 'react';
import { create } from 'zustand';
import { HEAT_STEPS } from '@/core/drawing/heat';
import type { Job } from '@/core/document/types';
import type { Point } from '@/core/geometry/point';
import { usePlan } from '@/store/planStore';
import { engine } from '@/workers/client';
import type { WeightView } from '@/workers/protocol';

interface WeightState {
  view: (WeightView & { href: string }) | null;
  of: Job | null;
  pointer: Point | null;
}

const useWeight = create<WeightState>(() => ({ view: null, of: null, pointer: null }));

/** Where the pointer is over the cloth, for the figures of the Weight look. */
export const pointWeight = (pointer: Point | null): void => useWeight.setState({ pointer });

/** The heat map over the cloth; made anew for every plan. */
export function WeightLayer() {
  const of = usePlan((s) => s.of);
  const view = useWeight((s) => s.view);
  useEffect(() => {
    if (!of || useWeight.getState().of === of) return;
    let gone = false;
    engine
      .call('weight', { job: of })
      .then((made) => {
        const before = useWeight.getState().view;
        if (before) URL.revokeObjectURL(before.href);
        if (!gone) useWeight.setState({ view: { ...made, href: URL.createObjectURL(made.png) }, of });
      })
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [of]);
  if (!view) return null;
  const { left, top, columns, rows, cellMm, href } = view;
  return (
    <image
      href={href}
      x={left}
      y={top}
      width={columns * cellMm}
      height={rows * cellMm}
      preserveAspectRatio="none"
      style={{ imageRendering: 'pixelated' }}
      data-testid="weight"
    />
  );
}

const css = ({ r, g, b }: { r: number; g: number; b: number }): string => `rgb(${r} ${g} ${b})`;

/** The steps of the heat map with the area at each as bars, and the figures under the pointer. */
export function WeightLegend() {
  const { view, pointer } = useWeight();
  const [holesSide] = useState(4);
  if (!view) return <p className="rounded-md bg-panel px-2 py-1 text-xs text-quiet">Weighing …</p>;
  const most = Math.max(...view.areasMm2, 1);
  const here = pointer && figuresAt(view, pointer, holesSide);
  return (
    <div className="absolute top-9 left-0 w-[248px] rounded-md border border-hairline bg-panel p-2 text-xs" data-testid="weight-legend">
      <p className="font-semibold">Layers of thread</p>
      <ul className="mt-1">
        {HEAT_STEPS.map(({ from, rgb }, i) => (
          <li key={from} className="grid grid-cols-[14px_76px_1fr_64px] items-center gap-1.5">
            <span className="h-3 w-3.5 border border-edge" style={{ background: css(rgb) }} />
            <span className="figures whitespace-nowrap">
              {i + 1 < HEAT_STEPS.length ? `${from} to ${HEAT_STEPS[i + 1]!.from}` : `over ${from}`}
            </span>
            <span
              className="h-2"
              style={{ width: `${(100 * view.areasMm2[i]!) / most}%`, background: css(rgb), outline: '1px solid #858f8c' }}
            />
            <span className="figures text-right whitespace-nowrap">{view.areasMm2[i]!.toFixed(0)} mm²</span>
          </li>
        ))}
      </ul>
      <p className="figures mt-1 border-t border-hairline pt-1" role="status">
        {here ? `${here.layers.toFixed(1)} layers · ${here.holes} holes/mm²` : 'Point at the cloth for its figures.'}
      </p>
      <p className="text-quiet">A fill at 0.40 is one layer, a satin two.</p>
    </div>
  );
}

function figuresAt(view: WeightView, p: Point, side: number): { layers: number; holes: number } | null {
  const column = Math.floor((p.x - view.left) / view.cellMm);
  const row = Math.floor((p.y - view.top) / view.cellMm);
  if (column < 0 || row < 0 || column >= view.columns || row >= view.rows) return null;
  let holes = 0;
  for (let r = row - side / 2; r < row + side / 2; r++) {
    for (let c = column - side / 2; c < column + side / 2; c++) {
      if (r >= 0 && c >= 0 && r < view.rows && c < view.columns) holes += view.holes[r * view.columns + c]!;
    }
  }
  return { layers: view.layers[row * view.columns + column]!, holes };
}
