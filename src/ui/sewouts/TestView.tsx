import { said } from '@/session/view/unitsStore';
import { useEffect, useState } from 'react';
import { toast } from '@/session/notice';
import type { Sewout } from '@/core/document/sewoutTypes';
import type { Job } from '@/core/document/types';
import { changeSewout } from '@/session/edit/sewoutCommands';
import { addPhotos, requestCauses, requestLaid, stopWork, useSewouts } from '@/session/sewouts/sewoutStore';
import { Button } from '../components/Button';
import { TextField } from '../components/TextField';
import { usePastedFile } from '../components/usePastedFile';
import { LearnedPanel } from './panels/LearnedPanel';
import { SeenPanel } from './panels/SeenPanel';
import { SetupPanel } from './panels/SetupPanel';
import { CardPanel } from './panels/CardPanel';
import { Viewer } from './viewer/Viewer';
import { isCard } from '@/core/sewouts/card/card';
import { chooseByArrows, onTabWay } from '../components/arrowKeys';

const PANELS = [
  { key: 'seen', name: 'What is seen' },
  { key: 'setup', name: 'How it was sewn' },
  { key: 'learned', name: 'What it taught' },
] as const;
type PanelKey = (typeof PANELS)[number]['key'];

interface Props {
  job: Job;
  sewout: Sewout;
  onBy(by: string): void;
}

/** One test: its photo over the plan, and beside it what was seen, how it was sewn and what it taught. */
export function TestView({ job, sewout, onBy }: Props) {
  const fresh = sewout.photos.length === 0 && sewout.marks.length === 0;
  const [panel, setPanel] = useState<PanelKey>(fresh && !isCard(job) ? 'setup' : 'seen');
  const [photoId, setPhotoId] = useState<string | null>(null);
  const [markId, setMarkId] = useState<string | null>(null);
  const photo = sewout.photos.find((p) => p.id === photoId) ?? sewout.photos[0] ?? null;
  useEffect(() => requestLaid(job, sewout, photo), [job, sewout, photo]);
  const others = useSewouts((s) => s.others);
  useEffect(() => requestCauses(job, sewout), [job, sewout, others]);
  const add = (files: readonly File[]): void => void addPhotos(job.id, sewout.id, files, (problem) => toast.error(problem));
  usePastedFile((file) => file.type.startsWith('image/') && add([file]));
  return (
    <div className="flex h-full min-h-0 max-md:h-auto max-md:flex-col">
      <div className="flex min-h-0 min-w-0 flex-1 flex-col">
        <Working />
        <Viewer
          job={job}
          sewout={sewout}
          photo={photo}
          mark={markId}
          onMark={(id) => {
            setMarkId(id);
            setPanel('seen');
          }}
          onPhoto={setPhotoId}
          onFiles={add}
        />
      </div>
      <aside
        aria-label="About this test"
        className="flex w-[372px] shrink-0 flex-col border-l border-hairline bg-panel max-lg:w-[320px] max-md:w-full max-md:border-t max-md:border-l-0"
      >
        <Head sewout={sewout} onBy={onBy} />
        <div role="tablist" aria-label="About this test" onKeyDown={chooseByArrows} className="flex border-b border-hairline">
          {PANELS.map(({ key, name }) => (
            <button
              key={key}
              type="button"
              role="tab"
              id={`tab-${key}`}
              aria-selected={panel === key}
              tabIndex={onTabWay(panel === key)}
              aria-controls="test-panel"
              onClick={() => setPanel(key)}
              className={`h-9 flex-1 border-r border-hairline px-1 last:border-r-0 max-md:h-11 ${panel === key ? 'bg-tape font-semibold' : 'hover:bg-tape-soft'}`}
            >
              {name}
            </button>
          ))}
        </div>
        <div id="test-panel" role="tabpanel" aria-labelledby={`tab-${panel}`} tabIndex={0} className="min-h-0 flex-1 overflow-auto p-4">
          {panel === 'seen' && isCard(job) && <CardPanel job={job} sewout={sewout} onTaught={() => setPanel('learned')} />}
          {panel === 'seen' && !isCard(job) && <SeenPanel job={job} sewout={sewout} mark={markId} onMark={setMarkId} />}
          {panel === 'setup' && <SetupPanel job={job} sewout={sewout} />}
          {panel === 'learned' && <LearnedPanel job={job} sewout={sewout} />}
        </div>
      </aside>
    </div>
  );
}

function Head({ sewout, onBy }: Pick<Props, 'sewout' | 'onBy'>) {
  return (
    <div className="border-b border-hairline px-4 py-3">
      <div className="flex items-end gap-3">
        <h1 className="flex-1 text-xl font-semibold">
          Version <span className="figures">{sewout.version.number}</span>
        </h1>
        <span className="text-quiet">
          {sewout.on}
          {sewout.time ? `, ${sewout.time}` : ''}
        </span>
        <TextField
          label="Sewn by"
          hideLabel
          placeholder="Sewn by"
          className="w-[110px]"
          value={sewout.by}
          onCommit={(by) => {
            onBy(by);
            changeSewout(sewout.id, 'Who sewed it', (s) => void (s.by = by));
          }}
        />
      </div>
      {sewout.version.note && <p className="mt-1 text-xs text-quiet">Changed since the version before: {said(sewout.version.note)}.</p>}
    </div>
  );
}

/** Long work that a person began, with its progress and a way to stop it. */
function Working() {
  const { progress, problem, what } = useSewouts((s) => s.work);
  const drawing = useSewouts((s) => s.drawing.problem);
  const trouble = problem ?? drawing;
  if (progress === null && !trouble) return null;
  return (
    <div role="status" className="flex items-center gap-3 border-b border-hairline bg-panel px-4 py-2" data-testid="sewout-work">
      {progress !== null ? (
        <>
          <span className="flex-1">{what} …</span>
          <progress value={progress} max={1} aria-label={what ?? 'Working'} className="w-40" />
          <Button dense onClick={stopWork}>
            Stop
          </Button>
        </>
      ) : (
        <span className="text-danger">{trouble}</span>
      )}
    </div>
  );
}
