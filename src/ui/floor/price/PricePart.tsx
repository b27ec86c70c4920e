'use client';
import { useJob } from '@/session/job/jobStore';
import { changeFloor } from '@/session/edit/floorCommands';
import { useState } from 'react';
import { dayOf } from '@/core/document/folder';
import { pricesAtBreaks, quotation } from '@/core/production/quotation';
import { download, fileStem } from '@/platform/files';
import { engine } from '@/workers/client';
import { changeLibrary, useLibrary } from '@/session/shop/libraryStore';
import type { Rates } from '@/core/document/shop/rates';
import { toast } from '@/session/notice';
import { breakAt, priceOf } from '@/core/production/price';
import { Button } from '../../components/Button';
import { Choice } from '../../components/Choice';
import { NumberField } from '../../components/NumberField';
import { TextField } from '../../components/TextField';
import { Tick } from '../../components/Tick';
import { Figure, PartPage } from '../PartPage';
import { madeWords } from '../words';
import { useOrder, usePrice } from './usePrice';
import { PriceSteps } from './PriceSteps';
import { Savings } from './Savings';

/** What the order costs, step by step, and what a change of it would save. */
export function PricePart() {
  const price = usePrice();
  const order = useOrder();
  const rates = useLibrary((s) => s.library.rates);
  const shop = useLibrary((s) => s.library.shop);
  const job = useJob((s) => s.job)!;
  const [printing, setPrinting] = useState(false);
  const copy = (): void => {
    if (!price || !order) return;
    void navigator.clipboard.writeText(quotation({ job, price, order, shop })).then(
      () => toast.success('The quotation lies on the clipboard.'),
      () => toast.error('The browser does not let the text onto the clipboard.'),
    );
  };
  const print = async (): Promise<void> => {
    if (!price || !order) return;
    setPrinting(true);
    try {
      const { name, address, paper } = shop;
      const quoted = { price, order, ladder: pricesAtBreaks(order, rates) };
      const { data } = await engine.call('paper', { job, on: dayOf(new Date()), quoted, shop: { name, address }, paper });
      download(`${fileStem(job.name)}-quotation.pdf`, data);
    } catch (error) {
      toast.error((error as Error).message);
    } finally {
      setPrinting(false);
    }
  };
  return (
    <PartPage
      title="Price"
      says="From the shop’s own rates; every step can be checked by hand."
      tools={
        <div className="flex gap-2">
          <Button disabled={!price} onClick={copy}>
            Copy the quotation
          </Button>
          <Button look="primary" disabled={!price || printing} onClick={() => void print()}>
            {printing ? 'Drawing …' : 'Quotation as PDF'}
          </Button>
        </div>
      }
    >
      <div className="grid items-start gap-6 xl:grid-cols-[1fr_320px]">
        <div className="grid gap-6">
          {price && order ? (
            <>
              <dl className="grid grid-cols-1 gap-4 sm:grid-cols-3">
                <Figure
                  name="The order"
                  figure={`${price.currency} ${price.total.toFixed(2)}`}
                  says={madeWords(order.quantity, job.brief)}
                />
                <Figure name="Each" figure={`${price.currency} ${price.each.toFixed(2)}`} says={nextBreak(rates, order.quantity)} />
                <Figure
                  name="Machine"
                  figure={`${order.machineHours.toFixed(1)} h`}
                  says={`${Math.round(order.stitches).toLocaleString('en')} stitches on each`}
                />
              </dl>
              <PriceSteps price={price} />
              <Quantities />
              <Savings />
            </>
          ) : (
            <p role="status" className="text-quiet">
              Counting the stitches …
            </p>
          )}
        </div>
        <div className="grid gap-4">
          <ThisOrder />
          <RatesForm rates={rates} />
        </div>
      </div>
    </PartPage>
  );
}

function nextBreak(rates: Rates, quantity: number): string | undefined {
  const next = rates.breaks.filter((b) => b.from > quantity).sort((a, b) => a.from - b.from)[0];
  return next ? `from ${next.from} on ${next.percent} % less for sewing` : undefined;
}

