'use client';
import { Image as ArtworkSign, Maximize, Square, ZoomIn, ZoomOut } from 'lucide-react';
import { zoomAt } from '@/store/cameraStore';
import { useView } from '@/store/viewStore';
import { SignButton } from '../components/Button';
import { fitHoop } from './benchKeys';

/** What is shown, and how near. */
export function ToolStrip() {
  const { showArtwork, showHoop } = useView();
  return (
    <div
      role="toolbar"
      aria-label="View"
      aria-orientation="vertical"
      className="flex w-[52px] shrink-0 flex-col items-center gap-1 border-r border-hairline bg-panel py-2"
    >
      <SignButton name="Artwork beneath (A)" pressed={showArtwork} onClick={() => useView.setState({ showArtwork: !showArtwork })}>
        <ArtworkSign size={17} />
      </SignButton>
      <SignButton name="Hoop (H)" pressed={showHoop} onClick={() => useView.setState({ showHoop: !showHoop })}>
        <Square size={17} />
      </SignButton>
      <hr className="my-1 w-7 border-hairline" />
      <SignButton name="Nearer (+)" onClick={() => zoomAt(1.25)}>
        <ZoomIn size={17} />
      </SignButton>
      <SignButton name="Farther (-)" onClick={() => zoomAt(0.8)}>
        <ZoomOut size={17} />
      </SignButton>
      <SignButton name="Whole hoop (0)" onClick={fitHoop}>
        <Maximize size={17} />
      </SignButton>
    </div>
  );
}
