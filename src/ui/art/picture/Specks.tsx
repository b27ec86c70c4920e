import { said } from '@/session/view/unitsStore';
import type { DroppedSpeck, TracedFrom } from '@/core/document/types';
import { counted } from '@/core/units/count';
import { Button } from '../../components/Button';

interface Props {
  picture: TracedFrom;
  onKeep(speck: DroppedSpeck): void;
  onLook(speck: DroppedSpeck): void;
}

/** What was left out for being too small, largest first; each can be kept. */
export function Specks({ picture, onKeep, onLook }: Props) {
  const { droppedSpecks = 0, specks = [], keptSpots = 0 } = picture.found ?? {};
  return (
    <section aria-label="Specks and spots">
      <h3 className="font-semibold">Specks and spots</h3>
      <p className="text-quiet" data-testid="specks-said">
        {droppedSpecks === 0
          ? 'No speck was left out'
          : `${counted(droppedSpecks, 'speck')} too small to sew ${droppedSpecks === 1 ? 'was' : 'were'} left out`}
        {keptSpots > 0 ? `; ${counted(keptSpots, 'small spot')} ${keptSpots === 1 ? 'was' : 'were'} kept and grown.` : '.'}
      </p>
      <ul className="mt-1 grid gap-0.5">
        {specks.slice(0, MOST_SHOWN).map((speck, i) => (
          <li key={i} className="flex items-center gap-2">
            <span className="h-3 w-4 rounded-sm border border-edge" style={{ backgroundColor: speck.hex }} />
            <button type="button" className="figures flex-1 text-left underline decoration-dotted" onClick={() => onLook(speck)}>
              {said(`${speck.mm2.toFixed(2)} mm²`)}
            </button>
            <Button dense onClick={() => onKeep(speck)}>
              Keep
            </Button>
          </li>
        ))}
      </ul>
      {specks.length > MOST_SHOWN && <p className="text-quiet">and {droppedSpecks - MOST_SHOWN} smaller</p>}
    </section>
  );
}
const MOST_SHOWN = 6;
