import { Slider } from 'radix-ui';
import { useMemo, useState } from 'react';
import type { Job, TracedFrom } from '@/core/document/types';
import { pictureBytes } from '@/core/tracing/pictureText';
import { shapeFigures } from '@/core/tracing/shapesSvg';
import { counted } from '@/core/units/count';
import { Task, IDLE, type TaskState } from '@/session/derived/task';
import { tracePicture } from '@/session/derived/tracePicture';
import { retraceArtwork } from '@/session/edit/artworkCommands';
import { Button } from '../components/Button';
import { NumberField } from '../components/NumberField';
import { Tick } from '../components/Tick';

interface Props {
  job: Job;
  artwork: Record<string, string>;
  /** Finished width, mm. */
  widthMm: number;
}

const USUAL_TOLERANCE_MM = 0.05;
const TOLERANCES_MM = [0.02, 0.03, 0.05, 0.08, 0.12, 0.2, 0.3, 0.45] as const;
const MOST_COLOURS = 40;
/** What is thinner than so many pixels cannot be told from noise. */
const SURE_PX = 2;

/** The picture that the shapes were traced of, what was found in it, and how to trace it otherwise. */
export function PictureDesk({ job, artwork, widthMm }: Props) {
  const ref = job.artwork[0];
  const picture = ref?.picture;
  const text = picture && artwork[picture.file];
  const svg = ref && artwork[ref.file];
  if (!picture || !text || svg === undefined) return null;
  return <Desk picture={picture} text={text} svg={svg} widthMm={widthMm} />;
}

function Desk({ picture, text, svg, widthMm }: { picture: TracedFrom; text: string; svg: string; widthMm: number }) {
  const [state, setState] = useState<TaskState>(IDLE);
  const [acrossPx, setAcrossPx] = useState<number | null>(null);
  const task = useMemo(() => new Task((change) => setState((s) => ({ ...s, ...change }))), []);
  const figures = useMemo(() => shapeFigures(svg), [svg]);
  const again = (change: Partial<Record<keyof TracedFrom, unknown>>): void => {
    const from = withoutAbsent({ ...picture, ...change });
    const bytes = pictureBytes(text);
    if (!bytes) return;
    const { file, ...options } = from;
    void task.run(
      (call) => tracePicture(bytes.buffer, file, { ...options, widthMm }, call),
      (made) => retraceArtwork(made.svg, from),
    );
  };
  return (
    <section aria-label="Picture" className="border-b border-hairline px-4 py-3" data-testid="picture-desk">
      <div className="flex gap-4">
        <img
          src={text}
          alt="The picture as it came"
          className="h-[84px] w-[84px] shrink-0 rounded-sm border border-hairline bg-white object-contain"
          onLoad={(e) => setAcrossPx(e.currentTarget.naturalWidth)}
        />
        <div className="min-w-0 flex-1">
          <p className="figures text-lg leading-tight font-semibold" data-testid="trace-figures">
            {counted(figures.colours.length, 'colour')}, {counted(figures.areas, 'area')}, {counted(figures.lines, 'line')}
          </p>
          <p className="text-quiet">
            {counted(figures.nodes, 'node')} in all.{' '}
            {acrossPx !== null && figures.widthMm > 0 && resolutionWords(figures.widthMm / acrossPx)}
          </p>
          <ul aria-label="Colours found" className="mt-2 flex flex-wrap gap-1">
            {figures.colours.map((hex) => (
              <li key={hex} title={hex} className="h-[18px] w-[24px] rounded-sm border border-edge" style={{ backgroundColor: hex }} />
            ))}
          </ul>
        </div>
      </div>
      <div className="mt-2 flex items-end gap-4">
        <NumberField
          label="Colours at most"
          className="w-[104px]"
          value={picture.colours ?? figures.colours.length}
          unit=""
          min={1}
          max={MOST_COLOURS}
          step={1}
          decimals={0}
          onCommit={(n) => again({ colours: n })}
        />
        <Closeness
          key={picture.toleranceMm}
          mm={picture.toleranceMm ?? USUAL_TOLERANCE_MM}
          onCommit={(toleranceMm) => again({ toleranceMm })}
        />
        <div className="flex h-8 items-center">
          <Tick
            name="Background"
            title="Whether the background is a shape too"
            on={picture.keepBackground ?? false}
            onChange={(on) => again({ keepBackground: on || undefined })}
          />
        </div>
      </div>
      {picture.colours !== undefined && state.progress === null && (
        <Button dense className="mt-2" onClick={() => again({ colours: undefined })}>
          Take all colours found
        </Button>
      )}
      {state.progress !== null && (
        <p role="status" className="mt-2 flex items-center gap-3 whitespace-nowrap">
          Tracing … <span className="figures">{Math.round(state.progress * 100)} %</span>
          <Button dense onClick={() => task.cancel()}>
            Cancel
          </Button>
        </p>
      )}
      {state.problem && (
        <p role="alert" className="mt-2 text-danger">
          {state.problem}
        </p>
      )}
    </section>
  );
}

const resolutionWords = (mmPerPixel: number): string =>
  `${mmPerPixel.toFixed(2)} mm per pixel: lines under ${(SURE_PX * mmPerPixel).toFixed(mmPerPixel < 0.05 ? 2 : 1)} mm are guesses.`;

function withoutAbsent(from: Partial<Record<keyof TracedFrom, unknown>>): TracedFrom {
  return Object.fromEntries(Object.entries(from).filter(([, v]) => v !== undefined)) as unknown as TracedFrom;
}

/** From shapes that follow the picture closely to simple ones. */
function Closeness({ mm, onCommit }: { mm: number; onCommit(mm: number): void }) {
  const nearest = TOLERANCES_MM.reduce((best, t, i) => (Math.abs(t - mm) < Math.abs(TOLERANCES_MM[best]! - mm) ? i : best), 0);
  const [at, setAt] = useState(nearest);
  return (
    <div className="min-w-0 flex-1" title={`Shapes lie within ${TOLERANCES_MM[at]!.toFixed(2)} mm of the picture's edges`}>
      <p className="flex justify-between text-quiet">
        <span>Faithful</span> <span className="figures">{TOLERANCES_MM[at]!.toFixed(2)}</span> <span>Simple</span>
      </p>
      <Slider.Root
        className="relative flex h-8 items-center"
        min={0}
        max={TOLERANCES_MM.length - 1}
        step={1}
        value={[at]}
        onValueChange={([v]) => setAt(v!)}
        onValueCommit={([v]) => v !== nearest && onCommit(TOLERANCES_MM[v!]!)}
      >
        <Slider.Track className="relative h-1 grow rounded-full bg-edge">
          <Slider.Range className="absolute h-full rounded-full bg-ink" />
        </Slider.Track>
        <Slider.Thumb
          aria-label="How simple the shapes are"
          className="block h-4 w-4 rounded-full border border-ink bg-white focus-visible:outline-2 focus-visible:outline-offset-2"
        />
      </Slider.Root>
    </div>
  );
}
