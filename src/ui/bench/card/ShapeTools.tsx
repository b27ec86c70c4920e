'use client';
import { said } from '@/session/view/unitsStore';
import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignHorizontalSpaceAround,
  AlignStartHorizontal,
  AlignStartVertical,
  AlignVerticalSpaceAround,
  Circle,
  CircleDot,
  Combine,
  EyeOff,
  FoldHorizontal,
  Frame,
  Group,
  Lock,
  Minus,
  Plus,
  RectangleHorizontal,
  Waves,
  Ungroup,
  Waypoints,
} from 'lucide-react';
import { useState } from 'react';
import { toast } from '@/session/notice';
import type { Piece } from '@/core/document/types';
import type { Alignment } from '@/core/editing/arrange';
import { align, borderOf, closeGaps, distribute, mendChosen, MENDS, offsetChosen } from '@/session/edit/shapeCommands';
import { edge, useEdge } from '../tools/edge';
import { useTool } from '../tools/inHand';
import { select } from '@/session/view/viewStore';
import { SignButton } from '../../components/Button';
import { NumberField } from '../../components/NumberField';
import { CommandSign } from '../../commands/CommandButton';
import { FEWEST_NODES, GROUP, JOIN, TOGGLE_HIDDEN, TOGGLE_LOCK, UNGROUP } from '../tools/benchKeys';

const ALIGN: readonly [Alignment, string, typeof Group][] = [
  ['left', 'Left edges in line', AlignStartVertical],
  ['centre', 'Centres on one upright line; alone: on the hoop’s', AlignCenterVertical],
  ['right', 'Right edges in line', AlignEndVertical],
  ['top', 'Top edges in line', AlignStartHorizontal],
  ['middle', 'Centres on one level line; alone: on the hoop’s', AlignCenterHorizontal],
  ['bottom', 'Bottom edges in line', AlignEndHorizontal],
];

const SMALL = '!h-7 !w-7';
const say = (refusal: string | null): void => void (refusal && toast.error(refusal));

const isLocked = (pieces: readonly Piece[]): boolean => pieces.length > 0 && pieces.every((p) => p.locked);

/** What can be done to the shape of what is chosen, and how it is placed and kept. */
export function ShapeTools({ pieces }: { pieces: readonly Piece[] }) {
  const tool = useTool((s) => s.tool);
  const falloff = useEdge((s) => s.falloffMm);
  const locked = isLocked(pieces);
  const grouped = pieces.some((p) => p.group);
  return (
    <details className="border-t border-hairline py-1" data-testid="shape-tools" open={tool === edge ? true : undefined}>
      <summary className="cursor-pointer py-1 text-quiet">
        Shape, line up, keep{locked ? ' · locked' : ''}
        {grouped ? ' · grouped' : ''}
      </summary>
      <Shape pieces={pieces} />
      {tool === edge && (
        <NumberField
          label="The edge gives way this far to either side"
          className="my-1"
          value={falloff}
          unit="mm"
          min={1}
          max={100}
          step={1}
          decimals={0}
          onCommit={(falloffMm) => useEdge.setState({ falloffMm })}
        />
      )}
      <Mend pieces={pieces} />
      <LineUp ids={pieces.map((p) => p.id)} />
      <Keep pieces={pieces} />
    </details>
  );
}

