/**
 * A copy of the program kept in the browser, so that it works with the server gone. Every edition (build) has a cache of its own,
 * whole or not at all. One edition is served; a newer one is laid beside it and taken when the maker says so, so that nothing
 * changes in the middle of work. The one before stays for windows that still run it.
 */

/** A build of the program and every file of it, as paths on its server. */
export interface Edition {
  readonly build: string;
  readonly files: readonly string[];
}

/** Which builds are here: the one served, the newest that is whole, and the one served before. */
export interface Stand {
  readonly serves: string | null;
  readonly newest: string | null;
  readonly before: string | null;
}

/** A newer edition lies ready; or it was taken in another window, and this one still runs the old. */
export type Newer = 'ready' | 'taken' | null;

/** @param mine build a window runs; loaded past the copy it may be the newest before that is served */
export const newerFor = (mine: string | null, { serves, newest }: Stand): Newer =>
  newest === null || newest === mine ? null : serves === mine ? 'ready' : 'taken';

/** One page stands for every screen; which one it shows it reads from the address. */
const SHELL = '/';
const PREFIX = 'fond-badger ';
const RECORD = 'fond-badger';
const NOTHING: Stand = { serves: null, newest: null, before: null };
/** How many files are asked for at once. */
const AT_ONCE = 6;

type Get = (path: string, init?: RequestInit) => Promise<Response>;

export class OfflineCopy {
  readonly #caches: CacheStorage;
  readonly #get: Get;
  #looking: Promise<Stand> | null = null;

  constructor(caches: CacheStorage, get: Get) {
    this.#caches = caches;
    this.#get = get;
  }

  /** A file of an edition. The browser may have let its cache go; asking does not make an empty one. */
  #of(build: string, path: string): Promise<Response | undefined> {
    return this.#caches.match(path, { cacheName: PREFIX + build, ignoreVary: true });
  }

  async stand(): Promise<Stand> {
    const record = await this.#caches.match('/stand', { cacheName: RECORD });
    return record ? ((await record.json()) as Stand) : NOTHING;
  }

  async #record(stand: Stand): Promise<Stand> {
    await (await this.#caches.open(RECORD)).put('/stand', Response.json(stand));
    const stay = new Set([stand.serves, stand.newest, stand.before].map((b) => PREFIX + b));
    for (const name of await this.#caches.keys()) {
      if (name.startsWith(PREFIX) && !stay.has(name)) await this.#caches.delete(name);
    }
    return stand;
  }

  /**
   * Lays the server's edition beside what is here, whole, unless it is here already.
   * @throws when the server does not answer or a file is missing; what was here stays as it was
   */
  look(): Promise<Stand> {
    return (this.#looking ??= this.#look().finally(() => (this.#looking = null)));
  }

  async #look(): Promise<Stand> {
    const answer = await this.#get('/api/offline', { cache: 'no-store' });
    if (!answer.ok) throw new Error(`The list of files could not be had: ${answer.status}`);
    const { build, files } = (await answer.json()) as Edition;
    const stand = await this.stand();
    const here = (stand.newest === build || stand.serves === build) && (await this.#of(build, SHELL));
    if (here) {
      return stand.newest === build ? stand : this.#record({ ...stand, newest: build });
    }
    const name = PREFIX + build;
    try {
      const cache = await this.#caches.open(name);
      const shell = await this.#get(SHELL, { cache: 'no-store' });
      // A server begun anew between the two would give a page that its files do not fit.
      if (!shell.ok || !(await shell.clone().text()).includes(build)) throw new Error('The page is of another build.');
      await cache.put(SHELL, shell);
      const left = [...files];
      const lane = async (): Promise<void> => {
        for (let file = left.pop(); file !== undefined; file = left.pop()) {
          const got = (await this.#kept(file, stand)) ?? (await this.#get(file));
          if (!got.ok) throw new Error(`${file} could not be had: ${got.status}`);
          await cache.put(file, got);
        }
      };
      await Promise.all(Array.from({ length: AT_ONCE }, lane));
    } catch (e) {
      await this.#caches.delete(name);
      throw e;
    }
    // What was taken meanwhile counts.
    const now = await this.stand();
    return this.#record({ ...now, serves: now.serves ?? build, newest: build });
  }

  /** A file whose name says its content, from an edition that is here already. */
  async #kept(file: string, { serves }: Stand): Promise<Response | undefined> {
    if (serves === null || !/^\/_next\/static\/(chunks|media)\//.test(file)) return undefined;
    return this.#of(serves, file);
  }

  /** Serves the newest edition from now on. */
  async take(): Promise<Stand> {
    const stand = await this.stand();
    if (stand.newest === null || stand.newest === stand.serves) return stand;
    return this.#record({ serves: stand.newest, newest: stand.newest, before: stand.serves });
  }

  /** @returns the page for any screen, or nothing while no edition is here */
  async page(): Promise<Response | undefined> {
    const { serves } = await this.stand();
    return serves === null ? undefined : this.#of(serves, SHELL);
  }

  /** @returns a file of any edition that is here, the one served first */
  async file(path: string): Promise<Response | undefined> {
    const { serves, newest, before } = await this.stand();
    for (const build of new Set([serves, newest, before])) {
      if (build === null) continue;
      const found = await this.#of(build, path);
      // Without the address it was laid down by: a worker reads its own from the answer, and what follows the # in it.
      if (found) return new Response(found.body, found);
    }
    return undefined;
  }
}
