/** A stand-in for the browser's database in unit tests: keeps clones, and fails in the ways that databases do. */
export const disk = {
  tables: new Map<string, Map<string, unknown>>(),
  /** Writes fail for lack of room. */
  full: false,
  /** Opening fails. */
  absent: false,
  /** Opening does not answer until this is called. */
  silent: null as Promise<void> | null,
  /** How often values of a table were read. */
  readsOf: new Map<string, number>(),
  reads(name: string, storeName: string): number {
    return this.readsOf.get(`${name}/${storeName}`) ?? 0;
  },
  table(name: string, storeName: string): Map<string, unknown> {
    const key = `${name}/${storeName}`;
    if (!this.tables.has(key)) this.tables.set(key, new Map());
    return this.tables.get(key)!;
  },
  wipe(): void {
    for (const t of this.tables.values()) t.clear();
    this.full = false;
  },
};

const quota = (): Error => new DOMException('no room', 'QuotaExceededError');

const createInstance = ({ name, storeName }: { name: string; storeName: string }) => {
  const table = disk.table(name, storeName);
  return {
    ready: async () => {
      if (disk.absent) throw new Error('No available storage method found.');
      await disk.silent;
    },
    getItem: (key: string) => {
      disk.readsOf.set(`${name}/${storeName}`, disk.reads(name, storeName) + 1);
      return Promise.resolve(table.has(key) ? structuredClone(table.get(key)) : null);
    },
    setItem: async (key: string, value: unknown) => {
      await Promise.resolve();
      if (disk.full) throw quota();
      table.set(key, structuredClone(value));
    },
    removeItem: (key: string) => Promise.resolve(void table.delete(key)),
    keys: () => Promise.resolve([...table.keys()]),
  };
};

export default { createInstance, INDEXEDDB: 'asyncStorage' };
