'use client';
import { Dialog } from 'radix-ui';
import type { Lighter, LighterWay } from '@/core/artwork/lighter';
import { counted } from '@/core/units/count';
import { Button } from '../components/Button';
import { closeHeavy, lighterFile, useHeavy } from './heavyStore';

const WORDS: Record<LighterWay, { name: string; says: string }> = {
  merge: { name: 'Merge what touches', says: 'Shapes of one colour that touch become one; the picture stays, but for the smallest.' },
  largest: { name: 'Take only the largest', says: 'The small ones are left out.' },
};

/** A drawing of more shapes than can be sewn: two ways to go on, with what each comes to. */
export function HeavyDrawing({ onTake }: { onTake(file: File): void }) {
  const { file, ways, progress, problem } = useHeavy();
  const take = (way: LighterWay, lighter: Lighter): void => {
    if (!file) return;
    closeHeavy();
    onTake(lighterFile(file, way, lighter));
  };
  return (
    <Dialog.Root open={file !== null} onOpenChange={(open) => !open && closeHeavy()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          data-testid="heavy"
          className="fixed top-1/2 left-1/2 z-50 w-[520px] max-w-[95vw] -translate-x-1/2 -translate-y-1/2 rounded-md border border-edge bg-panel p-5 shadow-lg"
        >
          <Dialog.Title className="text-lg font-semibold">More shapes than anyone would sew</Dialog.Title>
          <Dialog.Description className="mt-1">
            ‘{file?.name}’ has so many that they would take hours under the needle. Go on with fewer, or make the drawing lighter where it
            was drawn.
          </Dialog.Description>
          <div className="mt-4 grid gap-3">
            {(['merge', 'largest'] as const).map((way) => (
              <Way key={way} way={way} lighter={ways[way]} onTake={take} />
            ))}
          </div>
          {problem && (
            <p role="alert" className="mt-3 text-danger">
              {problem}
            </p>
          )}
          <div className="mt-4 flex items-center justify-end gap-3">
            {progress !== null && (
              <p role="status" className="mr-auto text-quiet">
                Counting … <span className="figures">{Math.round(progress * 100)} %</span>
              </p>
            )}
            <Dialog.Close asChild>
              <Button>Not now</Button>
            </Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

interface WayProps {
  way: LighterWay;
  lighter: Lighter | undefined;
  onTake(way: LighterWay, lighter: Lighter): void;
}

function Way({ way, lighter, onTake }: WayProps) {
  return (
    <div className="flex items-center gap-4 rounded-md border border-hairline p-3">
      <div className="min-w-0 flex-1">
        <p className="font-semibold">{WORDS[way].name}</p>
        <p className="text-quiet">{WORDS[way].says}</p>
        {lighter && <p data-way={way}>{comesTo(lighter)}</p>}
      </div>
      <Button look={way === 'merge' ? 'primary' : 'plain'} disabled={!lighter} onClick={() => lighter && onTake(way, lighter)}>
        {lighter ? 'Take these' : 'Counting …'}
      </Button>
    </div>
  );
}

function comesTo({ before, after, lost, texts }: Lighter): string {
  const share = Math.round(lost * 100);
  const left = share > 0 ? `; ${share} % of what is painted is left out` : '';
  return `${before.toLocaleString('en')} shapes become ${counted(after, 'part')}${left}${texts > 0 ? `, and ${counted(texts, 'text')}` : ''}.`;
}
