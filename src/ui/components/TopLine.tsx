'use client';
import { Check, CircleAlert, CircleHelp, Columns2, Loader, Redo2, Signpost, TextSearch, Undo2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { renameJob } from '@/session/edit/commands';
import { useJob, type SavedState } from '@/session/job/jobStore';
import { KeysSheet } from '../commands/KeysSheet';
import { keyCommand } from '../commands/keys';
import { JobPalette } from '../commands/JobPalette';
import { useKeys } from '../commands/useKeys';
import { showGuide, useGuide } from '../guide/guideStore';
import { PLACES, placeHref, type PlaceKey } from '../places';
import { SignButton } from './Button';
import { QuietLink } from './QuietLink';
import { Mark } from './Mark';
import { TakeAway } from './TakeAway';

const SAVED: Record<SavedState, { text: string; Sign: typeof Check }> = {
  saved: { text: 'Saved here', Sign: Check },
  waiting: { text: 'Saving', Sign: Loader },
  saving: { text: 'Saving', Sign: Loader },
  failed: { text: 'Not saved', Sign: CircleAlert },
};

/** The line across the top: mark, job, saved state, the places along a strip of tape, undo and redo, take away. */
export function TopLine({ place }: { place: PlaceKey }) {
  const id = useJob((s) => s.job?.id);
  const name = useJob((s) => s.job?.name ?? '');
  const undone = useJob((s) => s.history.past[s.history.past.length - 1]?.label);
  const redone = useJob((s) => s.history.future[0]?.label);
  const [keys, setKeys] = useState(false);
  const [palette, setPalette] = useState(false);
  const openers = useMemo(
    () => [keyCommand('Find anything', '/', () => setPalette(true)), keyCommand('Keys and help', '?', () => setKeys(true))],
    [],
  );
  useKeys(openers);
  if (!id) return null;
  return (
    <header className="flex h-12 shrink-0 items-center gap-1 border-b border-hairline bg-panel px-2 sm:gap-3 sm:px-3">
      <QuietLink
        href="/"
        aria-label="Cobble: back to the shelf"
        title="Back to the shelf"
        className="grid h-8 w-8 place-items-center rounded-md hover:bg-tape-soft"
      >
        <Mark />
      </QuietLink>
      <JobName key={name} name={name} />
      <Saved />
      <nav aria-label="Places" className="mx-auto flex h-full min-w-0 items-stretch overflow-x-auto overflow-y-hidden max-lg:flex-1">
        <PlaceLink name="Shelf" href="/" current={false} />
        {PLACES.map((p) => (
          <PlaceLink key={p.key} name={p.name} href={placeHref(id, p.key)} current={p.key === place} />
        ))}
      </nav>
      <SignButton
        name={undone ? `Undo: ${undone} (Ctrl+Z)` : 'Nothing to undo'}
        disabled={!undone}
        onClick={() => useJob.getState().undo()}
      >
        <Undo2 size={17} />
      </SignButton>
      <SignButton
        name={redone ? `Redo: ${redone} (Ctrl+Shift+Z)` : 'Nothing to redo'}
        disabled={!redone}
        onClick={() => useJob.getState().redo()}
      >
        <Redo2 size={17} />
      </SignButton>
      <SignButton name="Find anything (/)" className="max-sm:hidden" onClick={() => setPalette(true)}>
        <TextSearch size={17} />
      </SignButton>
      <QuietLink
        href={`/compare?left=${encodeURIComponent(`opened ${id}`)}&right=${encodeURIComponent(`now ${id}`)}`}
        aria-label="Compare with another version or job"
        title="Compare with another version or job"
        className="grid h-8 w-8 shrink-0 place-items-center rounded-md border border-transparent hover:bg-tape-soft max-sm:hidden"
      >
        <Columns2 size={17} />
      </QuietLink>
      <GuideButton />
      <SignButton name="Keys and help (?)" className="max-sm:hidden" onClick={() => setKeys(true)}>
        <CircleHelp size={17} />
      </SignButton>
      <TakeAway />
      <KeysSheet open={keys} onOpenChange={setKeys} />
      <JobPalette place={place} open={palette} onOpenChange={setPalette} />
    </header>
  );
}

/** Brings the guide back, or puts it away. */
function GuideButton() {
  const shown = useGuide((s) => s.shown) === true;
  return (
    <SignButton
      name={shown ? 'Put the guide away' : 'What is next? A guide through the job'}
      pressed={shown}
      className="max-sm:hidden"
      onClick={() => showGuide(!shown)}
    >
      <Signpost size={17} />
    </SignButton>
  );
}

/** On a phone the places are wider than the screen: the one that is open is to be seen. */
const inView = (link: HTMLAnchorElement | null): void => void link?.scrollIntoView({ block: 'nearest', inline: 'nearest' });

function PlaceLink({ name, href, current }: { name: string; href: string; current: boolean }) {
  return (
    <QuietLink
      href={href}
      ref={current ? inView : undefined}
      aria-current={current ? 'page' : undefined}
      className={`tape-ticks flex shrink-0 items-center whitespace-nowrap border-r border-hairline px-1.5 pb-1 first:border-l sm:px-2.5 lg:px-3 xl:px-6 ${current ? 'bg-tape font-semibold' : 'bg-paper hover:bg-tape-soft'}`}
    >
      {name}
    </QuietLink>
  );
}

function JobName({ name }: { name: string }) {
  const [draft, setDraft] = useState(name);
  const take = (): void => {
    const clean = draft.trim();
    if (clean && clean !== name) renameJob(clean);
    else setDraft(name);
  };
  return (
    <input
      aria-label="Name of the job"
      value={draft}
      maxLength={200}
      onChange={(e) => setDraft(e.target.value)}
      onBlur={take}
      onKeyDown={(e) => {
        if (e.key === 'Enter') e.currentTarget.blur();
      }}
      className="hidden h-8 w-44 min-w-0 shrink truncate max-xl:w-32 lg:block rounded-md border border-transparent bg-transparent px-2 text-lg font-semibold hover:border-hairline focus:bg-white"
    />
  );
}

function Saved() {
  const saved = useJob((s) => s.saved);
  const { text, Sign } = SAVED[saved];
  return (
    <span
      role="status"
      className={`hidden shrink-0 items-center gap-1 text-xs whitespace-nowrap sm:flex xl:w-24 ${saved === 'failed' ? 'font-semibold text-danger' : 'text-quiet'}`}
      data-saved={saved}
    >
      <Sign size={14} aria-hidden="true" /> <span className="max-lg:sr-only">{text}</span>
    </span>
  );
}
