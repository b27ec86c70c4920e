import { lengthText } from '@/session/view/unitsStore';
import { toast } from '@/session/notice';
import { agreedTo } from '@/core/document/folder';
import { versionNumber } from '@/core/document/sewout';
import type { Sewout } from '@/core/document/sewoutTypes';
import type { Job } from '@/core/document/types';
import { MARK_WORDS } from '@/core/sewouts/words';
import { dropCorrection, takeCorrection, tryCorrections, useSewouts, type Chosen } from '@/session/sewouts/sewoutStore';
import { Button } from '../../components/Button';

/** What a correction that is being looked at would do; brought into view when it comes. */
export function WaitingCorrection({ job, sewout }: { job: Job; sewout: Sewout }) {
  const correction = useSewouts((s) => (s.correction?.sewout === sewout.id ? s.correction : null));
  const earlier = sewout.version.of === agreedTo(job) ? null : sewout.version.number;
  return correction ? <Waiting job={job} earlier={earlier} {...correction} /> : null;
}

/** The likeliest plan-side remedy of each mark that has none yet, in one step. */
export function CorrectionBar({ job, sewout }: { job: Job; sewout: Sewout }) {
  const byMark = useSewouts((s) => s.causes?.byMark ?? null);
  const waits = useSewouts((s) => s.correction?.sewout === sewout.id);
  const busy = useSewouts((s) => s.work.progress !== null);
  if (waits) return null;
  const chosen = sewout.marks.flatMap((mark): Chosen[] => {
    const cause = byMark?.[mark.id]?.find((c) => c.id === mark.cause) ?? byMark?.[mark.id]?.[0];
    const remedy = cause?.remedies.find((r) => r.fix ?? r.extend);
    return cause && remedy ? [{ mark, cause, remedy }] : [];
  });
  if (chosen.length < 2) return null;
  return (
    <Button look="primary" disabled={busy} onClick={() => tryCorrections(job, sewout, chosen)}>
      Try the likeliest correction of all {chosen.length} marks
    </Button>
  );
}

const shown = (mm: number | null): string => (mm === null ? '–' : `${mm <= 0 ? 'closed' : `${lengthText(mm, 2)}`}`);

/** What a correction would do, before it is made. */
function Waiting({
  job,
  earlier,
  taken,
  corrected,
}: { job: Job; /** Number of the version that was sewn, where the bench has another. */ earlier: number | null } & NonNullable<
  ReturnType<typeof useSewouts.getState>['correction']
>) {
  const next = versionNumber({ ...job, pieces: corrected.job.pieces, brief: corrected.job.brief });
  const nothing =
    corrected.changed.length === 0 && JSON.stringify(corrected.job.brief) === JSON.stringify(job.brief) && sameOrder(job, corrected.job);
  const names = corrected.changed.map((id) => corrected.job.pieces.find((p) => p.id === id)?.name ?? id);
  return (
    <section
      aria-label="Correction"
      ref={(element) => void element?.scrollIntoView({ block: 'nearest' })}
      className="rounded-md border border-ink bg-tape-soft p-3"
      data-testid="correction"
    >
      <h2 className="font-semibold">{nothing ? 'This changes nothing' : `Version ${next}, if you take it`}</h2>
      {nothing ? (
        <p className="mt-1">What lies over that edge is too narrow to hide more of it, or the piece is locked. Choose another remedy.</p>
      ) : (
        <>
          <table className="mt-2 w-full">
            <thead>
              <tr className="text-left text-xs text-quiet">
                <th className="font-normal">Mark</th>
                <th className="text-right font-normal">Seen</th>
                <th className="text-right font-normal">Foreseen now</th>
                <th className="text-right font-normal">After</th>
              </tr>
            </thead>
            <tbody>
              {taken.map(({ mark }, i) => {
                const at = corrected.at[i]!;
                const gap = mark.kind === 'gap';
                const figure = (v: number | null): string => (gap ? shown(v) : v === null ? '–' : `${lengthText(v, 2)}`);
                return (
                  <tr key={mark.id}>
                    <td>{MARK_WORDS[mark.kind]}</td>
                    <td className="figures text-right">{mark.mm === undefined ? '–' : `${lengthText(mark.mm, 2)}`}</td>
                    <td className="figures text-right">{figure(at.beforeMm)}</td>
                    <td className="figures text-right font-semibold">{figure(gap ? at.expectedMm : at.afterMm)}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          <p className="mt-2 text-xs">
            {names.length > 0
              ? `Changes ${names
                  .slice(0, 4)
                  .map((n) => `‘${n}’`)
                  .join(', ')}${names.length > 4 ? ` and ${names.length - 4} more` : ''}. `
              : ''}
            Outlines stay where they are drawn.
          </p>
        </>
      )}
      {earlier !== null && (
        <p className="mt-2 text-xs text-warn">
          This was seen on version {earlier}; the bench has version {versionNumber(job)}, which may be corrected for it already.
        </p>
      )}
      <div className="mt-2 flex gap-2">
        {!nothing && (
          <Button
            look="primary"
            onClick={() => {
              takeCorrection();
              toast.success(`Version ${next} is on the bench. Sew it, and log it here.`);
            }}
          >
            Take it
          </Button>
        )}
        <Button onClick={dropCorrection}>{nothing ? 'Close' : 'Leave it'}</Button>
      </div>
    </section>
  );
}

const sameOrder = (a: Pick<Job, 'pieces'>, b: Pick<Job, 'pieces'>): boolean => a.pieces.every((p, i) => p.id === b.pieces[i]?.id);
