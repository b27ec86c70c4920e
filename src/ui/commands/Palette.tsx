'use client';
import { Dialog } from 'radix-ui';
import { useEffect, useMemo, useRef, useState } from 'react';
import { matching, type Findable } from './matching';

interface Props {
  open: boolean;
  /** What can be found; the same function as long as that is the same. */
  all(): readonly Findable[];
  onOpenChange(open: boolean): void;
}

/** Everything that can be done or gone to from here, found by typing a part of its name or a usual word for it. */
export function Palette({ open, all, onOpenChange }: Props) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[12vh] left-1/2 z-50 w-[520px] max-w-[95vw] -translate-x-1/2 rounded-md border border-edge bg-panel shadow-lg"
        >
          <Dialog.Title className="sr-only">Find anything</Dialog.Title>
          {open && <Finder all={all} close={() => onOpenChange(false)} />}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

interface Entry {
  command: Findable;
  whyNot: string | null;
}

/** What is found, what applies now before what does not. */
function entriesFor(known: readonly Findable[], typed: string): Entry[] {
  const all = matching(known, typed).map((command) => ({ command, whyNot: command.whyNot() }));
  return [...all.filter((e) => e.whyNot === null), ...all.filter((e) => e.whyNot !== null)];
}

function Finder({ all, close }: Pick<Props, 'all'> & { close(): void }) {
  const known = useMemo(() => all(), [all]);
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const found = useMemo(() => entriesFor(known, typed), [known, typed]);
  const chosen = Math.min(at, found.length - 1);
  const list = useRef<HTMLUListElement>(null);
  // What the keys come to is to be seen.
  useEffect(() => void list.current?.children[chosen]?.scrollIntoView?.({ block: 'nearest' }), [chosen]);
  const run = (entry: Entry | undefined): void => {
    if (!entry || entry.whyNot) return;
    const { command } = entry;
    close();
    // After the dialog has given the focus back.
    setTimeout(() => command.run(), 0);
  };
  return (
    <>
      <input
        autoFocus
        role="combobox"
        aria-expanded="true"
        aria-controls="palette-list"
        aria-activedescendant={found[chosen] ? `palette-${chosen}` : undefined}
        aria-label="What to do"
        placeholder="A command, place, file, setting, piece or job"
        value={typed}
        onChange={(e) => {
          setTyped(e.target.value);
          setAt(0);
        }}
        onKeyDown={(e) => {
          if (e.key === 'ArrowDown') setAt(Math.min(found.length - 1, chosen + 1));
          else if (e.key === 'ArrowUp') setAt(Math.max(0, chosen - 1));
          else if (e.key === 'Enter') run(found[chosen]);
          else return;
          e.preventDefault();
        }}
        className="h-11 w-full rounded-t-md border-b border-hairline bg-white px-4 text-lg outline-none"
      />
      <ul
        ref={list}
        id="palette-list"
        role="listbox"
        aria-label="Found"
        // The field keeps the focus, so that typing goes on.
        onMouseDown={(e) => e.preventDefault()}
        className="max-h-[50vh] overflow-auto py-1"
      >
        {found.map(({ command: { name, keys }, whyNot }, i) => (
          <li
            key={`${name} ${keys}`}
            id={`palette-${i}`}
            role="option"
            aria-selected={i === chosen}
            aria-disabled={whyNot !== null}
            onPointerMove={() => i !== chosen && setAt(i)}
            onClick={() => run(found[i])}
            className={`flex justify-between gap-4 px-4 py-1.5 ${i === chosen ? 'bg-tape' : whyNot ? 'text-quiet' : ''} ${whyNot ? '' : 'cursor-pointer'}`}
          >
            <span>
              {name}
              {whyNot && <span className="block text-xs">{whyNot}</span>}
            </span>
            <span className={`figures shrink-0 ${i === chosen ? '' : 'text-quiet'}`}>{keys}</span>
          </li>
        ))}
        {found.length === 0 && <li className="px-4 py-3 text-quiet">Nothing is called that. Try another word for it.</li>}
      </ul>
    </>
  );
}
