import { agreedTo } from '@/core/document/folder';
import type { Sewout } from '@/core/document/sewoutTypes';
import type { Job } from '@/core/document/types';
import { signOff, takeSignOffBack } from '@/session/edit/sewoutCommands';
import { Button } from '../../components/Button';
import { Sign } from '../../components/Sign';

/** Approved for production: what was sewn in this test, to the last stitch. */
export function SignOff({ job, sewout }: { job: Job; sewout: Sewout }) {
  const same = sewout.version.of === agreedTo(job);
  if (sewout.signed)
    return (
      <section aria-label="Sign-off" className="rounded-md border border-good p-3" data-testid="signed">
        <p className="font-semibold text-good">
          <Sign of="good" /> Approved for production on {sewout.signed.on}
          {sewout.signed.by ? ` by ${sewout.signed.by}` : ''}
        </p>
        {!same && <p className="mt-1 text-danger">What is on the bench was changed since: sew it again before production.</p>}
        <Button dense look="quiet" className="mt-1" onClick={() => takeSignOffBack(sewout.id)}>
          Take it back
        </Button>
      </section>
    );
  return (
    <section aria-label="Sign-off" className="flex items-center gap-3">
      <Button disabled={!same} onClick={() => signOff(sewout.id, sewout.by)}>
        Sign off for production
      </Button>
      {!same && <span className="text-xs text-quiet">The bench has another version: sew and log that one.</span>}
    </section>
  );
}
