import localforage from 'localforage';
import { asStorageError } from './storageError';
import { setHealth, SILENT_AFTER_MS, watched } from './health';

/** Values by key in the browser's database; in this page's memory while there is no database that answers. */
export interface Table<T> {
  get(key: string): Promise<T | null>;
  /** @throws StorageError; what was stored before stays as it was */
  set(key: string, value: T): Promise<void>;
  remove(key: string): Promise<void>;
  keys(): Promise<string[]>;
}

const SILENT = Symbol('silent');

class BrowserTable<T> implements Table<T> {
  private readonly memory = new Map<string, T>();
  private readonly database: LocalForage;
  private mode: Promise<'database' | 'memory'> | null = null;

  constructor(name: string, storeName: string) {
    this.database = localforage.createInstance({ name, storeName, driver: localforage.INDEXEDDB });
  }

  private where(): Promise<'database' | 'memory'> {
    return (this.mode ??= this.open());
  }

  private async open(): Promise<'database' | 'memory'> {
    const ready = this.database.ready().then(
      () => true,
      () => false,
    );
    let timer: ReturnType<typeof setTimeout> | undefined;
    const silent = new Promise<typeof SILENT>((done) => (timer = setTimeout(() => done(SILENT), SILENT_AFTER_MS)));
    const answer = await Promise.race([ready, silent]);
    clearTimeout(timer);
    if (answer === true) return 'database';
    setHealth(answer === SILENT ? 'silent' : 'absent');
    if (answer === SILENT) void ready.then((opened) => this.answered(opened));
    return 'memory';
  }

  /** A database that answers late takes over what was kept in memory meanwhile; what it holds itself comes first. */
  private async answered(opened: boolean): Promise<void> {
    if (!opened) return setHealth('absent');
    for (const [key, value] of this.memory) {
      if ((await this.database.getItem(key)) === null) await this.database.setItem(key, value);
    }
    this.memory.clear();
    this.mode = Promise.resolve('database');
    setHealth('fine');
  }

  async get(key: string): Promise<T | null> {
    if ((await this.where()) === 'memory') return this.memory.get(key) ?? null;
    return this.tried(this.database.getItem<T>(key));
  }

  async set(key: string, value: T): Promise<void> {
    if ((await this.where()) === 'memory') return void this.memory.set(key, value);
    await this.tried(this.database.setItem(key, value));
  }

  async remove(key: string): Promise<void> {
    if ((await this.where()) === 'memory') return void this.memory.delete(key);
    await this.tried(this.database.removeItem(key));
  }

  async keys(): Promise<string[]> {
    if ((await this.where()) === 'memory') return [...this.memory.keys()];
    return this.tried(this.database.keys());
  }

  private async tried<R>(work: Promise<R>): Promise<R> {
    try {
      return await watched(work);
    } catch (error) {
      throw asStorageError(error);
    }
  }
}

/**
 * A table of its own. Tables that came later have databases of their own, so that opening one never waits for another tab to
 * let go of an older shape of the same database.
 */
export const tableOf = <T>(name: string, storeName: string): Table<T> => new BrowserTable<T>(name, storeName);
