'use client';
import { PhotoLegend } from './PhotoLegend';
import { PullLegend } from './PullLegend';
import { WeightLegend } from '../cloth/WeightLayer';
import { useView, type ClothLook } from '@/session/view/viewStore';
import { chooseByArrows, onTabWay } from '../../components/arrowKeys';

const LOOKS: readonly { look: ClothLook; name: string; legend: string }[] = [
  { look: 'thread', name: 'Thread', legend: 'as sewn, lit' },
  { look: 'needle', name: 'Needle', legend: 'rows, and a dot for every penetration' },
  { look: 'path', name: 'Path', legend: 'number: where a piece starts · bar: where it ends · dotted: way to the next · red V: trim' },
  { look: 'weight', name: 'Weight', legend: 'layers of thread' },
  { look: 'pull', name: 'Pull', legend: 'as drawn, and as it will come out' },
  { look: 'photo', name: 'Photo', legend: 'as it came out' },
];

/** What the cloth shows, with its legend. */
export function LookSwitch() {
  const look = useView((s) => s.look);
  const { legend } = LOOKS.find((l) => l.look === look)!;
  return (
    <div className="absolute top-2 left-2 flex items-center gap-2">
      <div
        role="radiogroup"
        aria-label="Look"
        onKeyDown={chooseByArrows}
        className="flex overflow-hidden rounded-md border border-edge bg-panel"
      >
        {LOOKS.map((l) => (
          <button
            key={l.look}
            type="button"
            role="radio"
            aria-checked={look === l.look}
            tabIndex={onTabWay(look === l.look)}
            onClick={() => useView.setState({ look: l.look })}
            className={`h-7 px-2.5 ${look === l.look ? 'bg-tape font-semibold' : 'hover:bg-tape-soft'}`}
          >
            {l.name}
          </button>
        ))}
      </div>
      {look === 'weight' && <WeightLegend />}
      {look === 'pull' && <PullLegend />}
      {look === 'photo' && <PhotoLegend />}
      {(look === 'needle' || look === 'path') && <p className="rounded-md bg-panel px-2 py-1 text-xs text-quiet">{legend}</p>}
    </div>
  );
}
