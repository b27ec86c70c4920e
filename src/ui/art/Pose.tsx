'use client';
import { CaretsToAxisDashedVertical, FileInput, RotateCcwSquare } from 'lucide-react';
import { useRef } from 'react';
import { toast } from '@/session/notice';
import { readSvg } from '@/core/artwork/readSvg';
import { withoutPictureEnd } from '@/core/tracing/pictureName';
import type { Job } from '@/core/document/types';
import { checkSize, isPicture } from '@/platform/files';
import { tracePicture } from '@/session/derived/tracePicture';
import { replaceArtwork, type NewArtwork } from '@/session/edit/artworkCommands';
import { poseArtwork } from '@/session/edit/commands';
import { useJob } from '@/session/job/jobStore';
import { artworkName } from '@/core/document/fileNames';
import { Button, SignButton } from '../components/Button';
import { NumberField } from '../components/NumberField';
import { usePastedFile } from '../components/usePastedFile';

/** A file as artwork at the job's size: a drawing as it is, a picture traced. */
async function newArtwork(file: File, job: Job): Promise<NewArtwork> {
  checkSize(file);
  const name = artworkName(file.name);
  if (!isPicture(file)) {
    const svg = await file.text();
    readSvg(svg);
    return { file: name, svg };
  }
  const { svg, picture, found } = await tracePicture(await file.arrayBuffer(), name, { widthMm: job.brief.size.width ?? USUAL_MM });
  return { file: `${withoutPictureEnd(name)}.svg`, svg, picture: { from: { file: name, found }, text: picture } };
}
/** Width at which pictures are traced when the job is sized by its height, mm. */
const USUAL_MM = 80;

/** How the artwork lies, and another drawing in its place. What is painted is always centred on the hoop's middle. */
export function Pose({ job }: { job: Job }) {
  const input = useRef<HTMLInputElement>(null);
  const { turn = 0, mirror = false } = job.artwork[0] ?? {};
  const replace = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    try {
      replaceArtwork(await newArtwork(file, job));
      await useJob.getState().flush();
      toast.success('The artwork was replaced; the pieces on the bench stay until you make them again.');
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  usePastedFile((file) => void replace(file));
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
          void replace(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      <Button dense className="ml-auto" onClick={() => input.current?.click()} title="The pieces on the bench stay">
        <FileInput size={14} aria-hidden="true" /> Replace the artwork
      </Button>
    </div>
  );
}
