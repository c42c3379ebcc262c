/**
 * What changed between two states of a document, said so that it can be done to another state of it: by the names of fields and
 * the ids of things in lists, never by a place in a list that someone else may have moved. A change fits where what it
 * changes is still as it was; where it is not, it is refused and nothing of it is done.
 */
import { alike } from '@/core/alike';

type Rec = Readonly<Record<string, unknown>>;
/** A field, or a thing of a list by its id. */
export type Step = string | { readonly id: string };

export type Change =
  /** A value in place of another; undefined where there was or will be none. */
  | { readonly kind: 'set'; readonly path: readonly Step[]; readonly was: unknown; readonly now: unknown }
  /** A thing put into a list behind another, or first. */
  | {
      readonly kind: 'put in';
      readonly path: readonly Step[];
      readonly thing: Named;
      readonly behind: string | null;
    }
  | { readonly kind: 'take out'; readonly path: readonly Step[]; readonly thing: Named }
  | {
      readonly kind: 'order';
      readonly path: readonly Step[];
      readonly was: readonly string[];
      readonly now: readonly string[];
    }
  /** More at the end of a list of things without ids, or those taken off again. */
  | { readonly kind: 'append'; readonly path: readonly Step[]; readonly more: readonly unknown[] }
  | { readonly kind: 'cut off'; readonly path: readonly Step[]; readonly more: readonly unknown[] };

type Named = Rec & { readonly id: string };

const isRec = (x: unknown): x is Rec =>
  typeof x === 'object' && x !== null && !Array.isArray(x) && !ArrayBuffer.isView(x);
const isNamed = (x: unknown): x is Named => isRec(x) && typeof x.id === 'string';
const idsOf = (list: readonly Named[]): string[] => list.map((x) => x.id);
const named = (list: readonly unknown[]): list is readonly Named[] =>
  list.every(isNamed) && new Set(idsOf(list)).size === list.length;
const begins = (list: readonly unknown[], other: readonly unknown[]): boolean =>
  other.length <= list.length && other.every((x, i) => alike(x, list[i]));

/** Fields that say what kind of thing a record is: another kind is another thing, changed as a whole. */
const KINDS = ['method', 'kind', 'shape'] as const;
const otherKind = (a: Rec, b: Rec): boolean => KINDS.some((k) => typeof a[k] === 'string' && a[k] !== b[k]);

export function changesBetween(a: unknown, b: unknown, path: readonly Step[] = []): Change[] {
  if (Object.is(a, b) || alike(a, b)) return [];
  if (isRec(a) && isRec(b) && !otherKind(a, b)) {
    const keys = [...new Set([...Object.keys(a), ...Object.keys(b)])];
    return keys.flatMap((k) => changesBetween(a[k], b[k], [...path, k]));
  }
  if (Array.isArray(a) && Array.isArray(b)) {
    if (a.length + b.length > 0 && named(a) && named(b)) return listChanges(a, b, path);
    if (begins(b, a)) return [{ kind: 'append', path, more: b.slice(a.length) }];
    if (begins(a, b)) return [{ kind: 'cut off', path, more: a.slice(b.length) }];
  }
  return [{ kind: 'set', path, was: a, now: b }];
}

function listChanges(a: readonly Named[], b: readonly Named[], path: readonly Step[]): Change[] {
  const was = new Map(a.map((x) => [x.id, x]));
  const now = new Set(idsOf(b));
  const stay = idsOf(a).filter((id) => now.has(id));
  const stayNow = idsOf(b).filter((id) => was.has(id));
  return [
    ...a.flatMap((x): Change[] => (now.has(x.id) ? [] : [{ kind: 'take out', path, thing: x }])),
    ...(alike(stay, stayNow) ? [] : [{ kind: 'order' as const, path, was: stay, now: stayNow }]),
    ...b.flatMap((x, i): Change[] => {
      const old = was.get(x.id);
      return old === undefined
        ? [{ kind: 'put in', path, thing: x, behind: b[i - 1]?.id ?? null }]
        : changesBetween(old, x, [...path, { id: x.id }]);
    }),
  ];
}

class DoesNotFit extends Error {}

/** The value at a path put through a function, everything on the way to it copied. @throws where there is no such place */
function at(doc: unknown, path: readonly Step[], change: (x: unknown) => unknown): unknown {
  const [step, ...rest] = path;
  if (step === undefined) return change(doc);
  if (typeof step === 'string') {
    if (!isRec(doc)) throw new DoesNotFit();
    const inner = at(doc[step], rest, change);
    const { [step]: _, ...others } = doc;
    // In its own place among the fields, so that what comes back is the same to the byte.
    return inner === undefined ? others : step in doc ? { ...doc, [step]: inner } : { ...others, [step]: inner };
  }
  if (!Array.isArray(doc)) throw new DoesNotFit();
  const i = doc.findIndex((x) => isNamed(x) && x.id === step.id);
  if (i < 0) throw new DoesNotFit();
  return doc.map((x: unknown, k) => (k === i ? at(x, rest, change) : x));
}

function done(x: unknown, c: Change): unknown {
  if (c.kind === 'set') {
    if (alike(x, c.now)) return x;
    if (!alike(x, c.was)) throw new DoesNotFit();
    return c.now;
  }
  if (!Array.isArray(x)) throw new DoesNotFit();
  const list = x as readonly unknown[];
  if (c.kind === 'append') return [...list, ...c.more];
  if (c.kind === 'cut off') {
    const kept = list.slice(0, list.length - c.more.length);
    if (!alike(list.slice(kept.length), c.more)) throw new DoesNotFit();
    return kept;
  }
  if (!named(list)) throw new DoesNotFit();
  if (c.kind === 'order') {
    const mine = new Set(c.now);
    const places = list.flatMap((t, i) => (mine.has(t.id) ? [i] : []));
    const there = places.map((i) => list[i]!.id);
    const sorted = c.now.filter((id) => there.includes(id)).map((id) => list.find((t) => t.id === id)!);
    if (alike(there, idsOf(sorted))) return list;
    if (
      !alike(
        there,
        c.was.filter((id) => there.includes(id)),
      )
    )
      throw new DoesNotFit();
    const out = [...list];
    places.forEach((i, k) => (out[i] = sorted[k]!));
    return out;
  }
  const held = list.findIndex((t) => t.id === c.thing.id);
  if (c.kind === 'take out') {
    if (held < 0) return list;
    if (!alike(list[held], c.thing)) throw new DoesNotFit();
    return list.filter((_, i) => i !== held);
  }
  if (held >= 0) {
    if (!alike(list[held], c.thing)) throw new DoesNotFit();
    return list;
  }
  const behind = c.behind === null ? -1 : list.findIndex((t) => t.id === c.behind);
  const place = c.behind !== null && behind < 0 ? list.length : behind + 1;
  return [...list.slice(0, place), c.thing, ...list.slice(place)];
}

/**
 * One edit done to another state of its document.
 * @returns null where something it changes has been changed otherwise meanwhile: then nothing of it is done
 */
export function redone<T>(edit: { readonly before: T; readonly after: T }, onto: T): T | null {
  if (onto === edit.before) return edit.after;
  try {
    return changesBetween(edit.before, edit.after).reduce<unknown>(
      (doc, c) => at(doc, c.path, (x) => done(x, c)),
      onto,
    ) as T;
  } catch (e) {
    if (e instanceof DoesNotFit) return null;
    throw e;
  }
}
