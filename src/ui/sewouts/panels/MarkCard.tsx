import { ChevronDown, ChevronRight, Trash2 } from 'lucide-react';
import type { SeenMark, Sewout } from '@/core/document/sewoutTypes';
import type { Job } from '@/core/document/types';
import type { RankedCause } from '@/core/sewouts/causes/rank';
import { MARK_WORDS } from '@/core/sewouts/words';
import { changeMark, removeMark } from '@/session/edit/sewoutCommands';
import { tryCorrections, useSewouts } from '@/session/sewouts/sewoutStore';
import { Button, SignButton } from '../../components/Button';
import { Sign } from '../../components/Sign';

interface Props {
  job: Job;
  sewout: Sewout;
  mark: SeenMark;
  open: boolean;
  onOpen(): void;
}

const percent = (p: number): string => `${Math.round(100 * p)} %`;
/** Less likely causes are told on demand only. */
const SHOWN = 3;
const LIKELY = 0.01;

/** One mark: what was seen, its likeliest cause in one line, and the others with their reasons when it is opened. */
export function MarkCard({ job, sewout, mark, open, onOpen }: Props) {
  const causes = useSewouts((s) => s.causes?.byMark[mark.id] ?? null);
  const likely = (causes ?? []).filter((c, i) => i === 0 || (i < SHOWN && c.probability >= LIKELY));
  const first = causes?.find((c) => c.id === mark.cause) ?? causes?.[0];
  const names = [mark.piece, mark.against].flatMap((id) => sewout.version.pieces.find((p) => p.id === id)?.name ?? []);
  const figure = mark.mm === undefined ? MARK_WORDS[mark.kind] : `${mark.mm.toFixed(mark.kind === 'size' ? 1 : 2)} mm`;
  return (
    <li className={`rounded-md border bg-white ${open ? 'border-ink' : 'border-hairline'}`} data-mark-card={mark.kind}>
      <div className="flex items-start">
        <button type="button" aria-expanded={open} onClick={onOpen} className="flex min-w-0 flex-1 items-start gap-2 p-3 text-left">
          {open ? (
            <ChevronDown size={16} aria-hidden="true" className="mt-1 shrink-0" />
          ) : (
            <ChevronRight size={16} aria-hidden="true" className="mt-1 shrink-0" />
          )}
          <span className="min-w-0 flex-1">
            <span className={`block leading-6 ${mark.mm === undefined ? 'text-lg font-semibold' : 'figures text-xl'}`}>{figure}</span>
            <span className="block truncate text-quiet">
              {[mark.mm === undefined ? '' : MARK_WORDS[mark.kind], ...names].filter(Boolean).join(' · ')}
            </span>
            {first && (
              <span className="mt-1 block">
                {mark.cause ? <Sign of="good" className="text-good" /> : <span className="figures">{percent(first.probability)}</span>}{' '}
                {first.name}
              </span>
            )}
            {!causes && <span className="mt-1 block text-quiet">Looking for its cause …</span>}
          </span>
        </button>
        <SignButton name={`Remove the mark: ${MARK_WORDS[mark.kind]}`} className="m-1" onClick={() => removeMark(sewout.id, mark.id)}>
          <Trash2 size={14} />
        </SignButton>
      </div>
      {open && causes && (
        <ol className="border-t border-hairline" aria-label="Causes">
          {likely.map((c) => (
            <Cause key={c.id} {...{ job, sewout, mark, cause: c }} />
          ))}
          {causes.length > likely.length && (
            <li className="border-t border-hairline px-3 py-2 text-xs text-quiet">
              Hardly:{' '}
              {causes
                .slice(likely.length)
                .map((c) => c.name.toLowerCase())
                .join(', ')}
            </li>
          )}
        </ol>
      )}
    </li>
  );
}

function Cause({ job, sewout, mark, cause }: Omit<Props, 'open' | 'onOpen'> & { cause: RankedCause }) {
  const busy = useSewouts((s) => s.work.progress !== null);
  const confirmed = mark.cause === cause.id;
  return (
    <li className="border-b border-hairline px-3 py-2.5 last:border-b-0" data-cause={cause.id}>
      <div className="flex items-center gap-2">
        <span className="h-2 w-14 shrink-0 border border-ink bg-white" aria-hidden="true">
          <span className="block h-full bg-ink" style={{ width: `${100 * cause.probability}%` }} />
        </span>
        <span className="figures w-10 text-right">{percent(cause.probability)}</span>
        <span className="min-w-0 flex-1 font-semibold">{cause.name}</span>
        <Button
          dense
          look="quiet"
          aria-pressed={confirmed}
          onClick={() => changeMark(sewout.id, mark.id, 'Confirm a cause', (m) => (confirmed ? delete m.cause : (m.cause = cause.id)))}
        >
          {confirmed ? 'Confirmed' : 'That is it'}
        </Button>
      </div>
      <ul className="mt-1.5 grid gap-1">
        {cause.pro.map((words) => (
          <Reason key={words} sign="+" words={words} />
        ))}
        {cause.con.map((words) => (
          <Reason key={words} sign="−" words={words} />
        ))}
        {cause.open.map((words) => (
          <Reason key={words} sign="?" words={words} />
        ))}
      </ul>
      {cause.remedies.map((r) => (
        <div key={r.label} className="mt-2 flex items-start gap-2">
          <span className="min-w-0 flex-1">
            {r.label}
            {r.byHand && <span className="block text-xs text-quiet">{r.byHand}</span>}
          </span>
          {(r.fix ?? r.extend) && (
            <Button dense disabled={busy} onClick={() => tryCorrections(job, sewout, [{ mark, cause, remedy: r }])}>
              Try it
            </Button>
          )}
        </div>
      ))}
    </li>
  );
}

const SIGN_WORDS = { '+': 'for it', '−': 'against it', '?': 'not known' } as const;

function Reason({ sign, words }: { sign: keyof typeof SIGN_WORDS; words: string }) {
  return (
    <li className="flex gap-2 text-xs">
      <span className="figures w-3 shrink-0 text-center font-semibold" role="img" aria-label={SIGN_WORDS[sign]}>
        {sign}
      </span>
      <span className={sign === '+' ? '' : 'text-quiet'}>{words}</span>
    </li>
  );
}
