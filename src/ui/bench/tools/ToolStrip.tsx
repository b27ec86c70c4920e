'use client';
import {
  Circle,
  Image as ArtworkSign,
  Maximize,
  MousePointer2,
  Move3d,
  PanelRightOpen,
  PenLine,
  Puzzle,
  RectangleHorizontal,
  Ruler,
  Scissors,
  SeparatorHorizontal,
  Slash,
  Spline,
  Square,
  SquareDashed,
  ZoomIn,
  ZoomOut,
} from 'lucide-react';
import { memo, type ReactNode } from 'react';
import { zoomAt } from '@/session/view/cameraStore';
import { takeTool, useTool, type ToolName } from '@/session/view/toolStore';
import { useView } from '@/session/view/viewStore';
import { SignButton } from '../../components/Button';
import { fitHoop } from './benchKeys';
import { RealSize } from './RealSize';

const TOOLS: readonly { tool: ToolName; name: string; sign: ReactNode }[] = [
  { tool: 'choose', name: 'Choose (Q)', sign: <MousePointer2 size={17} /> },
  { tool: 'nodes', name: 'Shape: nodes (G)', sign: <Move3d size={17} /> },
  { tool: 'slants', name: 'Slants (T)', sign: <Slash size={17} /> },
  { tool: 'ends', name: 'Start and end (E)', sign: <Circle size={17} /> },
  { tool: 'run', name: 'Draw a run (R)', sign: <PenLine size={17} /> },
  { tool: 'satin', name: 'Draw a satin by its two sides (W)', sign: <RectangleHorizontal size={17} /> },
  { tool: 'area', name: 'Draw an area (D)', sign: <Spline size={17} /> },
  { tool: 'regions', name: 'Take regions of the artwork (I)', sign: <Puzzle size={17} /> },
  { tool: 'cut', name: 'Cut (V)', sign: <Scissors size={17} /> },
  { tool: 'edge', name: 'Extend an edge (P)', sign: <PanelRightOpen size={17} /> },
  { tool: 'measure', name: 'Measure (M)', sign: <Ruler size={17} /> },
  { tool: 'guides', name: 'Guides (=)', sign: <SeparatorHorizontal size={17} /> },
];

/** Low enough that the whole strip fits a small screen. */
const LOW = '!h-7';

/** The tools, and what is shown and how near. */
export const ToolStrip = memo(function ToolStrip() {
  const showArtwork = useView((s) => s.showArtwork);
  const showHoop = useView((s) => s.showHoop);
  const tool = useTool((s) => s.tool);
  return (
    <div
      role="toolbar"
      aria-label="Tools and view"
      aria-orientation="vertical"
      className="flex w-[52px] shrink-0 flex-col items-center gap-0 overflow-y-auto border-r border-hairline bg-panel py-1"
    >
      {TOOLS.map((t) => (
        <SignButton key={t.tool} className={LOW} name={t.name} pressed={tool === t.tool} onClick={() => takeTool(t.tool)}>
          {t.sign}
        </SignButton>
      ))}
      <hr className="my-0.5 w-7 border-hairline" />
      <SignButton
        className={LOW}
        name="Artwork beneath (A)"
        pressed={showArtwork}
        onClick={() => useView.setState({ showArtwork: !showArtwork })}
      >
        <ArtworkSign size={17} />
      </SignButton>
      <SignButton className={LOW} name="Hoop (H)" pressed={showHoop} onClick={() => useView.setState({ showHoop: !showHoop })}>
        {showHoop ? <Square size={17} /> : <SquareDashed size={17} />}
      </SignButton>
      <hr className="my-0.5 w-7 border-hairline" />
      <SignButton className={LOW} name="Nearer (+)" onClick={() => zoomAt(1.25)}>
        <ZoomIn size={17} />
      </SignButton>
      <SignButton className={LOW} name="Farther (-)" onClick={() => zoomAt(0.8)}>
        <ZoomOut size={17} />
      </SignButton>
      <SignButton className={LOW} name="Whole hoop (0)" onClick={fitHoop}>
        <Maximize size={17} />
      </SignButton>
      <RealSize />
    </div>
  );
});
