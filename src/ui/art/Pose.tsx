'use client';
import { CaretsToAxisDashedVertical, FileInput, RotateCcwSquare } from 'lucide-react';
import { useRef } from 'react';
import type { Job } from '@/core/document/types';
import { poseArtwork } from '@/session/edit/commands';
import { Button, SignButton } from '../components/Button';
import { NumberField } from '../components/NumberField';
import { usePastedFile } from '../components/usePastedFile';

/** How the artwork lies, and another drawing in its place. What is painted is always centred on the hoop's middle. */
export function Pose({ job }: { job: Job }) {
  const input = useRef<HTMLInputElement>(null);
  const { turn = 0, mirror = false } = job.artwork[0] ?? {};
  const replace = (file: File | undefined): void => void (file && import('../intake/otherArtwork').then((m) => m.takeOtherArtwork(file)));
  usePastedFile(replace);
  return (
    <div className="flex h-12 items-center gap-1 border-b border-hairline px-4" role="group" aria-label="How the artwork lies">
      <SignButton
        name="Mirror the artwork left and right"
        pressed={mirror}
        onClick={() => poseArtwork('Mirror the artwork', { turn: -turn, mirror: !mirror })}
      >
        <CaretsToAxisDashedVertical size={16} />
      </SignButton>
      <SignButton name="Turn the artwork by a quarter" onClick={() => poseArtwork('Turn the artwork', { turn: turn + 90, mirror })}>
        <RotateCcwSquare size={16} />
      </SignButton>
      <NumberField
        label="Turned by"
        hideLabel
        className="w-[84px]"
        value={turn}
        unit="°"
        min={-360}
        max={360}
        step={1}
        decimals={0}
        onCommit={(deg) => poseArtwork('Turn the artwork', { turn: deg, mirror })}
      />
      <input
        ref={input}
        type="file"
        accept=".svg,.png,.jpg,.jpeg,.webp,.gif,.bmp,image/*"
        aria-label="Other artwork"
        className="sr-only"
        tabIndex={-1}
        onChange={(e) => {
          replace(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      <Button dense className="ml-auto" onClick={() => input.current?.click()} title="The pieces on the bench stay">
        <FileInput size={14} aria-hidden="true" /> Replace the artwork
      </Button>
    </div>
  );
}
