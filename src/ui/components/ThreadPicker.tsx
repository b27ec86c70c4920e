'use client';
import { ChevronDown } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useEffect, useId, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { Swatch } from './Swatch';

export interface ThreadOption {
  /** What the choice is told by. */
  key: string;
  code: string;
  name: string;
  hex: string;
  /** Its number in the job. */
  number?: number;
}

export interface ThreadGroup {
  label: string;
  threads: readonly ThreadOption[];
}

interface Props {
  label: string;
  groups: readonly ThreadGroup[];
  value: string;
  /** What is said where no one thread is chosen. */
  mixed?: string;
  onChoose(key: string): void;
}

/** Chooses a thread by its colour: a list in which every cone is shown as it looks, found by name or code. */
export function ThreadPicker({ label, groups, value, mixed, onChoose }: Props) {
  const [open, setOpen] = useState(false);
  const now = groups.flatMap((g) => g.threads).find((t) => t.key === value);
  const words = now ? `${now.name} (${now.code})` : (mixed ?? 'none');
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        aria-label={`${label}: ${words}`}
        title={words}
        data-testid="thread-choice"
        className="flex h-8 w-full min-w-0 flex-1 items-center gap-2 rounded-md border border-edge bg-white px-2 text-left hover:bg-tape-soft"
      >
        {now && <Swatch hex={now.hex} {...(now.number === undefined ? {} : { number: now.number })} title={now.name} />}
        <span className="truncate">{now?.name ?? mixed}</span>
        <ChevronDown size={14} aria-hidden="true" className="ml-auto shrink-0" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          collisionPadding={8}
          aria-label={label}
          className="z-50 w-[320px] max-w-[95vw] rounded-md border border-edge bg-panel shadow-md"
        >
          <Cones
            label={label}
            groups={groups}
            value={value}
            onChoose={(key) => {
              setOpen(false);
              if (key !== value) onChoose(key);
            }}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Cones({ label, groups, value, onChoose }: Pick<Props, 'label' | 'groups' | 'value' | 'onChoose'>) {
  const id = useId();
  const [typed, setTyped] = useState('');
  const found = useMemo(() => {
    const wanted = typed.trim().toLowerCase();
    const fits = (t: ThreadOption): boolean => `${t.name} ${t.code}`.toLowerCase().includes(wanted);
    return groups.map((g) => ({ ...g, threads: g.threads.filter(fits) })).filter((g) => g.threads.length > 0);
  }, [groups, typed]);
  const all = useMemo(() => found.flatMap((g) => g.threads.map((t) => ({ key: t.key, row: `${g.label} ${t.key}` }))), [found]);
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      all.findIndex((t) => t.key === value),
    ),
  );
  // The list opens where the chosen one stands.
  const first = useRef(at);
  useEffect(() => void document.getElementById(`${id}-${first.current}`)?.scrollIntoView?.({ block: 'center' }), [id]);
  const come = (to: number): void => {
    setAt(to);
    document.getElementById(`${id}-${to}`)?.scrollIntoView?.({ block: 'nearest' });
  };
  const onKeyDown = (e: KeyboardEvent): void => {
    if (e.key === 'ArrowDown') come(Math.min(all.length - 1, at + 1));
    else if (e.key === 'ArrowUp') come(Math.max(0, at - 1));
    else if (e.key === 'Enter') {
      if (all[at]) onChoose(all[at].key);
    } else return;
    e.preventDefault();
  };
  const indexOf = new Map(all.map((t, i) => [t.row, i]));
  return (
    <>
      <input
        autoFocus
        role="combobox"
        aria-expanded="true"
        aria-controls={`${id}-list`}
        aria-activedescendant={all[at] ? `${id}-${at}` : undefined}
        aria-label={`${label}: name or code`}
        placeholder="Name or code"
        value={typed}
        onChange={(e) => {
          setTyped(e.target.value);
          setAt(0);
        }}
        onKeyDown={onKeyDown}
        className="h-9 w-full rounded-t-md border-b border-hairline bg-white px-3 shadow-none! outline-none!"
      />
      <div
        id={`${id}-list`}
        role="listbox"
        aria-label={label}
        tabIndex={-1}
        onMouseDown={(e) => e.preventDefault()}
        className="max-h-[min(52vh,360px)] overflow-auto py-1"
      >
        {found.map((g) => (
          <div key={g.label} role="group" aria-label={g.label}>
            <p aria-hidden="true" className="px-3 pt-1.5 pb-0.5 text-xs text-quiet">
              {g.label}
            </p>
            {g.threads.map((t) => {
              const i = indexOf.get(`${g.label} ${t.key}`)!;
              return (
                <div
                  key={t.key}
                  id={`${id}-${i}`}
                  role="option"
                  aria-selected={i === at}
                  onPointerMove={() => i !== at && setAt(i)}
                  onClick={() => onChoose(t.key)}
                  // What is out of sight of the hundreds of the chart is not laid out.
                  style={{ contentVisibility: 'auto', containIntrinsicSize: 'auto 30px' }}
                  className={`flex h-[30px] cursor-pointer items-center gap-2 px-3 ${i === at ? 'bg-tape' : ''}`}
                >
                  <Swatch hex={t.hex} {...(t.number === undefined ? {} : { number: t.number })} />
                  <span className="min-w-0 flex-1 truncate">{t.name}</span>
                  <span className={`figures shrink-0 text-xs ${i === at ? '' : 'text-quiet'}`}>{t.code}</span>
                </div>
              );
            })}
          </div>
        ))}
        {found.length === 0 && <p className="px-3 py-2 text-quiet">No cone is called that.</p>}
      </div>
    </>
  );
}
