'use client';
import { said } from '@/session/view/unitsStore';
import { useRouter } from 'next/navigation';
import { AlertDialog } from 'radix-ui';
import { counted } from '@/core/units/count';
import { useJob } from '@/session/job/jobStore';
import { useProof } from '@/session/derived/proofStore';
import { useTakeAway } from '@/session/derived/takeAwayStore';
import { placeHref } from '../places';
import { Button } from './Button';
import { Sign } from './Sign';
import { sizeGapWords } from './sizeGapWords';
import { takeAwayAllTheSame } from './takeAwayFile';

const MOST_SHOWN = 5;

/** Asked before a file with severe faults leaves: what they are, and whether it is wanted all the same. */
export function TakeAwayQuestion() {
  const router = useRouter();
  const asking = useTakeAway((s) => s.asking);
  const id = useJob((s) => s.job?.id);
  const close = (): void => useTakeAway.setState({ asking: null });
  const look = (): void => {
    close();
    if (id) router.push(placeHref(id, 'bench'));
    useProof.setState({ open: true });
  };
  return (
    <AlertDialog.Root open={asking !== null} onOpenChange={(open) => !open && close()}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <AlertDialog.Content
          data-testid="take-away-question"
          className="fixed top-1/2 left-1/2 z-50 max-h-[90vh] w-[520px] max-w-[95vw] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-md border border-edge bg-panel p-5 shadow-lg"
        >
          <AlertDialog.Title className="text-lg font-semibold">Take it away as it is?</AlertDialog.Title>
          <AlertDialog.Description asChild>
            <div className="mt-2 grid gap-2">
              {asking?.size && (
                <p>
                  <Sign of="warn" className="text-warn" /> {sizeGapWords(asking.size)}
                </p>
              )}
              {asking && asking.severe.length > 0 && (
                <>
                  <p className="font-semibold text-danger">
                    <Sign of="stop" /> {counted(asking.severe.length, 'severe finding')}
                  </p>
                  <ul className="grid list-disc gap-1 pl-5">
                    {asking.severe.slice(0, MOST_SHOWN).map((f, i) => (
                      <li key={i}>{said(f.message)}</li>
                    ))}
                    {asking.severe.length > MOST_SHOWN && <li>and {asking.severe.length - MOST_SHOWN} more</li>}
                  </ul>
                </>
              )}
              <p className="text-quiet">Whoever sews this file will not see it; the worksheet lists what is open.</p>
            </div>
          </AlertDialog.Description>
          <div className="mt-4 flex justify-end gap-2">
            <AlertDialog.Action asChild>
              <Button look="danger" onClick={() => void takeAwayAllTheSame()}>
                Take it away all the same
              </Button>
            </AlertDialog.Action>
            <AlertDialog.Cancel asChild>
              <Button>Not now</Button>
            </AlertDialog.Cancel>
            <Button look="primary" onClick={look}>
              Look at them
            </Button>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
