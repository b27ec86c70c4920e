'use client';
import { Image as ArtworkSign, Maximize, PanelLeftClose, PanelLeftOpen, Square, SquareDashed, ZoomIn, ZoomOut } from 'lucide-react';
import { Tooltip } from 'radix-ui';
import { memo, useEffect } from 'react';
import { zoomAt } from '@/session/view/cameraStore';
import { useView } from '@/session/view/viewStore';
import { walkByArrows } from '../../components/arrowKeys';
import { SignButton } from '../../components/Button';
import { fitHoop } from './benchKeys';
import { takeTool } from './inHand';
import { RealSize } from './RealSize';
import { TOOL_GROUPS, useToolInHand } from './registry';
import { openStrip, showWords, useStrip } from './stripStore';
import { ToolButton } from './ToolButton';

/** Low enough that the whole strip fits a small screen. */
const LOW = '!h-7';
const RULE = 'my-0.5 w-7 shrink-0 border-hairline';

/** The tools by what one wants to do, and what is shown and how near. */
export const ToolStrip = memo(function ToolStrip() {
  const words = useStrip((s) => s.words);
  const inHand = useToolInHand();
  useEffect(() => void openStrip(), []);
  return (
    <Tooltip.Provider delayDuration={600} skipDelayDuration={200}>
      <div
        role="toolbar"
        aria-label="Tools and view"
        aria-orientation="vertical"
        onKeyDown={walkByArrows}
        data-words={words}
        className={`flex shrink-0 flex-col gap-0 overflow-x-hidden overflow-y-auto border-r border-hairline bg-panel py-1 ${words ? 'w-[118px] items-start px-1 max-sm:w-[52px]' : 'w-[52px] items-center'}`}
      >
        {TOOL_GROUPS.map((group, i) => (
          <div key={group.name} role="group" aria-label={group.name} className={words ? 'w-full' : ''}>
            {i > 0 && <hr className={`${RULE} ${words ? 'w-full' : ''}`} />}
            {group.tools.map((tool) => (
              <ToolButton key={tool.name} tool={tool} words={words} pressed={tool === inHand} onTake={() => takeTool(tool)} />
            ))}
          </div>
        ))}
        <hr className={`${RULE} ${words ? 'w-full' : ''}`} />
        <View words={words} />
        <SignButton
          className={`${LOW} mt-auto`}
          name={words ? 'Hide the tools’ words' : 'Show the tools’ words'}
          onClick={() => showWords(!words)}
        >
          {words ? <PanelLeftClose size={16} /> : <PanelLeftOpen size={16} />}
        </SignButton>
      </div>
    </Tooltip.Provider>
  );
});

/** What is shown, and how near. */
function View({ words }: { words: boolean }) {
  const showArtwork = useView((s) => s.showArtwork);
  const showHoop = useView((s) => s.showHoop);
  return (
    <div role="group" aria-label="View" className={`flex ${words ? 'flex-wrap' : 'flex-col items-center'}`}>
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
}
