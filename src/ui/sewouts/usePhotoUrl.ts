import { useEffect, useState } from 'react';
import { keptPhoto } from '@/platform/storage/photos';

/** An address for a kept photo that lasts as long as it is shown; null while it is not known or where it is missing. */
export function usePhotoUrl(jobId: string, file: string | undefined): { url: string | null; missing: boolean } {
  const [shown, setShown] = useState<{ file: string; url: string | null } | null>(null);
  useEffect(() => {
    if (file === undefined) return;
    let made: string | null = null;
    let gone = false;
    void keptPhoto(jobId, file).then((photo) => {
      if (gone) return;
      made = photo && URL.createObjectURL(photo);
      setShown({ file, url: made });
    });
    return () => {
      gone = true;
      if (made) URL.revokeObjectURL(made);
    };
  }, [jobId, file]);
  const own = shown?.file === file ? shown : null;
  return { url: own?.url ?? null, missing: own !== null && own !== undefined && own.url === null };
}
