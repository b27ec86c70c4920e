import { useSewouts } from '@/session/sewouts/sewoutStore';

/** Pictures of what was sewn are on their way. */
export function DrawingNotice() {
  const progress = useSewouts((s) => s.drawing.progress);
  return (
    <p className="flex items-center gap-3 self-start rounded-md bg-panel px-3 py-1" role="status">
      Drawing what was sewn …
      {progress !== null && progress > 0 && <progress value={progress} max={1} aria-label="Drawing what was sewn" className="w-28" />}
    </p>
  );
}
