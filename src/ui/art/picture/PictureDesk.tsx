import { Maximize, Redo2, Undo2 } from 'lucide-react';
import { lengthText } from '@/session/view/unitsStore';
import { Dialog } from 'radix-ui';
import { useMemo, useState } from 'react';
import type { PicturePlace } from '@/core/document/types';
import { pageSizeMm, shapeFigures } from '@/core/tracing/shapesSvg';
import { counted } from '@/core/units/count';
import { useJob } from '@/session/job/jobStore';
import { Button, SignButton } from '../../components/Button';
import { DeskPanel } from './DeskPanel';
import { DESK_TOOLS, shownWith, type DeskTool } from './deskTools';
import { PagePane, WHOLE_VIEW, MARK, type PageView } from './PagePane';
import { PlaceMarks } from './PlaceMarks';
import { TraceProgress } from './TraceProgress';
import { hexAt, PageImage } from './PageImage';
import { usePage } from './usePage';
import type { PictureAtWork, TracingAtWork } from './useTracing';

interface Props {
  at: PictureAtWork;
  tracing: TracingAtWork;
  onClose(): void;
}

/** The picture as it came beside the shapes that are made of it, with all that can be decided in between. */
export function PictureDesk({ at, tracing, onClose }: Props) {
  const figures = useMemo(() => shapeFigures(at.svg), [at.svg]);
  const { past, future } = useJob((s) => s.history);
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          data-testid="picture-desk"
          aria-describedby={undefined}
          className="fixed inset-3 z-50 flex flex-col rounded-md border border-edge bg-panel shadow-lg"
        >
          <header className="flex items-center gap-4 border-b border-hairline px-4 py-2">
            <Dialog.Title className="font-semibold">Picture desk</Dialog.Title>
            <p className="figures text-lg leading-tight font-semibold" data-testid="trace-figures">
              {counted(figures.colours.length, 'colour')}, {counted(figures.areas, 'area')}, {counted(figures.lines, 'line')}
            </p>
            <p className="text-quiet">{counted(figures.nodes, 'node')} in all</p>
            <div className="ml-auto flex items-center gap-1">
              <SignButton name="Undo (Ctrl+Z)" disabled={past.length === 0} onClick={() => useJob.getState().undo()}>
                <Undo2 size={17} />
              </SignButton>
              <SignButton name="Redo (Ctrl+Shift+Z)" disabled={future.length === 0} onClick={() => useJob.getState().redo()}>
                <Redo2 size={17} />
              </SignButton>
              <Dialog.Close asChild>
                <Button look="primary" className="ml-2">
                  Done
                </Button>
              </Dialog.Close>
            </div>
          </header>
          <DeskBody at={at} tracing={tracing} shapesMm={figures.widthMm} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function DeskBody({ at, tracing, shapesMm }: Omit<Props, 'onClose'> & { shapesMm: number }) {
  const { picture, text, svg } = at;
  const [tool, setTool] = useState<DeskTool>(DESK_TOOLS[0]!);
  const [view, setView] = useState<PageView>(WHOLE_VIEW);
  const { page, isCurrent, problem } = usePage(text, picture.file, shownWith(tool, picture.prepared));
  const shapes = useMemo(() => `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`, [svg]);
  const take = (places: PicturePlace[]): void => {
    const change = page && isCurrent && tool.take(places, { picture, page: page.layout, hexAt: (place) => hexAt(page, place) });
    if (change) tracing.again(change);
  };
  const hold = (next: DeskTool): void => {
    setTool(next);
    if (String(next.hides) !== String(tool.hides)) setView(WHOLE_VIEW);
  };
  // The shapes' drawing is of the page as it is traced, whatever the tool in hand shows of the picture.
  const sheet = page && sheetOf(svg, page.layout.width);
  const marks = (px: number) => page && <PlaceMarks picture={picture} page={page.layout} px={px} />;
  return (
    <div className="flex min-h-0 flex-1">
      <div className="flex min-w-0 flex-1 flex-col gap-2 p-3">
        <DeskTools inHand={tool} onTake={hold} tracing={tracing} at={at} whole={() => setView(WHOLE_VIEW)} />
        {problem && (
          <p role="alert" className="text-danger">
            {problem}
          </p>
        )}
        <div className="flex min-h-0 flex-1 gap-3">
          <Labelled name="As it came">
            {page && (
              <PagePane
                name="As it came"
                key={tool.name}
                size={page.layout}
                gesture={isCurrent ? tool.gesture : 'wait'}
                view={view}
                onView={setView}
                onTake={take}
                marks={(px) => (
                  <>
                    {tool.name === 'crop' && (
                      <CropMark crop={picture.prepared?.crop} width={page.layout.width} height={page.layout.height} px={px} />
                    )}
                    {tool.name === 'corners' && <CornersMark corners={picture.prepared?.corners} page={page.layout} px={px} />}
                    {!tool.hides && marks(px)}
                  </>
                )}
              >
                <PageImage page={page} />
              </PagePane>
            )}
          </Labelled>
          <Labelled name={`As shapes, ${lengthText(shapesMm, 0)} with its margin`}>
            {page && sheet && (
              <PagePane
                name="As shapes"
                size={sheet}
                gesture={!isCurrent ? 'wait' : tool.onShapes ? tool.gesture : 'move'}
                view={view}
                onView={setView}
                onTake={take}
                {...(tool.onShapes ? { marks } : {})}
              >
                <img src={shapes} alt="The shapes" draggable={false} className="h-full w-full" />
              </PagePane>
            )}
          </Labelled>
        </div>
      </div>
      <DeskPanel at={at} tracing={tracing} look={(place) => page && setView({ near: LOOK_NEAR, middle: page.layout.placeOf(place) })} />
    </div>
  );
}
const LOOK_NEAR = 6;

/** Size of the shapes' drawing in pixels of the page. */
function sheetOf(svg: string, width: number): { width: number; height: number } {
  const { widthMm, heightMm } = pageSizeMm(svg);
  return { width, height: (width * heightMm) / Math.max(widthMm, 0.01) };
}

function Labelled({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <section aria-label={name} className="flex min-w-0 flex-1 flex-col">
      <h2 className="mb-1 text-quiet">{name}</h2>
      {children}
    </section>
  );
}

interface ToolsProps {
  inHand: DeskTool;
  onTake(tool: DeskTool): void;
  tracing: TracingAtWork;
  at: PictureAtWork;
  whole(): void;
}

function DeskTools({ inHand, onTake, tracing, at, whole }: ToolsProps) {
  const { clear } = inHand;
  return (
    <div>
      <div role="toolbar" aria-label="What to do with the picture" className="flex flex-wrap items-center gap-1">
        {DESK_TOOLS.map((tool) => (
          <button
            key={tool.name}
            type="button"
            aria-pressed={tool === inHand}
            data-desk-tool={tool.name}
            className={`flex h-8 items-center gap-1.5 rounded-md border px-2 whitespace-nowrap ${tool === inHand ? 'border-ink bg-tape' : 'border-transparent hover:bg-tape-soft'}`}
            onClick={() => onTake(tool)}
          >
            <tool.Sign size={16} /> {tool.word}
          </button>
        ))}
        <SignButton name="Whole picture in view" className="ml-auto" onClick={whole}>
          <Maximize size={17} />
        </SignButton>
      </div>
      <div className="mt-1 flex min-h-7 items-center gap-3">
        <p className="min-w-0 truncate text-quiet">{inHand.hint}</p>
        {clear?.applies(at.picture) && (
          <Button dense onClick={() => tracing.again(clear.change(at.picture))}>
            {clear.word}
          </Button>
        )}
        <div className="ml-auto [&>p]:mt-0">
          <TraceProgress tracing={tracing} />
        </div>
      </div>
    </div>
  );
}

function CropMark({ crop, width, height, px }: { crop: readonly number[] | undefined; width: number; height: number; px: number }) {
  if (!crop) return null;
  const [left, top, right, bottom] = crop as [number, number, number, number];
  const box = { x: left * width, y: top * height, w: (right - left) * width, h: (bottom - top) * height };
  return (
    <g>
      <path
        fillRule="evenodd"
        fill="#1d282c"
        fillOpacity={0.45}
        d={`M0 0H${width}V${height}H0ZM${box.x} ${box.y}h${box.w}v${box.h}h${-box.w}Z`}
      />
      <rect x={box.x} y={box.y} width={box.w} height={box.h} fill="none" stroke={MARK} strokeWidth={2 * px} />
    </g>
  );
}

interface CornersProps {
  corners: readonly PicturePlace[] | undefined;
  page: { width: number; height: number; placeOf(place: PicturePlace): PicturePlace };
  px: number;
}

function CornersMark({ corners, page, px }: CornersProps) {
  if (!corners) return null;
  const at = corners.map((c) => page.placeOf(c)).map(([x, y]) => `${x * page.width},${y * page.height}`);
  return <polygon points={at.join(' ')} fill="none" stroke={MARK} strokeWidth={2 * px} />;
}
