import { lengthText } from '@/session/view/unitsStore';
import { useState } from 'react';
import { MARK_KINDS, type MarkKind, type SeenMark, type Sewout } from '@/core/document/sewoutTypes';
import type { Job } from '@/core/document/types';
import { MARK_WORDS, RULED, markWords } from '@/core/sewouts/words';
import { addMarks } from '@/session/edit/sewoutCommands';
import { refuseProposed, takeProposed, useSewouts } from '@/session/sewouts/sewoutStore';
import { Button } from '../../components/Button';
import { Choice } from '../../components/Choice';
import { NumberField } from '../../components/NumberField';
import { CorrectionBar, WaitingCorrection } from './CorrectionBar';
import { MarkCard } from './MarkCard';
import { SignOff } from './SignOff';

interface Props {
  job: Job;
  sewout: Sewout;
  mark: string | null;
  onMark(id: string | null): void;
}

/** What is seen on the test: every mark with its causes, what the photo proposes, and a ruler's figure by hand. */
export function SeenPanel({ job, sewout, mark, onMark }: Props) {
  const proposed = useSewouts((s) => (s.proposed?.sewout === sewout.id ? s.proposed.marks : null));
  const weighing = useSewouts((s) => s.weighing);
  return (
    <div className="grid gap-4">
      <WaitingCorrection job={job} sewout={sewout} />
      {proposed && proposed.length > 0 && <Proposed marks={proposed} job={job} />}
      {sewout.marks.length === 0 && !proposed && (
        <p className="text-quiet">
          Nothing is marked yet. Measure across a gap on the picture, mark a place, or type what the ruler says below. A test with nothing
          to mark can be signed off.
        </p>
      )}
      <ul className="grid gap-3" aria-label="Marks">
        {sewout.marks.map((m) => (
          <MarkCard key={m.id} {...{ job, sewout, mark: m }} open={m.id === mark} onOpen={() => onMark(m.id === mark ? null : m.id)} />
        ))}
      </ul>
      {weighing.problem && (
        <p role="alert" className="text-danger">
          {weighing.problem}
        </p>
      )}
      <CorrectionBar job={job} sewout={sewout} />
      <RulerForm sewout={sewout} />
      <SignOff job={job} sewout={sewout} />
    </div>
  );
}

function Proposed({ marks, job }: { marks: readonly Omit<SeenMark, 'id'>[]; job: Job }) {
  const name = (id?: string): string => job.pieces.find((p) => p.id === id)?.name ?? '';
  return (
    <section aria-label="Gaps on the photo" className="rounded-md border border-ink p-3">
      <div className="flex items-center gap-2">
        <h2 className="flex-1 font-semibold">Gaps on the photo</h2>
        <Button dense look="primary" onClick={() => takeProposed(marks.map((_, i) => i))}>
          Take all
        </Button>
      </div>
      <ul className="mt-2 grid gap-1.5">
        {marks.map((m, i) => (
          <li key={`${m.at?.join()}`} className="flex items-center gap-2">
            <span className="figures w-16 text-lg">{m.mm !== undefined && lengthText(m.mm, 2)}</span>
            <span className="min-w-0 flex-1 truncate">
              {name(m.piece)} · {name(m.against)}
            </span>
            <Button dense onClick={() => takeProposed([i])}>
              Take
            </Button>
            <Button dense look="quiet" onClick={() => refuseProposed(i)}>
              Refuse
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A mark without a photo: what is seen, on which pieces, and what the ruler says. */
function RulerForm({ sewout }: { sewout: Sewout }) {
  const [kind, setKind] = useState<MarkKind>('gap');
  const [piece, setPiece] = useState('');
  const [against, setAgainst] = useState('');
  const [axis, setAxis] = useState<'x' | 'y'>('x');
  const [mm, setMm] = useState<number | undefined>(undefined);
  const pieces = [{ value: '', name: 'Not said' }, ...sewout.version.pieces.map((p) => ({ value: p.id, name: p.name }))];
  const ruled = RULED.includes(kind);
  const meets = kind === 'gap' || kind === 'overlap';
  const ready = ruled ? mm !== undefined && (kind === 'size' || piece !== '') : true;
  const add = (): void => {
    const made = {
      kind,
      ...(kind !== 'size' && piece ? { piece } : {}),
      ...(meets && against ? { against } : {}),
      ...(kind === 'size' ? { axis } : {}),
      ...(ruled && mm !== undefined ? { mm } : {}),
    };
    addMarks(sewout.id, `Mark: ${markWords(made)}`, [made]);
    setMm(undefined);
  };
  return (
    <section aria-label="Note by hand" className="rounded-md border border-hairline p-3">
      <h2 className="mb-2 font-semibold">Note by hand</h2>
      <div className="grid grid-cols-2 gap-2">
        <Choice
          label="What is seen"
          value={kind}
          options={MARK_KINDS.map((k) => ({ value: k, name: MARK_WORDS[k] }))}
          onChange={(k) => setKind(k)}
        />
        {ruled && (
          <NumberField
            key={String(mm === undefined)}
            label="Ruler says"
            value={mm}
            unit="mm"
            min={-20}
            max={1000}
            step={0.1}
            decimals={2}
            onCommit={setMm}
          />
        )}
        {kind === 'size' ? (
          <Choice
            label="Measured"
            value={axis}
            options={[
              { value: 'x', name: 'Across' },
              { value: 'y', name: 'Down' },
            ]}
            onChange={(a) => setAxis(a)}
          />
        ) : (
          <Choice label={meets ? 'Piece sewn first' : 'On the piece'} value={piece} options={pieces} onChange={setPiece} />
        )}
        {meets && <Choice label="Piece sewn later" value={against} options={pieces} onChange={setAgainst} />}
      </div>
      <Button className="mt-3" disabled={!ready} onClick={add}>
        Add the mark
      </Button>
    </section>
  );
}
