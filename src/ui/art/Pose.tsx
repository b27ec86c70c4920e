'use client';
import { CaretsToAxisDashedVertical, FileInput, RotateCcwSquare } from 'lucide-react';
import { useRef } from 'react';
import { toast } from 'sonner';
import { readSvg } from '@/core/artwork/readSvg';
import type { Job } from '@/core/document/types';
import { checkSize } from '@/platform/files';
import { poseArtwork, replaceArtwork } from '@/session/edit/commands';
import { useJob } from '@/session/job/jobStore';
import { artworkName } from '@/core/document/fileNames';
import { Button, SignButton } from '../components/Button';
import { NumberField } from '../components/NumberField';

/** How the artwork lies, and another drawing in its place. What is painted is always centred on the hoop's middle. */
export function Pose({ job }: { job: Job }) {
  const input = useRef<HTMLInputElement>(null);
  const { turn = 0, mirror = false } = job.artwork[0] ?? {};
  const replace = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    try {
      checkSize(file);
      const svg = await file.text();
      readSvg(svg);
      replaceArtwork(artworkName(file.name), svg);
      await useJob.getState().flush();
      toast.success('The artwork was replaced; the pieces on the bench stay until you make them again.');
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
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
        accept=".svg,image/svg+xml"
        aria-label="Another drawing"
        className="sr-only"
        tabIndex={-1}
        onChange={(e) => {
          void replace(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      <Button dense className="ml-auto" onClick={() => input.current?.click()} title="The pieces on the bench stay">
        <FileInput size={14} aria-hidden="true" /> Replace the drawing
      </Button>
    </div>
  );
}
