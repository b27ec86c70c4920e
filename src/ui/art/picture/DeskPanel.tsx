import type { PicturePlace } from '@/core/document/types';
import { counted } from '@/core/units/count';
import { Button } from '../../components/Button';
import { NumberField } from '../../components/NumberField';
import { Tick } from '../../components/Tick';
import { Closeness, Sliding, USUAL_TOLERANCE_MM } from './Closeness';
import { ColourChips } from './ColourChips';
import { rounded } from './deskTools';
import { Specks } from './Specks';
import type { PictureAtWork, TracingAtWork } from './useTracing';

const MOST_COLOURS = 40;
/** How near to the rim's colour others count as background, in OKLab. */
const SHADES = [0, 0.03, 0.06, 0.1, 0.15, 0.22, 0.3] as const;
const SHADE_WORDS = ['only it', 'hair', 'little', 'some', 'more', 'much', 'most'] as const;

interface Props {
  at: PictureAtWork;
  tracing: TracingAtWork;
  /** Brings a place of the picture near. */
  look(place: PicturePlace): void;
}

/** What fewer jumps would spare, or spares. */
function fewerJumps({ found, fewerJumps: isOn }: PictureAtWork['picture']): string {
  const { areas, smallNear = 0 } = found ?? {};
  if (areas === undefined) return `Fewer jumps: ${counted(smallNear, 'small area')} less`;
  const calm = isOn ? areas : areas - smallNear;
  return `Fewer jumps: ${counted(calm, 'area')} instead of ${calm + smallNear}`;
}

/** What is decided by numbers: colours, shapes, background, specks. */
export function DeskPanel({ at: { picture }, tracing: { again }, look }: Props) {
  const { colours = [], notes = [], smallNear = 0, squared = 0 } = picture.found ?? {};
  const byHand = (['merged', 'split', 'picked', 'cones'] as const).reduce((n, key) => n + (picture[key]?.length ?? 0), 0);
  return (
    <aside className="flex w-[300px] shrink-0 flex-col gap-4 overflow-y-auto border-l border-hairline p-3">
      {notes.length > 0 && (
        <ul className="grid gap-1 rounded-md border border-warn p-2" data-testid="trace-notes">
          {notes.map((note) => (
            <li key={note}>{note}</li>
          ))}
        </ul>
      )}
      <section aria-label="Colours">
        <div className="flex items-end gap-3">
          <NumberField
            label="Colours at most"
            className="w-[104px]"
            value={picture.colours ?? colours.length}
            unit=""
            min={1}
            max={MOST_COLOURS}
            step={1}
            decimals={0}
            onCommit={(n) => again({ colours: n })}
          />
          {picture.colours !== undefined && <Button onClick={() => again({ colours: undefined })}>All that are found</Button>}
        </div>
        <div className="mt-2">
          <ColourChips picture={picture} again={again} />
        </div>
        {byHand > 0 && (
          <Button
            dense
            className="mt-1"
            onClick={() => again({ merged: undefined, split: undefined, picked: undefined, cones: undefined })}
          >
            Undo {counted(byHand, 'change')} of colours
          </Button>
        )}
        {(smallNear > 0 || picture.fewerJumps) && (
          <div className="mt-2">
            <Tick
              name={fewerJumps(picture)}
              title="Small areas whose colour is near to what lies about them go to it; each would be a jump"
              on={picture.fewerJumps ?? false}
              onChange={(on) => again({ fewerJumps: on || undefined })}
            />
          </div>
        )}
      </section>
      <section aria-label="Shapes">
        <h3 className="font-semibold">Shapes</h3>
        <Closeness mm={picture.toleranceMm ?? USUAL_TOLERANCE_MM} onCommit={(toleranceMm) => again({ toleranceMm })} />
        {(squared > 0 || picture.square === false) && (
          <Tick
            name={picture.square === false ? 'Make nearly square sides exact' : `${counted(squared, 'side')} made exact`}
            title="Straight sides that are nearly level, upright, parallel or square to each other are so exactly"
            on={picture.square !== false}
            onChange={(on) => again({ square: on ? undefined : false })}
          />
        )}
      </section>
      <section aria-label="Background">
        <h3 className="font-semibold">Background</h3>
        <Tick
          name="Sew it too"
          title="Whether the background is a shape too"
          on={picture.keepBackground ?? false}
          onChange={(on) => again({ keepBackground: on || undefined })}
        />
        {!picture.keepBackground && (
          <div className="mt-1">
            <Sliding
              ends={['Its colour', 'Shades of it']}
              name="Shades that are background"
              title={() => 'How far colours that reach the rim may differ from it and still be background'}
              value={nearestShade(picture.backgroundTolerance ?? 0)}
              most={SHADES.length - 1}
              word={(i) => SHADE_WORDS[i]!}
              onCommit={(i) => again({ backgroundTolerance: SHADES[i] === 0 ? undefined : SHADES[i] })}
            />
          </div>
        )}
      </section>
      <Specks
        picture={picture}
        onLook={({ at }) => look(at)}
        onKeep={({ at }) => again({ kept: [...(picture.kept ?? []), at.map(rounded) as PicturePlace] })}
      />
    </aside>
  );
}

const nearestShade = (tolerance: number): number =>
  SHADES.reduce<number>((best, s, i) => (Math.abs(s - tolerance) < Math.abs(SHADES[best]! - tolerance) ? i : best), 0);
