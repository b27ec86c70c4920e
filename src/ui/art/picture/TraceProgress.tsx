import { Button } from '../../components/Button';
import type { TracingAtWork } from './useTracing';

/** How far a tracing is, and why there is none. */
export function TraceProgress({ tracing: { progress, problem, cancel } }: { tracing: TracingAtWork }) {
  return (
    <>
      {progress !== null && (
        <p role="status" className="mt-2 flex items-center gap-3 whitespace-nowrap">
          Tracing … <span className="figures">{Math.round(progress * 100)} %</span>
          <Button dense onClick={cancel}>
            Cancel
          </Button>
        </p>
      )}
      {problem && (
        <p role="alert" className="mt-2 text-danger">
          {problem}
        </p>
      )}
    </>
  );
}
