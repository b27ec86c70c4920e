import type { TracingChoices } from '../document/types';

export interface TraceOptions extends TracingChoices {
  /** Finished width of what the picture shows without its background, mm; of the whole picture where the background is kept. */
  widthMm: number;
  /** The width is that of the whole picture in any case. */
  wholePage?: boolean;
}

/** What was asked for at places of the page, and the page's background: pixels by their number, and a distance in OKLab. */
export interface AskedOfPage extends Omit<TraceOptions, 'dropped' | 'kept' | 'prepared'> {
  dropped: readonly number[];
  kept: readonly number[];
}
