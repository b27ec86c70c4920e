'use client';
import { transformPieces } from '@/session/edit/commands';
import { chosenIds } from '@/session/view/viewStore';
import { NumberField } from '../../components/NumberField';
import { chosenLoose, useChosenBox } from '../tools/chosenBox';
import { scaled, turned } from '../tools/choose/turning';

/** The size of what is chosen, to be typed: it keeps its shape and its middle; and a turn by so many degrees. */
export function SizeFields() {
  const box = useChosenBox();
  if (!box || chosenLoose().length === 0) return null;
  const [width, height] = [box.maxX - box.minX, box.maxY - box.minY];
  const size = (name: string, mm: number) =>
    mm > 0 && (
      <NumberField
        label={name}
        value={mm}
        unit="mm"
        min={0.5}
        max={Math.max(mm, 1000)}
        step={1}
        decimals={1}
        onCommit={(wanted) => transformPieces(chosenIds(), 'Scale', scaled(box, wanted / mm, wanted / mm).map)}
      />
    );
  return (
    <div className="mt-2 grid grid-cols-3 gap-2" role="group" aria-label="Size and turn">
      {size('Width', width)}
      {size('Height', height)}
      <NumberField
        label="Turn by"
        value={0}
        unit="°"
        min={-360}
        max={360}
        step={1}
        decimals={1}
        onCommit={(degrees) => transformPieces(chosenIds(), 'Turn', turned(box, degrees).map)}
      />
    </div>
  );
}
