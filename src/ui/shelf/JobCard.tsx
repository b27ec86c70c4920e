'use client';
import { Columns2, Copy, Trash2 } from 'lucide-react';
import { AlertDialog } from 'radix-ui';
import { useCallback, useEffect, useRef, useState } from 'react';
import { recipeOf } from '@/core/cloth/recipes';
import { STAGE_WORDS } from '@/core/document/words';
import { clothColour } from '@/core/render/picture';
import type { PlanFigures } from '@/core/plan/measure';
import type { DamagedJob, ShelfEntry } from '@/platform/storage/records';
import { download, fileStem } from '@/platform/files';
import { sewnPicture } from '@/session/derived/sewnPictures';
import { Button, SignButton } from '../components/Button';
import { openSoon } from '../openSoon';
import { QuietLink } from '../components/QuietLink';
import { placeHref } from '../places';
import { counted } from '@/core/units/count';

interface Props {
  entry: Extract<ShelfEntry, { head: unknown }>;
  onDuplicate(): void;
  onRemove(): void;
}

/** A card this far below what is seen gets its picture, px. */
const AHEAD_PX = 300;

/** Whether an element has come into view, or nearly; once it has, it stays so. */
function useSeen(): [boolean, (element: Element | null) => void] {
  const [seen, setSeen] = useState(false);
  const observer = useRef<IntersectionObserver | null>(null);
  const watch = useCallback((element: Element | null) => {
    observer.current?.disconnect();
    if (!element) return;
    const look = new IntersectionObserver((entries) => entries.some((e) => e.isIntersecting) && setSeen(true), {
      rootMargin: `${AHEAD_PX}px`,
    });
    observer.current = look;
    look.observe(element);
  }, []);
  return [seen, watch];
}

/** The stored picture of a card that is seen, or one sewn now for a job that was never opened. */
function usePicture({ id, stamp: { mark } }: Props['entry'], seen: boolean) {
  const [made, setMade] = useState<{ url: string; figures: PlanFigures } | null>(null);
  useEffect(() => {
    if (!seen) return;
    const gone = new AbortController();
    let url: string | null = null;
    void sewnPicture(id, mark, gone.signal).then((shown) => {
      if (!shown || gone.signal.aborted) return;
      url = URL.createObjectURL(shown.picture);
      setMade({ url, figures: shown.figures });
    });
    return () => {
      gone.abort();
      if (url) URL.revokeObjectURL(url);
    };
  }, [id, mark, seen]);
  return made;
}

export function JobCard({ entry, onDuplicate, onRemove }: Props) {
  const { id, head } = entry;
  const [seen, watch] = useSeen();
  const made = usePicture(entry, seen);
  const figures = made?.figures;
  const { hoop } = head.brief;
  return (
    <li
      ref={watch}
      className="group relative flex h-[318px] flex-col overflow-hidden rounded-md border border-hairline bg-panel hover:border-ink"
    >
      <QuietLink
        href={placeHref(id, 'bench')}

        onClick={(e) => openSoon(id, e)}
        className="flex min-h-0 flex-1 flex-col"
        aria-label={`Open ${head.name}`}
      >
        <div className="h-[204px] border-b border-hairline" style={{ backgroundColor: clothColour(head) }}>
          {made && <img src={made.url} alt="" className="h-full w-full object-contain" />}
        </div>
        <div className="flex flex-1 flex-col gap-1 p-3">
          <h3 className="truncate text-lg font-semibold">{head.name}</h3>
          <p className="truncate text-quiet">
            {recipeOf(head.brief.cloth).name} · {hoop.width} × {hoop.height} hoop
          </p>
          {(head.stage ?? head.brief.due ?? head.waiting ?? head.signed) && (
            <p className="flex gap-2 truncate text-xs">
              {head.stage && <span className="font-semibold">{STAGE_WORDS[head.stage]}</span>}
              {head.signed && <span className="text-good">Version {head.signed} signed off</span>}
              {head.brief.due && <span className="figures text-quiet">due {head.brief.due}</span>}
              {head.waiting && <span className="text-danger">{counted(head.waiting, 'open question')}</span>}
            </p>
          )}
          <p className="figures mt-auto text-xs">
            {figures
              ? `${figures.stitches.toLocaleString('en')} st · ${counted(figures.trims, 'trim')} · ${`${Math.round(figures.runSeconds / 60)} min`}`
              : 'Not sewn yet'}
          </p>
        </div>
      </QuietLink>
      <div className="absolute right-2 bottom-2 flex rounded-md bg-panel opacity-0 group-focus-within:opacity-100 group-hover:opacity-100">
        <QuietLink
          href={`/compare?right=${encodeURIComponent(`now ${id}`)}`}
          aria-label={`Compare ${head.name}`}
          title={`Compare ${head.name} with another`}
          className="grid h-8 w-8 place-items-center rounded-md hover:bg-tape-soft"
        >
          <Columns2 size={15} />
        </QuietLink>
        <SignButton name={`Duplicate ${head.name}`} onClick={onDuplicate}>
          <Copy size={15} />
        </SignButton>
        <Remove name={head.name} onRemove={onRemove} />
      </div>
    </li>
  );
}

/** A record that cannot be read: its text is kept until the person lets it go. */
export function DamagedCard({ damaged, onRemove }: { damaged: DamagedJob; onRemove(): void }) {
  const save = (): void => download(`${fileStem(damaged.id)}-damaged.json`, new Blob([damaged.raw], { type: 'application/json' }));
  return (
    <li data-testid="damaged" className="flex h-[318px] flex-col gap-2 overflow-hidden rounded-md border border-danger bg-panel p-4">
      <h3 className="text-lg font-semibold">A damaged job</h3>
      <p className="line-clamp-5 text-quiet">{damaged.message}</p>
      <p className="text-quiet">The other jobs are whole. Save its text to mend it by hand, or let it go.</p>
      <div className="mt-auto flex items-center gap-2">
        <Button onClick={save}>Save its text</Button>
        <Remove name={damaged.id} back="cannot be brought back" onRemove={onRemove} />
      </div>
    </li>
  );
}

interface RemoveProps {
  name: string;
  /** Whether it can be had again. */
  back?: string;
  onRemove(): void;
}

function Remove({ name, back = 'can be brought back for a few seconds', onRemove }: RemoveProps) {
  return (
    <AlertDialog.Root>
      <AlertDialog.Trigger asChild>
        <SignButton name={`Remove ${name}`}>
          <Trash2 size={15} />
        </SignButton>
      </AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <AlertDialog.Content className="fixed top-1/2 left-1/2 z-50 w-[400px] -translate-x-1/2 -translate-y-1/2 rounded-md border border-edge bg-panel p-5 shadow-lg">
          <AlertDialog.Title className="text-lg font-semibold">Remove ‘{name}’?</AlertDialog.Title>
          <AlertDialog.Description className="mt-2 text-quiet">
            It is kept only in this browser and {back}. Take a copy of it away first if you may need it later.
          </AlertDialog.Description>
          <div className="mt-4 flex justify-end gap-2">
            <AlertDialog.Cancel asChild>
              <Button>Keep it</Button>
            </AlertDialog.Cancel>
            <AlertDialog.Action asChild>
              <Button look="danger" onClick={onRemove}>
                Remove
              </Button>
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
