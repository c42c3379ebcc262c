/**
 * Keeps one document of this window stored. Every edit is done to what is stored at that moment, in one transaction over all
 * windows, so that nothing another window stored is ever overwritten: what both did is in the end state, or is refused in words.
 * What cannot be written is tried again with growing pauses and counts as not saved until it is.
 */
import { alike } from '@/core/alike';
import type { Read } from '@/core/piece/read';
import { redone } from './merge';
import { Pause } from './pause';

export interface Edit<T> {
  readonly before: T;
  readonly after: T;
}

/** Where a document is stored. */
export interface Place {
  /** Reads what is stored (undefined where nothing is) and puts what `work` makes of it in its place; undefined leaves it. */
  change(work: (raw: unknown) => unknown): Promise<void>;
}

/** Why nothing more can be stored: taken off the shelf, written by a newer program, or not to be read. */
export type Lost = 'gone' | 'newer' | 'unreadable';

interface Kept<T> {
  readonly place: Place;
  readonly schema: number;
  readonly read: (raw: unknown) => Read<T>;
  /** Puts on the desk what another window changed, together with what this one did since. */
  readonly show: (doc: T) => void;
  /** Edits that no longer fit what is stored. */
  readonly refused: (edits: readonly Edit<T>[]) => void;
  /** What went wrong with writing; null once it is well again. */
  readonly trouble: (says: string | null) => void;
  readonly lost: (why: Lost) => void;
  /** How many edits wait to be stored. */
  readonly waiting: (n: number) => void;
}

export class Keeper<T extends object> {
  #base: T | null;
  #queue: Edit<T>[] = [];
  #shown: T;
  #busy: Promise<void> | null = null;
  #lost = false;
  readonly #pause = new Pause();

  /** @param doc as it was read; @param there whether it is stored already */
  constructor(
    readonly kept: Kept<T>,
    doc: T,
    there: boolean,
  ) {
    this.#shown = doc;
    this.#base = there ? doc : null;
  }

  /** What this window has of it, with what waits to be stored. */
  get shown(): T {
    return this.#shown;
  }

  /** An edit made on what is shown. */
  add(edit: Edit<T>): void {
    this.#shown = edit.after;
    if (this.#lost) return;
    this.#queue.push(edit);
    this.kept.waiting(this.#queue.length);
    void this.flush();
  }

  /** Another window stored something: it is taken in. */
  async heard(): Promise<void> {
    if (this.#lost) return;
    let there: T | Lost | undefined;
    await this.kept.place
      .change((raw) => {
        there = this.#read(raw);
        return undefined;
      })
      // What cannot be read now is seen when this window writes.
      .catch(() => undefined);
    if (there === undefined || this.#lost) return;
    if (typeof there === 'string') this.#stop(there);
    else this.#now(there, []);
  }

  /** Tries at once what waits for its next turn. */
  retry(): void {
    this.#pause.wake();
  }

  /** Begins anew where nothing could be read: this window's state is stored whatever is there. */
  async restore(): Promise<void> {
    const put = this.#shown;
    await this.kept.place.change(() => put);
    this.#lost = false;
    this.#base = put;
  }

  /** Puts back what was taken away. @returns false where something else is there by now, which is left as it is */
  async putBack(): Promise<boolean> {
    const put = this.#shown;
    let free = false;
    await this.kept.place.change((raw) => {
      free = raw === undefined;
      return free ? put : undefined;
    });
    if (!free) return false;
    this.#lost = false;
    this.#base = put;
    return true;
  }

  /** Done when everything is stored or refused. */
  flush(): Promise<void> {
    return (this.#busy ??= this.#write().finally(() => {
      this.#busy = null;
      // An edit made just as the last one was stored.
      if (this.#queue.length > 0) return this.flush();
    }));
  }

  async #write(): Promise<void> {
    while (this.#queue.length > 0 && !this.#lost) {
      const batch = [...this.#queue];
      try {
        // Nothing is taken as done before it is on the disk.
        let outcome: { readonly doc: T; readonly refused: readonly Edit<T>[] } | Lost = 'gone';
        await this.kept.place.change((raw) => {
          const there = this.#read(raw);
          outcome = typeof there === 'string' ? there : this.#fit(batch, there);
          return typeof outcome === 'string' ? undefined : outcome.doc;
        });
        this.#done(batch, outcome);
        this.#pause.well();
        this.kept.trouble(null);
      } catch (e) {
        this.kept.trouble(e instanceof Error ? e.message : String(e));
        await this.#pause.wait();
      }
    }
  }

  #done(batch: readonly Edit<T>[], outcome: { readonly doc: T; readonly refused: readonly Edit<T>[] } | Lost): void {
    if (typeof outcome === 'string') return this.#stop(outcome);
    this.#queue = this.#queue.filter((e) => !batch.includes(e));
    this.#now(outcome.doc, outcome.refused);
  }

  /** Edits done one after the other to a state of the document; those that do not fit are left out. */
  #fit(edits: readonly Edit<T>[], onto: T): { readonly doc: T; readonly refused: readonly Edit<T>[] } {
    const refused: Edit<T>[] = [];
    const doc = edits.reduce((at, e) => {
      const next = redone(e, at);
      // An edit on top of what another window did may leave what no such document can be.
      if (next !== null && (at === e.before || this.kept.read(next).ok)) return next;
      refused.push(e);
      return at;
    }, onto);
    return { doc, refused };
  }

  /** What is stored now; shown is that with what waits. */
  #now(stored: T, refused: readonly Edit<T>[]): void {
    const shown = this.#fit(this.#queue, stored);
    this.#base = stored;
    this.#queue = this.#queue.filter((e) => !shown.refused.includes(e));
    this.kept.waiting(this.#queue.length);
    if (!alike(shown.doc, this.#shown)) {
      this.#shown = shown.doc;
      this.kept.show(shown.doc);
    }
    const all = [...refused, ...shown.refused];
    if (all.length > 0) this.kept.refused(all);
  }

  /** What is stored, as this program reads it, or why nothing may be written over it. */
  #read(raw: unknown): T | Lost {
    if (raw === undefined) {
      // Never stored by anyone yet, or taken away by another window.
      return this.#base === null ? (this.#queue[0]?.before ?? this.#shown) : 'gone';
    }
    if (this.#base !== null && alike(raw, this.#base)) return this.#base;
    const { schema } = raw as { schema?: unknown };
    if (typeof schema === 'number' && schema > this.kept.schema) return 'newer';
    const read = this.kept.read(raw);
    return read.ok ? read.value : 'unreadable';
  }

  #stop(why: Lost): void {
    this.#lost = true;
    // What is shown has these edits; nothing waits for a store that may not be written to.
    this.#queue = [];
    this.kept.waiting(0);
    this.kept.lost(why);
  }
}
