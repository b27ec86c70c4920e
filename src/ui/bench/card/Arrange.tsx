'use client';
import { Copy, Flower2, CaretsToAxisDashedHorizontal, CaretsToAxisDashedVertical, RotateCw } from 'lucide-react';
import { useState } from 'react';
import { mirroredAbout, movedBy, turnedAbout } from '@/core/editing/transform';
import type { Matrix } from '@/core/geometry/path';
import { copyPieces, repeatJoined, transformPieces } from '@/session/edit/commands';
import { chosenIds, selectAll } from '@/session/view/viewStore';
import { Button, SignButton } from '../../components/Button';
import { NumberField } from '../../components/NumberField';

const CENTRE = { x: 0, y: 0 };
const MOST = 36;

const joined = (label: string, maps: readonly Matrix[]): void => selectAll(repeatJoined(chosenIds(), label, maps));
const copy = (label: string, maps: readonly Matrix[]): void => selectAll(copyPieces(chosenIds(), label, maps));

/** Copies of what is chosen, mirrored or repeated about the hoop's centre, and turning it. */
export function Arrange() {
  const [times, setTimes] = useState(6);
  const around = Array.from({ length: times - 1 }, (_, k) => turnedAbout(CENTRE, (360 / times) * (k + 1)));
  return (
    <div className="mt-3 flex items-center gap-0.5 border-t border-hairline pt-2" aria-label="Arrange" role="group">
      <SignButton className="!h-7 !w-7" name="Copy beside itself (K)" onClick={() => copy('Copy', [movedBy(3, 3)])}>
        <Copy size={15} />
      </SignButton>
      <SignButton
        className="!h-7 !w-7"
        name="Mirror a copy across the upright centre line (X)"
        onClick={() => copy('Mirror', [mirroredAbout('vertical', 0)])}
      >
        <CaretsToAxisDashedVertical size={15} />
      </SignButton>
      <SignButton
        className="!h-7 !w-7"
        name="Mirror a copy across the level centre line"
        onClick={() => copy('Mirror', [mirroredAbout('level', 0)])}
      >
        <CaretsToAxisDashedHorizontal size={15} />
      </SignButton>
      <SignButton
        className="!h-7 !w-7"
        name="Turn by 15 degrees about the centre"
        onClick={() => transformPieces(chosenIds(), 'Turn', turnedAbout(CENTRE, -15))}
      >
        <RotateCw size={15} />
      </SignButton>
      <span className="ml-auto w-[50px]">
        <NumberField
          label="Times round the centre"
          hideLabel
          value={times}
          unit=""
          min={2}
          max={MOST}
          step={1}
          decimals={0}
          onCommit={setTimes}
        />
      </span>
      <Button dense title="Repeat about the hoop’s centre" onClick={() => copy(`Repeat ${times} times`, around)}>
        Round centre
      </Button>
      <SignButton
        className="!h-7 !w-7"
        name={`Repeat ${times} times about the centre, what touches grown into one`}
        onClick={() => joined(`Repeat ${times} times, joined`, around)}
      >
        <Flower2 size={15} />
      </SignButton>
    </div>
  );
}
