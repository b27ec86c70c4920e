/** Tells other tabs of this browser that a job was saved, and hears it from them. */
interface Saved {
  id: string;
  tab: string;
}

const tab = Math.random().toString(36).slice(2);
let open: BroadcastChannel | null = null;

/** Opened when first used: an open channel keeps programs without a page from ending. */
function channel(): BroadcastChannel | null {
  if (typeof BroadcastChannel === 'undefined') return null;
  return (open ??= new BroadcastChannel('cobble-jobs'));
}

export function announceSaved(id: string): void {
  channel()?.postMessage({ id, tab } satisfies Saved);
}

/** @returns a function that stops listening */
export function onSavedElsewhere(heard: (id: string) => void): () => void {
  const listen = ({ data }: MessageEvent<Saved>): void => {
    if (data.tab !== tab) heard(data.id);
  };
  channel()?.addEventListener('message', listen);
  return () => channel()?.removeEventListener('message', listen);
}
