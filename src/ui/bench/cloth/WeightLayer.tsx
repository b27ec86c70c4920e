'use client';
import { said } from '@/session/view/unitsStore';
import { useEffect } from 'react';
import { HEAT_STEPS } from '@/core/render/heat';
import { css, stepWords } from '../../components/heatWords';
import { histogramOf } from '@/core/stitches/weight';
import { usePlan } from '@/session/derived/planStore';
import { WeightHistogram } from '../panels/WeightHistogram';
import { Button } from '../../components/Button';
import { requestWeight, useWeight, weighAgain, weightAt } from '@/session/derived/weightStore';
import { WhatIsThis } from '../../words/WhatIsThis';

/** The heat map over the cloth; made anew for every plan. */
export function WeightLayer() {
  const of = usePlan((s) => s.of);
  const view = useWeight((s) => s.view);
  useEffect(() => void (of && requestWeight(of)), [of]);
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

/** The steps of the heat map with the area at each as bars, and the figures under the pointer. */
export function WeightLegend() {
  const { view, pointer, problem } = useWeight();
  if (problem)
    return (
      <p role="alert" className="flex items-center gap-2 rounded-md border border-danger bg-panel px-2 py-1 text-xs text-danger">
        {problem}
        <Button dense onClick={weighAgain}>
          Weigh again
        </Button>
      </p>
    );
  if (!view) return <p className="rounded-md bg-panel px-2 py-1 text-xs text-quiet">Weighing …</p>;
  const most = Math.max(...view.areasMm2, 1);
  const here = pointer && weightAt(view, pointer);
  return (
    <div className="absolute top-9 left-0 w-[248px] rounded-md border border-hairline bg-panel p-2 text-xs" data-testid="weight-legend">
      <p className="flex items-center gap-1.5 font-semibold">
        Layers of thread <WhatIsThis term="layers" />
      </p>
      <ul className="mt-1">
        {HEAT_STEPS.map(({ from, rgb }, i) => (
          <li key={from} className="grid grid-cols-[14px_88px_1fr_64px] items-center gap-1.5">
            <span className="h-3 w-3.5 border border-edge" style={{ background: css(rgb) }} />
            <span className="figures whitespace-nowrap">{stepWords(i)}</span>
            <span
              className="h-2"
              style={{ width: `${(100 * view.areasMm2[i]!) / most}%`, background: css(rgb), outline: '1px solid #858f8c' }}
            />
            <span className="figures text-right whitespace-nowrap">{said(`${view.areasMm2[i]!.toFixed(0)} mm²`)}</span>
          </li>
        ))}
      </ul>
      <WeightHistogram histogram={histogramOf(view.layers)} />
      <p className="figures mt-1 border-t border-hairline pt-1" role="status">
        {here ? said(`${here.layers.toFixed(1)} layers · ${here.holes} holes/mm²`) : 'Point at the cloth for its figures.'}
      </p>
      <p className="text-quiet">
        {said('A fill at 0.40 mm is one layer, a satin two; appliqué cloth one, foam one for each 1 mm, topping film a quarter.')}
      </p>
    </div>
  );
}
