'use client';
import { Image as ArtworkSign, Maximize, Square, SquareDashed, ZoomIn, ZoomOut } from 'lucide-react';
import { memo } from 'react';
import { zoomAt } from '@/session/view/cameraStore';
import { useView } from '@/session/view/viewStore';
import { walkByArrows } from '../../components/arrowKeys';
import { SignButton } from '../../components/Button';
import { fitHoop } from './benchKeys';
import { takeTool } from './inHand';
import { RealSize } from './RealSize';
import { TOOLS, useToolInHand } from './registry';

/** Low enough that the whole strip fits a small screen. */
const LOW = '!h-7';

/** The tools, and what is shown and how near. */
export const ToolStrip = memo(function ToolStrip() {
  const showArtwork = useView((s) => s.showArtwork);
  const showHoop = useView((s) => s.showHoop);
  const inHand = useToolInHand();
  return (
    <div
      role="toolbar"
      aria-label="Tools and view"
      aria-orientation="vertical"
      onKeyDown={walkByArrows}
      className="flex w-[52px] shrink-0 flex-col items-center gap-0 overflow-y-auto border-r border-hairline bg-panel py-1"
    >
      {TOOLS.map((tool) => (
        <SignButton
          key={tool.name}
          className={LOW}
          name={`${tool.word} (${tool.key})`}
          pressed={tool === inHand}
          onClick={() => takeTool(tool)}
        >
          <tool.Sign size={17} />
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
