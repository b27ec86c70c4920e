/** Names of this computer that a page or a client here may call it by. */
const HERE = /^(localhost|127\.0\.0\.1|\[::1\])(:\d{1,5})?$/i;

/**
 * Whether a request comes from this computer and from our own pages, or from a client that is no browser. A page of another origin names
 * itself in `Origin` or `Sec-Fetch-Site`; a name that was bent to this address stands in `Host`.
 * @returns why it is refused, or null
 */
export function strangerIn(headers: Headers): string | null {
  const host = headers.get('host') ?? '';
  if (!HERE.test(host)) return 'The machines are served to this computer only.';
  const site = headers.get('sec-fetch-site');
  if (site !== null && site !== 'same-origin' && site !== 'none') return 'Pages of other origins may not use the machines.';
  const origin = headers.get('origin');
  if (origin !== null && origin !== `http://${host}` && origin !== `https://${host}`)
    return 'Pages of other origins may not use the machines.';
  return null;
}

/** A body that was longer than it may be. */
export class TooLong extends Error {}

/** Reads a body as text, and no more of it than it may be. @throws TooLong */
export async function boundedText(request: Request, most: number): Promise<string> {
  if (Number(request.headers.get('content-length') ?? 0) > most) throw new TooLong();
  if (!request.body) return '';
  const reader = request.body.getReader();
  const parts: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = (await reader.read()) as { done: boolean; value?: Uint8Array };
    if (done || !value) break;
    size += value.byteLength;
    if (size > most) {
      await reader.cancel().catch(() => undefined);
      throw new TooLong();
    }
    parts.push(value);
  }
  return new TextDecoder('utf-8', { fatal: true }).decode(Buffer.concat(parts));
}
