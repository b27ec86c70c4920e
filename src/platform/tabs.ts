/** What tabs of one browser tell each other about jobs. */
type News =
  | { kind: 'saved'; id: string }
  | { kind: 'removed'; id: string }
  /** A tab wants to edit the job that another one edits. */
  | { kind: 'ask'; id: string }
  /** The tab that edited it has put everything away. */
  | { kind: 'yielded'; id: string };
export type NewsKind = News['kind'];

const tab = Math.random().toString(36).slice(2);
let open: BroadcastChannel | null = null;

/** Opened when first used: an open channel keeps programs without a page from ending. */
function channel(): BroadcastChannel | null {
  if (typeof BroadcastChannel === 'undefined') return null;
  return (open ??= new BroadcastChannel('cobble-jobs'));
}

export function tellTabs(kind: NewsKind, id: string): void {
  channel()?.postMessage({ kind, id, tab });
}

/** @returns a function that stops listening */
export function onNews(heard: (news: { kind: NewsKind; id: string }) => void): () => void {
  const listen = ({ data }: MessageEvent<News & { tab: string }>): void => {
    if (data.tab !== tab) heard(data);
  };
  channel()?.addEventListener('message', listen);
  return () => channel()?.removeEventListener('message', listen);
}
