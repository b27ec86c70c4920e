'use client';
import { useEffect, useSyncExternalStore, type ReactNode } from 'react';
import { Group, Panel, Separator, usePanelRef } from 'react-resizable-panels';
import { CARD_PX, keepPanelSizes, LINE_PX, loadPanelSizes, panelSizes } from './benchPanels';

interface Props {
  tools: ReactNode;
  cloth: ReactNode;
  card: ReactNode;
  line: ReactNode;
}

const NARROW = '(max-width: 639px)';
const watchNarrow = (changed: () => void): (() => void) => {
  const media = matchMedia(NARROW);
  media.addEventListener('change', changed);
  return () => media.removeEventListener('change', changed);
};

/** The parts of the Bench; the card and the thread line are as large as one draws them, and stay so. On a phone the cloth has the width to itself. */
export function BenchPanels({ tools, cloth, card, line }: Props) {
  const narrow = useSyncExternalStore(
    watchNarrow,
    () => matchMedia(NARROW).matches,
    () => false,
  );
  const [cardPanel, linePanel] = [usePanelRef(), usePanelRef()];
  useEffect(() => {
    void loadPanelSizes().then((sizes) => {
      if (!sizes) return;
      cardPanel.current?.resize(sizes.card);
      linePanel.current?.resize(sizes.line);
    });
  }, [cardPanel, linePanel]);
  const keep = (_: unknown, { isUserInteraction }: { isUserInteraction: boolean }): void => {
    if (!isUserInteraction) return;
    const now = panelSizes();
    keepPanelSizes({
      card: cardPanel.current?.getSize().inPixels ?? now.card,
      line: linePanel.current?.getSize().inPixels ?? now.line,
    });
  };
  const sizes = panelSizes();
  return (
    <Group orientation="vertical" className="min-h-0 flex-1" onLayoutChanged={keep}>
      <Panel id="bench-work" minSize={120} className="flex min-h-0">
        {tools}
        <Group orientation="horizontal" className="min-w-0 flex-1" onLayoutChanged={keep}>
          <Panel id="bench-cloth" minSize={160} className="relative">
            {cloth}
          </Panel>
          {!narrow && (
            <>
              <Divider label="Width of the stitch card" upright onUsual={() => cardPanel.current?.resize(CARD_PX.usual)} />
              <Panel
                id="bench-card"
                panelRef={cardPanel}
                defaultSize={sizes.card}
                minSize={CARD_PX.least}
                maxSize={CARD_PX.most}
                groupResizeBehavior="preserve-pixel-size"
              >
                {card}
              </Panel>
            </>
          )}
        </Group>
      </Panel>
      <Divider label="Height of the thread line" onUsual={() => linePanel.current?.resize(LINE_PX.usual)} />
      <Panel
        id="bench-line"
        panelRef={linePanel}
        defaultSize={sizes.line}
        minSize={LINE_PX.least}
        maxSize={LINE_PX.most}
        groupResizeBehavior="preserve-pixel-size"
      >
        {line}
      </Panel>
    </Group>
  );
}

/** The edge between two parts: dragged, moved by the arrow keys, and by a double click as it was at first. */
function Divider({ label, upright = false, onUsual }: { label: string; upright?: boolean; onUsual(): void }) {
  return (
    <Separator
      aria-label={label}
      title={`${label}: drag, or use the arrow keys; a double click makes it as it was at first`}
      onDoubleClick={onUsual}
      className={`bg-hairline outline-offset-0 hover:bg-tape focus-visible:bg-tape data-[separator=active]:bg-tape ${upright ? 'w-[3px]' : 'h-[3px]'}`}
    />
  );
}
