import { join } from 'node:path';
import { machineApi } from '@/server/machineApi';
import { Machines } from '@/server/machines';

export const dynamic = 'force-dynamic';
export const runtime = 'nodejs';

/** The machines of this process: each of Next's bundles would make its own. */
const shared = globalThis as { cobbleMachines?: Machines };
const machines = (): Machines =>
  (shared.cobbleMachines ??= new Machines(process.env['COBBLE_MACHINES'] ?? join(process.cwd(), '.machines')));

type Context = { params: Promise<{ path?: string[] }> };
const answer = async (request: Request, { params }: Context): Promise<Response> => machineApi(machines, request, (await params).path ?? []);

export { answer as GET, answer as POST, answer as PUT, answer as DELETE };
