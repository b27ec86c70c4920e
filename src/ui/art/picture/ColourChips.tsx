import { Ellipsis } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useMemo, useState, type PointerEvent } from 'react';
import { nearestThreads, THREAD_CHART } from '@/core/cloth/threads';
import type { TracedFigures, TracedFrom } from '@/core/document/types';
import type { ChoiceChange } from './useTracing';
import { MenuPortal } from '../../components/MenuPortal';

type Chip = TracedFigures['colours'][number];

interface Props {
  picture: TracedFrom;
  again(change: ChoiceChange): void;
}

/** So many cones are offered for a colour. */
const NEAR = 6;

const coneOf = (hex: string) => THREAD_CHART.find((t) => t.hex === hex);
/** A colour by its cone, or by the cone that it is most like. */
const nameOf = (hex: string): string => coneOf(hex)?.name ?? `near ${nearestThreads(hex)[0]?.thread.name ?? hex}`;
const percent = (share: number): string => (share < 0.01 ? '< 1 %' : `${Math.round(100 * share)} %`);

/** The colours found, with their share of the area: one is dragged on another to become it; its menu does the same, divides it, or gives it a cone. */
export function ColourChips({ picture, again }: Props) {
  const chips = picture.found?.colours ?? [];
  const [held, setHeld] = useState<string | null>(null);
  const [over, setOver] = useState<string | null>(null);
  const merge = (from: string, into: string): void => again({ merged: [...(picture.merged ?? []), [from, into]] });
  const drop = (): void => {
    if (held && over && held !== over) merge(held, over);
    setHeld(null);
    setOver(null);
  };
  const chipUnder = (e: PointerEvent): string | null =>
    document.elementFromPoint(e.clientX, e.clientY)?.closest<HTMLElement>('[data-chip]')?.dataset['chip'] ?? null;
  return (
    <ul aria-label="Colours found" className="grid gap-0.5">
      {chips.map((chip) => (
        <li
          key={chip.hex}
          data-chip={chip.hex}
          className={`flex items-center gap-2 rounded-md border px-1 ${over === chip.hex && held !== chip.hex ? 'border-ink bg-tape-soft' : 'border-transparent'} ${held === chip.hex ? 'opacity-50' : ''}`}
        >
          <span
            title="Drag it on another colour to make it that one"
            className="h-5 w-8 shrink-0 cursor-grab touch-none rounded-sm border border-edge"
            style={{ backgroundColor: chip.as }}
            onPointerDown={(e) => {
              e.preventDefault();
              e.currentTarget.setPointerCapture(e.pointerId);
              setHeld(chip.hex);
            }}
            onPointerMove={(e) => held && setOver(chipUnder(e))}
            onPointerUp={drop}
            onPointerCancel={() => setHeld(null)}
          />
          <span className="figures w-12 text-right">{percent(chip.share)}</span>
          <span className="min-w-0 flex-1 truncate text-quiet">{nameOf(chip.as)}</span>
          <ChipMenu chip={chip} chips={chips} picture={picture} merge={merge} again={again} />
        </li>
      ))}
    </ul>
  );
}

interface MenuProps extends Props {
  chip: Chip;
  chips: readonly Chip[];
  merge(from: string, into: string): void;
}

const ITEM = 'flex cursor-default items-center gap-2 rounded px-2 py-1 outline-none data-[highlighted]:bg-tape-soft';

function ChipMenu({ chip, chips, picture, merge, again }: MenuProps) {
  const near = useMemo(() => nearestThreads(chip.hex).slice(0, NEAR), [chip.hex]);
  const others = (picture.cones ?? []).filter(([found]) => found !== chip.hex);
  const sample = (hex: string) => <span className="h-3.5 w-5 rounded-sm border border-edge" style={{ backgroundColor: hex }} />;
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        aria-label={`What becomes of ${chip.hex}`}
        className="grid h-6 w-6 place-items-center rounded-md hover:bg-tape-soft"
      >
        <Ellipsis size={15} />
      </DropdownMenu.Trigger>
      <MenuPortal>
        <DropdownMenu.Content
          align="end"
          className="z-[60] max-h-[70vh] w-[230px] overflow-auto rounded-md border border-edge bg-panel p-1 shadow-lg"
        >
          <DropdownMenu.Item className={ITEM} onSelect={() => again({ split: [...(picture.split ?? []), chip.hex] })}>
            Split into two
          </DropdownMenu.Item>
          {chips.length > 1 && <DropdownMenu.Label className="px-2 pt-2 text-quiet">Becomes</DropdownMenu.Label>}
          {chips
            .filter((c) => c.hex !== chip.hex)
            .map((c) => (
              <DropdownMenu.Item key={c.hex} className={ITEM} onSelect={() => merge(chip.hex, c.hex)}>
                {sample(c.as)} {nameOf(c.as)}
              </DropdownMenu.Item>
            ))}
          <DropdownMenu.Label className="px-2 pt-2 text-quiet">Is sewn from the cone</DropdownMenu.Label>
          {near.map(({ thread }) => (
            <DropdownMenu.Item key={thread.code} className={ITEM} onSelect={() => again({ cones: [...others, [chip.hex, thread.hex]] })}>
              {sample(thread.hex)} <span className="min-w-0 flex-1 truncate">{thread.name}</span>{' '}
              <span className="figures text-quiet">{thread.code}</span>
            </DropdownMenu.Item>
          ))}
          {chip.as !== chip.hex && (
            <DropdownMenu.Item className={ITEM} onSelect={() => again({ cones: others })}>
              {sample(chip.hex)} As it was found
            </DropdownMenu.Item>
          )}
        </DropdownMenu.Content>
      </MenuPortal>
    </DropdownMenu.Root>
  );
}
