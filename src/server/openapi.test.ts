import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CONDITIONS, FAULTS } from '../core/machine/state';
import { machineApi } from './machineApi';
import { Machines } from './machines';

interface Api {
  paths: Record<string, Record<string, unknown>>;
  components: { schemas: { Status: { required: string[]; properties: Record<string, { enum?: unknown[] }> } } };
}
const api = JSON.parse(readFileSync('docs/openapi.json', 'utf8')) as Api;
const folder = mkdtempSync(join(tmpdir(), 'cobble-machines-'));
const machines = new Machines(folder);
afterAll(() => {
  machines.close();
  rmSync(folder, { recursive: true, force: true });
});
const METHODS = ['get', 'put', 'post', 'delete', 'patch'];

test('every request that the document names is answered, and no method that it does not', async () => {
  for (const [path, named] of Object.entries(api.paths)) {
    for (const method of METHODS) {
      const request = new Request(`http://127.0.0.1${path.replace('{id}', 'window')}`, {
        method: method.toUpperCase(),
        headers: { host: 'localhost' },
      });
      const answer = await machineApi(() => machines, request, path.replace('{id}', 'window').split('/').slice(3));
      expect([path, method, answer.status !== 405]).toEqual([path, method, method in named]);
      await answer.body?.cancel();
      if (method === 'delete') machines.put('window', machines.state('corner').profile);
    }
  }
});

test('a status has the fields that the document says, and its conditions', () => {
  const { required, properties } = api.components.schemas.Status;
  const [status] = machines.list();
  expect(Object.keys(status!).sort()).toEqual(required.slice().sort());
  expect(properties['condition']!.enum).toEqual([...CONDITIONS]);
  expect(properties['fault']!.enum).toEqual([null, ...FAULTS]);
});
