'use client';
import { PackageOpen } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { EXPORTS } from '@/core/formats/registry';
import { useJob } from '@/session/job/jobStore';
import { useTakeAway } from '@/session/derived/takeAwayStore';
import { Button } from './Button';
import { Sign } from './Sign';
import { takeAway } from './takeAwayFile';
import { TakeAwayQuestion } from './TakeAwayQuestion';
import { MenuPortal } from './MenuPortal';

/** All files that a job can leave as. */
export function TakeAway() {
  const empty = useJob((s) => (s.job?.pieces.length ?? 0) === 0);
  const checking = useTakeAway((s) => s.checking);
  return (
    <>
      <TakeAwayQuestion />
      {checking && <Checking onStop={() => checking.abort()} />}
      <DropdownMenu.Root modal={false}>
        <DropdownMenu.Trigger className="inline-flex h-8 shrink-0 items-center gap-1.5 rounded-md border border-ink bg-tape px-3 font-semibold hover:bg-[#ffd34d]">
          <PackageOpen size={16} aria-hidden="true" /> <span className="max-sm:sr-only">Take away</span>
        </DropdownMenu.Trigger>
        <MenuPortal>
          <DropdownMenu.Content
            align="end"
            sideOffset={6}
            className="z-50 w-[420px] max-w-[95vw] rounded-md border border-edge bg-panel p-1 shadow-md"
          >
            {EXPORTS.map((f) => (
              <DropdownMenu.Item
                key={f.extension}
                disabled={empty && f.extension !== 'cobble'}
                onSelect={() => void takeAway(f.extension)}
                className="flex cursor-pointer items-baseline gap-2 rounded px-2 py-1.5 outline-none data-[disabled]:cursor-default data-[disabled]:opacity-45 data-[highlighted]:bg-tape-soft"
              >
                <span className="font-semibold whitespace-nowrap">{f.name}</span>
                <span className="text-xs text-quiet">{f.use}</span>
                <span className="figures ml-auto text-xs text-quiet">.{f.extension}</span>
              </DropdownMenu.Item>
            ))}
            {empty && (
              <DropdownMenu.Label className="px-2 py-1.5 text-xs text-quiet">
                Stitches can be taken away once the job has pieces.
              </DropdownMenu.Label>
            )}
          </DropdownMenu.Content>
        </MenuPortal>
      </DropdownMenu.Root>
    </>
  );
}

/** The proof is looked at before a file leaves; that can take seconds and be given up. */
function Checking({ onStop }: { onStop(): void }) {
  return (
    <span role="status" className="flex items-center gap-1 text-xs whitespace-nowrap text-quiet">
      <Sign of="busy" /> Checking …
      <Button dense look="quiet" onClick={onStop}>
        Stop
      </Button>
    </span>
  );
}
