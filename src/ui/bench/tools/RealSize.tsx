'use client';
import { said } from '@/session/view/unitsStore';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { keepPreference, preference } from '@/platform/storage/shop';
import { showAt } from '@/session/view/cameraStore';
import { Button, SignButton } from '../../components/Button';

const KEY = 'screen-px-per-mm';
/** What a browser takes a millimetre to be; screens differ, so it is asked once. */
const NOMINAL = 96 / 25.4;
/** A bank card, which everyone has at hand (ISO/IEC 7810 ID-1), mm. */
const CARD = { width: 85.6, height: 53.98 };

/** Shows the work at its true size; the first time the screen is calibrated against a card held to it. */
export function RealSize() {
  const [open, setOpen] = useState(false);
  const [scale, setScale] = useState(NOMINAL);
  const show = async (): Promise<void> => {
    const kept = await preference<number>(KEY);
    if (typeof kept === 'number' && kept > 1 && kept < 40) showAt(kept);
    else setOpen(true);
  };
  const take = (): void => {
    void keepPreference(KEY, scale);
    setOpen(false);
    showAt(scale);
  };
  return (
    <>
      <SignButton
        className="!h-7"
        name="True size, 1:1 (Alt-click: measure the screen again)"
        onClick={(e) => (e.altKey ? setOpen(true) : void show())}
        data-testid="real-size"
      >
        <span className="figures text-xs font-semibold">1:1</span>
      </SignButton>
      <Dialog.Root open={open} onOpenChange={setOpen}>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
          <Dialog.Content className="fixed top-[8vh] left-1/2 z-50 w-[620px] -translate-x-1/2 rounded-md border border-edge bg-panel p-5 shadow-lg">
            <Dialog.Title className="text-lg font-semibold">How large are things on this screen?</Dialog.Title>
            <Dialog.Description className="mt-1 text-quiet">
              Hold a bank card to the screen and move the slider until the yellow field is as large as the card. This is asked once.
            </Dialog.Description>
            <div className="my-4 grid h-[360px] place-items-center overflow-hidden rounded-md bg-mat">
              <div
                className="rounded-lg border border-ink bg-tape"
                style={{ width: CARD.width * scale, height: CARD.height * scale }}
                data-testid="card"
              />
            </div>
            <div className="flex items-center gap-4">
              <input
                type="range"
                aria-label="Pixels to a length"
                min={2}
                max={6.6}
                step={0.01}
                value={scale}
                onChange={(e) => setScale(Number(e.target.value))}
                className="flex-1 accent-[#1d282c]"
              />
              <span className="figures w-24 text-right">{said(`${scale.toFixed(2)} px/mm`)}</span>
              <Button look="primary" onClick={take}>
                It is as large
              </Button>
            </div>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </>
  );
}
