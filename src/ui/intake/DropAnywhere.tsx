'use client';
import { FilePlus2 } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useCallback, useEffect, useState } from 'react';
import { isBundle } from '@/platform/files';
import { toast } from '@/session/notice';
import { Button } from '../components/Button';
import { HeavyDrawing } from './HeavyDrawing';
import { useIntake } from './useIntake';

const carriesFiles = (e: DragEvent): boolean => e.dataTransfer?.types.includes('Files') === true;

/** A file let go anywhere on the page, unless a part of the page took it. */
function useDroppedFile(take: (file: File) => void): boolean {
  const [over, setOver] = useState(false);
  useEffect(() => {
    // A picture of the page that is dragged also says that it is a file.
    let own = false;
    const begin = (): void => void (own = true);
    const end = (): void => void (own = false);
    const dragOver = (e: DragEvent): void => {
      if (own || !carriesFiles(e)) return;
      setOver(!e.defaultPrevented);
      // Without this the browser would leave the page for the file.
      e.preventDefault();
    };
    const leave = (e: DragEvent): void => {
      if (e.relatedTarget === null) setOver(false);
    };
    const drop = (e: DragEvent): void => {
      setOver(false);
      if (own || !carriesFiles(e) || e.defaultPrevented) return;
      e.preventDefault();
      const file = e.dataTransfer?.files[0];
      if (file) take(file);
    };
    const heard = { dragstart: begin, dragend: end, dragover: dragOver, dragleave: leave, drop } as const;
    for (const [name, hear] of Object.entries(heard)) window.addEventListener(name as 'drop', hear);
    return () => {
      for (const [name, hear] of Object.entries(heard)) window.removeEventListener(name as 'drop', hear);
    };
  }, [take]);
  return over;
}

/** Takes files dropped on a page that is not the Shelf: a new job, or, with a job open or opening, its artwork if so wished. */
export function DropAnywhere({ job = 'none' }: { job?: 'none' | 'opening' | 'open' }) {
  const inJob = job !== 'none';
  const [asked, setAsked] = useState<File | null>(null);
  const guarded = useCallback(async (work: () => Promise<unknown>) => {
    try {
      await work();
    } catch (error) {
      if ((error as Error).name !== 'AbortError') toast.error((error as Error).message);
    }
  }, []);
  const { busy, take } = useIntake(guarded);
  const over = useDroppedFile(useCallback((file) => (inJob && !isBundle(file) ? setAsked(file) : take([file])), [inJob, take]));
  const answer = (as: (file: File) => void): void => {
    if (asked) as(asked);
    setAsked(null);
  };
  return (
    <>
      {over && (
        <div
          className="pointer-events-none fixed inset-0 z-40 grid place-items-center border-4 border-dashed border-ink bg-tape-soft/80"
          data-testid="drop-over"
        >
          <p className="flex items-center gap-3 rounded-md border border-ink bg-panel px-5 py-3 text-lg font-semibold">
            <FilePlus2 aria-hidden="true" /> Let it go: a drawing or picture becomes a job
          </p>
        </div>
      )}
      {busy && (
        <p
          role="status"
          className="fixed bottom-10 left-1/2 z-40 flex -translate-x-1/2 items-center gap-3 rounded-md border border-ink bg-panel px-4 py-2 shadow-lg"
        >
          Reading {busy.name} … <span className="figures">{Math.round(busy.progress * 100)} %</span>
          <Button dense onClick={busy.cancel}>
            Cancel
          </Button>
        </p>
      )}
      <HeavyDrawing onTake={(file) => take([file])} />
      <Dialog.Root open={asked !== null} onOpenChange={(open) => !open && setAsked(null)}>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
          <Dialog.Content
            data-testid="drop-question"
            className="fixed top-1/2 left-1/2 z-50 w-[440px] max-w-[95vw] -translate-x-1/2 -translate-y-1/2 rounded-md border border-edge bg-panel p-5 shadow-lg"
          >
            <Dialog.Title className="text-lg font-semibold">What is ‘{asked?.name}’ to be?</Dialog.Title>
            <Dialog.Description className="mt-1 text-quiet">This job stays as it is when a new one is made.</Dialog.Description>
            <div className="mt-4 flex flex-wrap justify-end gap-2">
              <Dialog.Close asChild>
                <Button>Nothing</Button>
              </Dialog.Close>
              <Button
                disabled={job !== 'open'}
                onClick={() => answer((file) => void import('./otherArtwork').then((m) => m.takeOtherArtwork(file)))}
              >
                Other artwork of this job
              </Button>
              <Button look="primary" onClick={() => answer((file) => take([file]))}>
                A new job
              </Button>
            </div>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </>
  );
}
