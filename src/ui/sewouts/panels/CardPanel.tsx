import type { Sewout } from '@/core/document/sewoutTypes';
import type { Job } from '@/core/document/types';
import { cardMeasures, type CardMeasure } from '@/core/sewouts/card/card';
import { changeSewout } from '@/session/edit/sewoutCommands';
import { Button } from '../../components/Button';
import { NumberField } from '../../components/NumberField';
import { CardSheet } from './CardSheet';

/** The fifteen figures of a calibration card, as the ruler says them, in the order in which they lie on it. */
export function CardPanel({ job, sewout, onTaught }: { job: Job; sewout: Sewout; onTaught(): void }) {
  const measures = cardMeasures();
  const units = job.brief.units ?? 'mm';
  const valueOf = (id: string): number | undefined => sewout.marks.find((m) => m.id === id)?.mm;
  const typed = measures.filter((m) => valueOf(m.id) !== undefined).length;
  const set = ({ id, mark, ruler: [from, to] }: CardMeasure, mm: number): void =>
    changeSewout(sewout.id, 'Measure the card', (s) => {
      s.marks = s.marks.filter((m) => m.id !== id);
      s.marks.push({ ...mark, id, mm, ...(mark.kind === 'gap' ? {} : { at: [from.x, from.y], to: [to.x, to.y] }) });
    });
  return (
    <div className="grid gap-3">
      <p className="text-quiet">
        Lay the ruler where the card says and type what it reads, to a tenth. Measure while it is still in the hoop.
      </p>
      <ol className="grid gap-1.5">
        {measures.map((m, i) => (
          <li key={m.id} className="grid grid-cols-[24px_1fr_96px] items-center gap-2">
            <span className="figures grid h-5 w-5 place-items-center rounded-full border border-ink bg-white text-xs">{i + 1}</span>
            <span>
              {m.what}
              {m.drawnMm > 0 && !m.what.includes(String(m.drawnMm)) && <span className="text-quiet"> (drawn {m.drawnMm})</span>}
            </span>
            <NumberField
              label={m.what}
              hideLabel
              value={valueOf(m.id)}
              unit="mm"
              lengthUnit={units}
              min={-5}
              max={200}
              step={0.1}
              decimals={1}
              onCommit={(mm) => set(m, mm)}
            />
          </li>
        ))}
      </ol>
      <CardSheet job={job} on={sewout.on} />
      <Button look="primary" disabled={typed === 0} onClick={onTaught}>
        {typed === measures.length ? 'What the card taught' : `What the ${typed} typed so far teach`}
      </Button>
    </div>
  );
}
