/** Tells other tabs of this browser that a job was saved, and hears it from them. */
interface Saved {
  id: string;
  tab: string;
}

const tab = Math.random().toString(36).slice(2);
const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('cobble-jobs');

export function announceSaved(id: string): void {
  channel?.postMessage({ id, tab } satisfies Saved);
}

/** @returns a function that stops listening */
export function onSavedElsewhere(heard: (id: string) => void): () => void {
  const listen = ({ data }: MessageEvent<Saved>): void => {
    if (data.tab !== tab) heard(data.id);
  };
  channel?.addEventListener('message', listen);
  return () => channel?.removeEventListener('message', listen);
}