function Shape({ pieces }: { pieces: readonly Piece[] }) {
  const ids = pieces.map((p) => p.id);
  const [by, setBy] = useState(0.5);
  const hasArea = pieces.some((p) => p.area);
  return (
    <div className="flex flex-wrap items-center gap-0.5" role="group" aria-label="Shape">
      <Millimetres label="Offset by" value={by} max={10} onCommit={setBy} />
      <SignButton
        className={SMALL}
        name={said(`Widen the outline by ${by} mm`)}
        disabled={!hasArea}
        onClick={() => say(offsetChosen(ids, by))}
      >
        <Plus size={15} />
      </SignButton>
      <SignButton
        className={SMALL}
        name={said(`Narrow the outline by ${by} mm`)}
        disabled={!hasArea}
        onClick={() => say(offsetChosen(ids, -by))}
      >
        <Minus size={15} />
      </SignButton>
      <CommandSign className={SMALL} command={JOIN} disabled={pieces.length < 2}>
        <Combine size={15} />
      </CommandSign>
      <CommandSign className={SMALL} command={FEWEST_NODES} disabled={!hasArea}>
        <Waypoints size={15} />
      </CommandSign>
      <SignButton
        className={SMALL}
        name="Satin border along the outline"
        disabled={pieces.length !== 1 || !hasArea}
        onClick={() => {
          const made = borderOf(ids[0]!, 3.5);
          if (made) select(made);
        }}
      >
        <Frame size={15} />
      </SignButton>
    </div>
  );
}

/** How far, for the buttons beside it. */
function Millimetres(props: { label: string; value: number; max: number; onCommit(mm: number): void }) {
  return (
    <span className="w-[82px]">
      <NumberField {...props} hideLabel unit="mm" min={0.1} step={0.1} decimals={1} />
    </span>
  );
}

const MEND_SIGNS = [
  ['round', Circle],
  ['straight', RectangleHorizontal],
  ['smooth', Waves],
  ['fill', CircleDot],
] as const;

/** What outlines need that were traced, or drawn by hand. */
function Mend({ pieces }: { pieces: readonly Piece[] }) {
  const ids = pieces.map((p) => p.id);
  const [gap, setGap] = useState(0.6);
  const hasArea = pieces.some((p) => p.area);
  return (
    <div className="mt-1 flex flex-wrap items-center gap-0.5" role="group" aria-label="Mend the outline">
      <Millimetres label="Close gaps up to" value={gap} max={5} onCommit={setGap} />
      <SignButton
        className={SMALL}
        name={said(`Close slits and notches up to ${gap} mm`)}
        disabled={!hasArea}
        onClick={() => say(closeGaps(ids, gap))}
      >
        <FoldHorizontal size={15} />
      </SignButton>
      {MEND_SIGNS.map(([how, Sign]) => (
        <SignButton key={how} className={SMALL} name={MENDS[how].label} disabled={!hasArea} onClick={() => say(mendChosen(ids, how))}>
          <Sign size={15} />
        </SignButton>
      ))}
    </div>
  );
}

function LineUp({ ids }: { ids: readonly string[] }) {
  return (
    <div className="mt-1 flex flex-wrap items-center gap-0.5" role="group" aria-label="Line up">
      {ALIGN.map(([how, name, Sign]) => (
        <SignButton key={how} className={SMALL} name={name} onClick={() => align(ids, how)}>
          <Sign size={15} />
        </SignButton>
      ))}
      <SignButton className={SMALL} name="Even gaps across" disabled={ids.length < 3} onClick={() => distribute(ids, 'across')}>
        <AlignHorizontalSpaceAround size={15} />
      </SignButton>
      <SignButton className={SMALL} name="Even gaps downwards" disabled={ids.length < 3} onClick={() => distribute(ids, 'down')}>
        <AlignVerticalSpaceAround size={15} />
      </SignButton>
    </div>
  );
}

function Keep({ pieces }: { pieces: readonly Piece[] }) {
  const locked = isLocked(pieces);
  return (
    <div className="mt-1 flex items-center gap-0.5" role="group" aria-label="Keep">
      <CommandSign className={SMALL} command={GROUP} name="Group" disabled={pieces.length < 2}>
        <Group size={15} />
      </CommandSign>
      <CommandSign className={SMALL} command={UNGROUP} disabled={!pieces.some((p) => p.group)}>
        <Ungroup size={15} />
      </CommandSign>
      <CommandSign className={SMALL} command={TOGGLE_LOCK} name={locked ? 'Unlock' : 'Lock'} pressed={locked}>
        <Lock size={15} />
      </CommandSign>
      <CommandSign className={SMALL} command={TOGGLE_HIDDEN} name="Hide">
        <EyeOff size={15} />
      </CommandSign>
    </div>
  );
}
