/**
 * Finished plans kept in the browser, so that a piece shows its figures at once when it is opened again, what was
 * remembered of planning it, so that its first change is answered as fast as the next, and the picture it is known by. A plan is taken only for exactly what
 * it was worked out from, both only by exactly the program that made them; anything else is worked out anew. They live in a
 * database of their own: losing it loses nothing but time.
 */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Plan, PlanOptions } from '@/core/plan';
import type { Lasting } from '@/core/memo';

interface KeptPlan {
  readonly id: string;
  /** Of the program that made it. */
  readonly mark: string;
  /** What it was made from, see `inputsOf`. */
  readonly inputs: string;
  readonly plan: Plan;
  /** ms since 1970; the oldest are let go first. */
  readonly at: number;
}

interface KeptMemory {
  readonly id: string;
  readonly mark: string;
  readonly memory: Lasting;
}

/** How a piece looked when it was planned last. */
interface Likeness {
  readonly id: string;
  readonly picture: Blob;
}

export const KEPT_DATABASE = {
  name: 'fond-badger-plans',
  version: 2,
  stores: [
    { name: 'plans', since: 1, keyPath: 'id' },
    { name: 'memories', since: 1, keyPath: 'id' },
    { name: 'likenesses', since: 2, keyPath: 'id' },
  ],
} as const;
/** As many pieces as are likely to be on the table at once; one takes about 15 MB. */
const MOST = 8;
/** Set when the app is built; empty while its sources are being written, and then nothing is kept. */
const MARK = process.env.PLAN_MARK ?? '';

interface Database extends DBSchema {
  plans: { key: string; value: KeptPlan };
  memories: { key: string; value: KeptMemory };
  likenesses: { key: string; value: Likeness };
}

let database: Promise<IDBPDatabase<Database>> | null = null;

const db = () =>
  (database ??= openDB<Database>(KEPT_DATABASE.name, KEPT_DATABASE.version, {
    upgrade(d, from) {
      for (const { name, since, keyPath } of KEPT_DATABASE.stores)
        if (from < since) d.createObjectStore(name, { keyPath });
    },
    blocking(_now, _wanted, event) {
      (event.target as IDBDatabase).close();
      database = null;
    },
    terminated() {
      database = null;
    },
  }));

/** Does something with the store; where it is full, blocked or broken only time is lost. */
async function tried<T>(work: (d: IDBPDatabase<Database>) => Promise<T>): Promise<T | null> {
  if (MARK === '') return null;
  try {
    return await work(await db());
  } catch {
    return null;
  }
}

/** All that decides a plan, to the letter. */
export const inputsOf = (piece: Piece, cupboard: Cupboard, hand: Hand, options: PlanOptions): string =>
  JSON.stringify([piece, cupboard, hand, options]);

/** The kept plan of exactly these inputs; null where there is none. */
export const keptPlan = (piece: Piece, cupboard: Cupboard, hand: Hand, options: PlanOptions): Promise<Plan | null> =>
  tried(async (d) => {
    const kept = await d.get('plans', piece.id);
    return kept && kept.mark === MARK && kept.inputs === inputsOf(piece, cupboard, hand, options) ? kept.plan : null;
  });

/** What was remembered of planning a piece; null where nothing is. */
export const keptMemory = (id: string): Promise<Lasting | null> =>
  tried(async (d) => {
    const kept = await d.get('memories', id);
    return kept && kept.mark === MARK ? kept.memory : null;
  });

/** Keeps a finished plan, and what was remembered on the way to it where its shapes have changed. */
export const keepPlan = (
  piece: Piece,
  cupboard: Cupboard,
  hand: Hand,
  options: PlanOptions,
  plan: Plan,
  memory: Lasting | null,
): Promise<unknown> =>
  tried(async (d) => {
    const { id } = piece;
    const all = d.transaction(['plans', 'memories'], 'readwrite');
    const [plans, memories] = [all.objectStore('plans'), all.objectStore('memories')];
    void plans.put({ id, mark: MARK, inputs: inputsOf(piece, cupboard, hand, options), plan, at: Date.now() });
    if (memory) void memories.put({ id, mark: MARK, memory });
    if ((await plans.count()) > MOST) {
      const ages: { id: string; at: number }[] = [];
      for (let c = await plans.openCursor(); c; c = await c.continue()) ages.push({ id: c.value.id, at: c.value.at });
      for (const old of ages.sort((a, b) => b.at - a.at).slice(MOST)) {
        void plans.delete(old.id);
        void memories.delete(old.id);
      }
    }
    await all.done;
  });

/** Keeps how a piece looks now, whatever program drew it. */
export const keepLikeness = (likeness: Likeness): Promise<unknown> => tried((d) => d.put('likenesses', likeness));

export const keptLikenesses = async (): Promise<readonly Likeness[]> =>
  (await tried((d) => d.getAll('likenesses'))) ?? [];

/** A copy of a piece looks like it. */
export const copyLikeness = (id: string, to: string): Promise<unknown> =>
  tried(async (d) => {
    const of = await d.get('likenesses', id);
    if (of) await d.put('likenesses', { ...of, id: to });
  });

/** Lets go of what was kept of a piece that was taken off the shelf. */
export const dropKept = (id: string): Promise<unknown> =>
  tried((d) => Promise.all(KEPT_DATABASE.stores.map(({ name }) => d.delete(name, id))));
