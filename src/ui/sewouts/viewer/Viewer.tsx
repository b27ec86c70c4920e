import { useState } from 'react';
import type { Sewout, SewoutPhoto } from '@/core/document/sewoutTypes';
import type { Job } from '@/core/document/types';
import { isCard } from '@/core/sewouts/card/card';
import { addMarks } from '@/session/edit/sewoutCommands';
import { useSewouts } from '@/session/sewouts/sewoutStore';
import type { MarkKind } from '@/core/document/sewoutTypes';
import type { OverWay } from '@/session/sewouts/photoLookStore';
import { DrawingNotice } from './DrawingNotice';
import { Layers, type LayerKey } from './Layers';
import { LayByPoints } from './LayByPoints';
import { Rulers } from './Rulers';
import { MarksLayer } from './MarksLayer';
import { PhotoStrip } from './PhotoStrip';
import { ViewerBar, type Tool } from './ViewerBar';

interface Props {
  job: Job;
  sewout: Sewout;
  photo: SewoutPhoto | null;
  mark: string | null;
  onMark(id: string | null): void;
  onPhoto(id: string): void;
  onFiles(files: readonly File[]): void;
}

/** The photo over the plan and over what was foreseen, with the marks at their places. */
export function Viewer({ job, sewout, photo, mark, onMark, onPhoto, onFiles }: Props) {
  const laid = useSewouts((s) => s.laid?.view ?? null);
  const proposed = useSewouts((s) => (s.proposed?.sewout === sewout.id ? s.proposed.marks : null));
  const [above, setAbove] = useState<LayerKey>('photo');
  const [below, setBelow] = useState<LayerKey>('plan');
  const [way, setWay] = useState<OverWay>('slider');
  const [tool, setTool] = useState<Tool>('look');
  const [kind, setKind] = useState<MarkKind>('pucker');
  const [size, setSize] = useState<number | null>(null);
  const [pointing, setPointing] = useState(false);
  const shownAbove: LayerKey = above === 'photo' && !laid?.photo ? 'foreseen' : above;
  if (pointing && photo) return <LayByPoints job={job} sewout={sewout} photo={photo} onDone={() => setPointing(false)} />;
  return (
    <div
      className="flex min-h-0 flex-1 flex-col"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        onFiles([...e.dataTransfer.files].filter((f) => f.type.startsWith('image/')));
      }}
    >
      <ViewerBar
        {...{ above: shownAbove, below, way, tool, kind, size }}
        hasPhoto={laid?.photo !== null && laid !== null}
        perMm={laid?.perMm ?? null}
        onAbove={setAbove}
        onBelow={setBelow}
        onWay={setWay}
        onTool={setTool}
        onKind={setKind}
        onSize={setSize}
      />
      <div className="grid min-h-[280px] flex-1 place-items-center overflow-auto bg-mat p-3" data-testid="viewer">
        {laid ? (
          <Layers view={laid} above={shownAbove} below={below} way={way} size={size} held={tool !== 'look'}>
            {isCard(job) && <Rulers box={laid.box} />}
            <MarksLayer
              box={laid.box}
              marks={sewout.marks}
              proposed={proposed ?? []}
              chosen={mark}
              tool={tool}
              onChoose={onMark}
              onMeasured={(at, to, mm) => addMarks(sewout.id, 'Measure a gap', [{ kind: 'gap', at, to, mm }])}
              onPlaced={(at) => addMarks(sewout.id, 'Mark a place', [{ kind, at }])}
            />
          </Layers>
        ) : (
          <DrawingNotice />
        )}
      </div>
      <PhotoStrip {...{ job, sewout, photo, onPhoto, onFiles }} onPoints={() => setPointing(true)} />
    </div>
  );
}
