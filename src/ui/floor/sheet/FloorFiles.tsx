'use client';
import { said } from '@/session/view/unitsStore';
import { useState } from 'react';
import { EXPORTS } from '@/core/formats/registry';
import { DEFAULT_PROFILE } from '@/core/document/shop/profile';
import { useMachines } from '@/session/floor/machineStore';
import { Choice } from '../../components/Choice';
import { Button } from '../../components/Button';
import { MotionPreview } from './MotionPreview';
import { usePaper } from './usePaper';
import { takeAway } from '../../components/takeAwayFile';

/** What each kind of file holds and what it cannot, said before it is written. */
const HOLDS: Record<string, { holds: string; not: string }> = {
  cobble: { holds: 'everything, to go on with', not: 'stitches as a machine reads them' },
  csv: { holds: 'each stitch, cut and stop, with its piece and thread', not: 'colours of threads' },
  svg: { holds: 'pieces and stitches to look at', not: 'cuts and stops' },
  gcode: { holds: 'places, cuts and stops in the machine’s words', not: 'what each stitch is for' },
  png: { holds: 'how it will look', not: 'any stitch' },
  pdf: { holds: 'what the operator reads', not: 'any stitch' },
};
const BY_MACHINE = ['csv', 'gcode'];

/** All files of what lies in the hoop, as the chosen machine can sew it. */
export function FloorFiles() {
  const machines = useMachines((s) => s.list);
  const paper = usePaper();
  const [key, setKey] = useState('none');
  const [looking, setLooking] = useState(false);
  const machine = key === 'any' ? DEFAULT_PROFILE : machines.find((m) => m.id === key)?.profile;
  return (
    <section aria-label="Files">
      <div className="mb-2 flex items-end gap-4">
        <h2 className="flex-1 font-semibold">Files of what lies in the hoop</h2>
        <Choice
          label="Fitted to"
          className="w-[260px]"
          value={key}
          options={[
            { value: 'none', name: 'no machine: as it was planned' },
            {
              value: 'any',
              name: said(`any machine: steps of ${DEFAULT_PROFILE.step} mm, stitches to ${DEFAULT_PROFILE.longestStitch} mm`),
            },
            ...machines.map((m) => ({ value: m.id, name: m.name })),
          ]}
          onChange={setKey}
        />
      </div>
      <ul>
        {EXPORTS.map((f) => (
          <li key={f.extension} className="border-b border-hairline py-1.5">
            <div className="flex items-center gap-3">
              <span className="w-[130px] shrink-0 font-semibold">{f.name}</span>
              <span className="min-w-0 flex-1">
                Holds {HOLDS[f.extension]?.holds ?? f.use}. <span className="text-quiet">Not in it: {HOLDS[f.extension]?.not}.</span>
              </span>
              {f.extension === 'gcode' && (
                <Button dense look="quiet" aria-expanded={looking} onClick={() => setLooking(!looking)}>
                  {looking ? 'Close' : 'Look at it'}
                </Button>
              )}
              <Button
                dense
                aria-label={`Take away .${f.extension}`}
                onClick={() =>
                  void takeAway(f.extension, { sheet: true, ...paper, ...(machine && BY_MACHINE.includes(f.extension) ? { machine } : {}) })
                }
              >
                .{f.extension}
              </Button>
            </div>
            {f.extension === 'gcode' && looking && <MotionPreview machine={machine} />}
          </li>
        ))}
      </ul>
    </section>
  );
}
