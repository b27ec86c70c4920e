import { Eye, MapPin, Ruler } from 'lucide-react';
import { useEffect, useState } from 'react';
import { MARK_KINDS, type MarkKind } from '@/core/document/sewoutTypes';
import { MARK_WORDS, RULED } from '@/core/sewouts/words';
import { preference } from '@/platform/storage/shop';
import { Choice } from '../../components/Choice';
import type { OverWay } from '@/session/sewouts/photoLookStore';
import { OVER_WAYS } from './overWays';
import { LAYER_WORDS, type LayerKey } from './Layers';
import { chooseByArrows, onTabWay } from '../../components/arrowKeys';

/** What the hand does on the pictures: moves the bar, measures across a gap, or sets a mark. */
export type Tool = 'look' | 'gap' | 'mark';

const TOOLS: readonly { key: Tool; name: string; Icon: typeof Eye }[] = [
  { key: 'look', name: 'Look', Icon: Eye },
  { key: 'gap', name: 'Measure a gap', Icon: Ruler },
  { key: 'mark', name: 'Mark', Icon: MapPin },
];
/** What a browser takes a millimetre to be, where the screen was not measured. */
const NOMINAL = 96 / 25.4;

interface Props {
  above: LayerKey;
  below: LayerKey;
  way: OverWay;
  tool: Tool;
  kind: MarkKind;
  size: number | null;
  hasPhoto: boolean;
  perMm: number | null;
  onAbove(key: LayerKey): void;
  onBelow(key: LayerKey): void;
  onWay(way: OverWay): void;
  onTool(tool: Tool): void;
  onKind(kind: MarkKind): void;
  onSize(size: number | null): void;
}

export function ViewerBar(props: Props) {
  const layers = (['photo', 'plan', 'foreseen'] as const)
    .filter((k) => k !== 'photo' || props.hasPhoto)
    .map((k) => ({ value: k, name: LAYER_WORDS[k] }));
  const real = useRealSize();
  return (
    <div className="flex min-h-10 flex-wrap items-center gap-x-3 gap-y-1 border-b border-hairline bg-panel px-3 py-1">
      <div
        role="radiogroup"
        aria-label="What the hand does"
        onKeyDown={chooseByArrows}
        className="flex overflow-hidden rounded-md border border-edge"
      >
        {TOOLS.map(({ key, name, Icon }) => (
          <button
            key={key}
            type="button"
            role="radio"
            aria-checked={props.tool === key}
            tabIndex={onTabWay(props.tool === key)}
            onClick={() => props.onTool(key)}
            className={`flex h-7 items-center gap-1.5 px-2 max-md:h-11 ${props.tool === key ? 'bg-tape font-semibold' : 'bg-panel hover:bg-tape-soft'}`}
          >
            <Icon size={14} aria-hidden="true" /> {name}
          </button>
        ))}
      </div>
      {props.tool === 'mark' && (
        <Choice
          label="What is seen there"
          hideLabel
          dense
          value={props.kind}
          options={MARK_KINDS.filter((k) => !RULED.includes(k)).map((k) => ({ value: k, name: MARK_WORDS[k] }))}
          onChange={props.onKind}
        />
      )}
      <div className="ml-auto flex items-center gap-1.5 max-md:ml-0">
        <Choice label="Above" hideLabel dense value={props.above} options={layers} onChange={props.onAbove} />
        <span className="text-quiet">over</span>
        <Choice label="Below" hideLabel dense value={props.below} options={layers} onChange={props.onBelow} />
        <Choice label="Shown as" hideLabel dense value={props.way} options={OVER_WAYS} onChange={props.onWay} />
        <Choice
          label="Size"
          hideLabel
          dense
          value={props.size === null ? 'fit' : props.size === real ? 'real' : 'large'}
          options={[
            { value: 'fit', name: 'Fit' },
            { value: 'real', name: 'Real size' },
            { value: 'large', name: '5 times' },
          ]}
          onChange={(key) => props.onSize(key === 'fit' ? null : key === 'real' ? real : 5 * real)}
        />
      </div>
    </div>
  );
}

/** Pixels to a mm on this screen, as it was measured on the Bench. */
function useRealSize(): number {
  const [size, setSize] = useState(NOMINAL);
  useEffect(() => {
    void preference<number>('screen-px-per-mm').then((kept) => typeof kept === 'number' && kept > 1 && kept < 40 && setSize(kept));
  }, []);
  return size;
}
