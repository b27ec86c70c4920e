import { InputError } from '../core/document/errors';
import { parseAsked } from '../core/machine/command';
import { MACHINE_FORMATS, MOST_JOB_BYTES, type MachineFormat } from '../core/machine/jobFile';
import { logOf, statusOf } from '../core/machine/status';
import { parseProfile } from '../core/document/shop/profileSchema';
import { boundedText, strangerIn, TooLong } from './guard';
import type { Machines } from './machines';

const MOST_QUESTION_BYTES = 20_000;
const ID = /^[a-z0-9][a-z0-9-]{0,39}$/;

const json = (status: number, body: unknown): Response =>
  new Response(JSON.stringify(body), {
    status,
    headers: { 'Content-Type': 'application/json; charset=utf-8', 'Cache-Control': 'no-store', 'X-Content-Type-Options': 'nosniff' },
  });
const problem = (status: number, code: string, message: string): Response => json(status, { error: { code, message } });

/**
 * Answers one request to `/api/machine…` (see docs/machine.md).
 * @param path what stands after `/api/machine/`
 */
export async function machineApi(machines: () => Machines, request: Request, path: readonly string[]): Promise<Response> {
  const stranger = strangerIn(request.headers);
  if (stranger) return problem(403, 'stranger', stranger);
  try {
    return (
      (await answered(machines(), request, path)) ?? problem(404, 'nothing-here', 'There is nothing at this address; see docs/machine.md.')
    );
  } catch (error) {
    return failed(error);
  }
}

function failed(error: unknown): Response {
  if (error instanceof TooLong) return problem(413, 'too-large', 'This is more than the machine takes.');
  if (error instanceof TypeError) return problem(400, 'not-text', 'This is no text in UTF-8.');
  if (!(error instanceof InputError)) return problem(500, 'failed', 'The machine could not answer; try again.');
  const status =
    { 'no-machine': 404, 'bad-machine': 409, 'bad-stitches': 422, 'too-large': 413, 'bad-usage': 400 }[error.code as string] ?? 400;
  return problem(status, error.code, error.message);
}

type Answer = Response | Promise<Response> | null;

function answered(machines: Machines, request: Request, path: readonly string[]): Answer {
  const [id, what, ...more] = path;
  const method = request.method === 'HEAD' ? 'GET' : request.method;
  if (id === undefined) return method === 'GET' ? json(200, { machines: machines.list() }) : wrongMethod('GET');
  if (!ID.test(id) || more.length > 0) return null;
  const route = ROUTES[what ?? ''];
  if (!route) return null;
  const answer = route[method];
  return answer ? answer(machines, id, request) : wrongMethod(Object.keys(route).join(', '));
}

function wrongMethod(allowed: string): Response {
  const answer = problem(405, 'wrong-method', `Only ${allowed} here.`);
  answer.headers.set('Allow', allowed);
  return answer;
}

type Route = Partial<Record<string, (machines: Machines, id: string, request: Request) => Answer>>;

const ROUTES: Record<string, Route> = {
  '': {
    GET: (machines, id) => json(200, statusOf(machines.state(id))),
    PUT: async (machines, id, request) => json(200, machines.put(id, parseProfile(await dataOf(request)))),
    DELETE: (machines, id) => {
      machines.remove(id);
      return json(200, { removed: id });
    },
  },
  job: {
    PUT: async (machines, id, request) => {
      machines.state(id);
      const sent = await sentJob(request);
      return json(200, machines.load(id, sent));
    },
    DELETE: (machines, id) => json(200, machines.unload(id)),
  },
  ask: { POST: async (machines, id, request) => json(200, machines.ask(id, parseAsked(await dataOf(request)))) },
  log: { GET: (machines, id) => json(200, logOf(machines.state(id))) },
  events: { GET: (machines, id, request) => events(machines, id, request) },
};

async function dataOf(request: Request): Promise<unknown> {
  if (!/^application\/json\b/i.test(request.headers.get('content-type') ?? ''))
    throw new InputError('bad-usage', 'Send JSON, and say so in Content-Type.');
  const text = await boundedText(request, MOST_QUESTION_BYTES);
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw new InputError('bad-usage', 'This is not JSON.');
  }
}

const TYPES: Record<MachineFormat, RegExp> = { csv: /^text\/csv\b/i, gcode: /^text\/(plain|x-gcode)\b/i };

async function sentJob(request: Request): Promise<{ name: string; format: MachineFormat; text: string }> {
  const type = request.headers.get('content-type') ?? '';
  const format = MACHINE_FORMATS.find((f) => TYPES[f].test(type));
  if (!format)
    throw new InputError('bad-stitches', 'This machine reads stitch lists (text/csv) and motion words (text/plain); send one of these.');
  const name = new URL(request.url).searchParams.get('name') ?? 'Job';
  return { name: name.replace(/[\p{C}]/gu, ' ').slice(0, 200) || 'Job', format, text: await boundedText(request, MOST_JOB_BYTES) };
}

/** Statuses as server-sent events: the present one at once, then one at every change. */
function events(machines: Machines, id: string, request: Request): Response {
  const encoder = new TextEncoder();
  let stop = (): void => undefined;
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (status: unknown): void => controller.enqueue(encoder.encode(`data: ${JSON.stringify(status)}\n\n`));
      const away = machines.listen(id, send);
      // A comment now and then shows that the connection lives.
      const alive = setInterval(() => controller.enqueue(encoder.encode(': here\n\n')), 15_000);
      stop = () => {
        away();
        clearInterval(alive);
      };
      request.signal.addEventListener('abort', () => {
        stop();
        try {
          controller.close();
        } catch {
          // It was closed already.
        }
      });
      send(statusOf(machines.state(id)));
    },
    cancel: () => stop(),
  });
  return new Response(body, {
    headers: {
      'Content-Type': 'text/event-stream; charset=utf-8',
      'Cache-Control': 'no-cache, no-transform',
      'X-Content-Type-Options': 'nosniff',
    },
  });
}