/** What each would cost in other quantities. */
function Quantities() {
  const order = useOrder()!;
  const rates = useLibrary((s) => s.library.rates);
  const steps = [...new Set([1, 12, 24, 50, 100, 250, order.quantity, ...rates.breaks.map((b) => b.from)])].sort((a, b) => a - b);
  return (
    <section aria-label="In other quantities">
      <h2 className="mb-2 font-semibold">In other quantities</h2>
      <ul className="flex flex-wrap gap-2">
        {steps.map((quantity) => {
          const price = priceOf({ ...order, quantity, machineHours: (order.machineHours / order.quantity) * quantity }, rates);
          const here = quantity === order.quantity;
          return (
            <li
              key={quantity}
              className={`min-w-[92px] rounded-md border px-3 py-2 ${here ? 'border-ink bg-tape' : 'border-hairline bg-panel'}`}
            >
              <span className={here ? '' : 'text-quiet'}>{quantity}</span>
              <span className="figures block text-lg">{price.each.toFixed(2)}</span>
              <span className={`block text-xs ${here ? '' : 'text-quiet'}`}>
                {breakAt(rates, quantity) > 0 ? `${breakAt(rates, quantity)} % less` : 'each'}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function ThisOrder() {
  const floor = useJob((s) => s.job!.floor);
  return (
    <section aria-label="This order" className="grid gap-2 rounded-md border border-hairline bg-panel p-4">
      <h2 className="font-semibold">This order</h2>
      <Tick name="Wanted soon" on={floor?.rush ?? false} onChange={(on) => changeFloor('Wanted soon', { rush: on || undefined })} />
      <Tick
        name="On our own garments"
        on={floor?.withGarments ?? false}
        onChange={(on) => changeFloor('On our own garments', { withGarments: on || undefined })}
      />
      <Tick
        name="Digitized before"
        on={floor?.repeat ?? false}
        onChange={(on) => changeFloor('Digitized before', { repeat: on || undefined })}
      />
    </section>
  );
}

function RatesForm({ rates }: { rates: Rates }) {
  const set = (patch: Partial<Rates>): void => void changeLibrary({ rates: { ...rates, ...patch } });
  const money = { unit: '', min: 0, max: 1e6, step: 0.5, decimals: 2 } as const;
  const percent = { unit: '%', min: 0, step: 1, decimals: 0 } as const;
  return (
    <section aria-label="Rates" className="rounded-md border border-hairline bg-panel p-4">
      <h2 className="font-semibold">Rates</h2>
      <p className="mb-3 text-xs text-quiet">Kept in the Library, for all jobs. Those that come with Cobble are made up: set your own.</p>
      <div className="grid grid-cols-2 gap-3">
        <Choice
          label="Sewing by"
          value={rates.by}
          options={[
            { value: 'thousand', name: '1,000 stitches' },
            { value: 'hour', name: 'machine hour' },
          ]}
          onChange={(by) => set({ by })}
        />
        {rates.by === 'thousand' ? (
          <NumberField
            label="Per 1,000"
            value={rates.perThousand}
            {...money}
            step={0.05}
            onCommit={(perThousand) => set({ perThousand })}
          />
        ) : (
          <NumberField label="Per hour" value={rates.perHour} {...money} onCommit={(perHour) => set({ perHour })} />
        )}
        <NumberField label="Setting up" value={rates.setUp} {...money} onCommit={(setUp) => set({ setUp })} />
        <NumberField label="Digitizing" value={rates.digitizing} {...money} onCommit={(digitizing) => set({ digitizing })} />
        <NumberField label="A garment" value={rates.garment} {...money} onCommit={(garment) => set({ garment })} />
        <TextField
          label="Currency"
          value={rates.currency}
          maxLength={6}
          onCommit={(currency) => set({ currency: currency.trim() || '€' })}
        />
        <NumberField label="Margin" value={rates.margin} {...percent} max={95} onCommit={(margin) => set({ margin })} />
        <NumberField label="Wanted soon" value={rates.rush} {...percent} max={500} onCommit={(rush) => set({ rush })} />
      </div>
      <Breaks rates={rates} set={set} />
    </section>
  );
}

function Breaks({ rates, set }: { rates: Rates; set(patch: Partial<Rates>): void }) {
  const change = (i: number, patch: Partial<Rates['breaks'][number]>): void =>
    set({ breaks: rates.breaks.map((b, k) => (k === i ? { ...b, ...patch } : b)).sort((a, b) => a.from - b.from) });
  return (
    <fieldset className="mt-3">
      <legend className="mb-1 text-quiet">Less from a quantity on</legend>
      {rates.breaks.map((b, i) => (
        <div key={`${b.from} ${i}`} className="mb-2 grid grid-cols-[1fr_1fr_auto] items-end gap-2">
          <NumberField
            label={`From, break ${i + 1}`}
            hideLabel
            value={b.from}
            unit=""
            min={1}
            max={1e6}
            step={1}
            decimals={0}
            onCommit={(from) => change(i, { from: Math.round(from) })}
          />
          <NumberField
            label={`Less, break ${i + 1}`}
            hideLabel
            value={b.percent}
            unit="%"
            min={0}
            max={95}
            step={1}
            decimals={0}
            onCommit={(p) => change(i, { percent: p })}
          />
          <Button look="quiet" aria-label={`Remove break ${i + 1}`} onClick={() => set({ breaks: rates.breaks.filter((_, k) => k !== i) })}>
            ×
          </Button>
        </div>
      ))}
      <Button
        dense
        disabled={rates.breaks.length >= 20}
        onClick={() =>
          set({
            breaks: [...rates.breaks, { from: 2 * (rates.breaks.at(-1)?.from ?? 12), percent: (rates.breaks.at(-1)?.percent ?? 0) + 5 }],
          })
        }
      >
        Add a break
      </Button>
    </fieldset>
  );
}
