import { useState } from 'react';
import { toast } from '@/session/notice';
import type { Job } from '@/core/document/types';
import { download, fileStem } from '@/platform/files';
import { useLibrary } from '@/session/shop/libraryStore';
import { engine } from '@/workers/client';
import { Button } from '../../components/Button';

/** The sheet that says where on a calibration card to lay the ruler. @param on day that it is printed with */
export function CardSheet({ job, on }: { job: Job; on: string }) {
  const paper = useLibrary((s) => s.library.shop.paper);
  const [busy, setBusy] = useState(false);
  const print = async (): Promise<void> => {
    setBusy(true);
    try {
      const { data } = await engine.call('paper', { job, on, card: true, paper });
      download(`${fileStem(job.name)}.pdf`, data);
    } catch (error) {
      toast.error((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  return (
    <Button disabled={busy} onClick={() => void print()}>
      {busy ? 'Drawing …' : 'The sheet beside it, as PDF'}
    </Button>
  );
}
