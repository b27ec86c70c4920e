import { lengthText } from '@/session/view/unitsStore';
import { Camera, Trash2 } from 'lucide-react';
import { useRef } from 'react';
import { toast } from '@/session/notice';
import type { Sewout, SewoutPhoto } from '@/core/document/sewoutTypes';
import type { Job } from '@/core/document/types';
import { removePhotoFrom } from '@/session/edit/sewoutCommands';
import { layPhoto, seekGaps, useSewouts } from '@/session/sewouts/sewoutStore';
import { Button, SignButton } from '../../components/Button';
import { usePhotoUrl } from '../usePhotoUrl';

interface Props {
  job: Job;
  sewout: Sewout;
  photo: SewoutPhoto | null;
  onPhoto(id: string): void;
  onFiles(files: readonly File[]): void;
  onPoints(): void;
}

/** The photos of a test, and how the one that is looked at lies over the plan. */
export function PhotoStrip({ job, sewout, photo, onPhoto, onFiles, onPoints }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const busy = useSewouts((s) => s.work.progress !== null);
  const missed = (): void =>
    void toast.error(
      'The design is not found on this photo. Take it from straight above, with all of it and some bare cloth round it, or lay it by points.',
    );
  return (
    <div className="flex flex-wrap items-center gap-2 border-t border-hairline bg-panel px-3 py-2">
      <ul aria-label="Photos" className="flex gap-2 overflow-x-auto">
        {sewout.photos.map((p, i) => (
          <li key={p.id}>
            <Thumb job={job} photo={p} name={`Photo ${i + 1}`} chosen={p.id === photo?.id} onChoose={() => onPhoto(p.id)} />
          </li>
        ))}
      </ul>
      <input
        ref={input}
        type="file"
        accept="image/*"
        multiple
        className="sr-only"
        tabIndex={-1}
        aria-label="Choose photos"
        data-testid="photo-file"
        onChange={(e) => {
          onFiles([...(e.target.files ?? [])]);
          e.target.value = '';
        }}
      />
      <Button className="max-md:h-11" onClick={() => input.current?.click()}>
        <Camera size={15} aria-hidden="true" /> {sewout.photos.length === 0 ? 'Add a photo' : 'Another'}
      </Button>
      {sewout.photos.length === 0 && (
        <span className="text-xs text-quiet">Drop, paste or take one. From straight above, with some bare cloth round the work.</span>
      )}
      {photo && (
        <>
          <span className="ml-auto text-right text-xs max-md:ml-0" data-testid="laying">
            {photo.laying ? (
              <>
                {photo.laying.by === 'found' ? 'Laid by itself' : 'Laid by points'}
                {photo.laying.errorMm !== undefined && (
                  <>
                    , within <span className="figures">{lengthText(photo.laying.errorMm, 2)}</span>
                  </>
                )}
              </>
            ) : (
              'Not laid over the plan yet'
            )}
          </span>
          <Button disabled={busy} look={photo.laying ? 'plain' : 'primary'} onClick={() => layPhoto(job, sewout, photo, missed)}>
            {photo.laying ? 'Lay it anew' : 'Lay it over the plan'}
          </Button>
          <Button disabled={busy} onClick={onPoints}>
            By points …
          </Button>
          {photo.laying && (
            <Button disabled={busy} onClick={() => seekGaps(job, sewout, photo, (words) => toast(words))}>
              Find gaps
            </Button>
          )}
          <SignButton name="Remove this photo" onClick={() => removePhotoFrom(sewout.id, photo.id)}>
            <Trash2 size={15} />
          </SignButton>
        </>
      )}
    </div>
  );
}

function Thumb({ job, photo, name, chosen, onChoose }: { job: Job; photo: SewoutPhoto; name: string; chosen: boolean; onChoose(): void }) {
  const { url, missing } = usePhotoUrl(job.id, photo.file);
  return (
    <button
      type="button"
      aria-label={missing ? `${name}, missing` : name}
      aria-pressed={chosen}
      title={missing ? 'This photo is not in this browser.' : name}
      onClick={onChoose}
      className={`grid h-12 w-16 place-items-center overflow-hidden rounded-md border-2 bg-paper text-xs ${chosen ? 'border-ink outline-2 outline-tape' : 'border-hairline'}`}
    >
      {url ? <img src={url} alt="" className="h-full w-full object-cover" /> : missing ? 'missing' : '…'}
    </button>
  );
}
