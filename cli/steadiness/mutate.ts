/** Damaged and hostile files made from sound ones: as cut off, garbled, edited by hand, or written to do harm. */
import fc from 'fast-check';

/** What is put in the place of a value. */
const HOSTILE: readonly unknown[] = [
  null, true, 0, -1, -0, 1e-300, 1e308, 2 ** 53, 0.1 + 0.2, '', ' ', 'NaN', '1e999', [], {}, [[]], [null],
  '<script>alert(1)</script>', '=HYPERLINK("x")', '../../etc/passwd', '\u0000', '\u202e', 'ﷺ'.repeat(50), 'x'.repeat(100_000),
  JSON.parse('{"__proto__":{"polluted":true}}'), { constructor: { prototype: { polluted: true } } }, { toString: 1, valueOf: 1 },
  Array(2000).fill(0), Array(2000).fill({ id: 'x' }),
]; // prettier-ignore

type Path = readonly (string | number)[];

/** Every place of a document. */
function places(x: unknown, path: Path = [], out: Path[] = []): Path[] {
  if (path.length > 0) out.push(path);
  if (x !== null && typeof x === 'object') {
    for (const [k, y] of Object.entries(x)) places(y, [...path, Array.isArray(x) ? Number(k) : k], out);
  }
  return out;
}

type Holder = Record<string | number, unknown>;
const holder = (doc: unknown, path: Path): Holder | null => {
  let at = doc as Holder | undefined;
  for (const k of path.slice(0, -1)) at = at?.[k] as Holder | undefined;
  return at !== null && typeof at === 'object' ? at : null;
};

/** One thing done to a document. */
type Harm =
  | { readonly does: 'put'; readonly at: number; readonly what: number }
  | { readonly does: 'scale'; readonly at: number; readonly by: number }
  | { readonly does: 'drop' | 'twice' | 'add'; readonly at: number }
  | { readonly does: 'swap'; readonly at: number; readonly with: number };

const at = fc.nat(1_000_000);
const harm: fc.Arbitrary<Harm> = fc.oneof(
  { weight: 3, arbitrary: fc.record({ does: fc.constant('put' as const), at, what: fc.nat(HOSTILE.length - 1) }) },
  // Most numbers a little off are still a piece: those have to be planned.
  {
    weight: 6,
    arbitrary: fc.record({
      does: fc.constant('scale' as const),
      at,
      by: fc.constantFrom(0, -1, 0.1, 0.5, 0.9, 1.1, 2, 10, 1000),
    }),
  },
  { weight: 2, arbitrary: fc.record({ does: fc.constantFrom('drop' as const, 'twice' as const, 'add' as const), at }) },
  { weight: 2, arbitrary: fc.record({ does: fc.constant('swap' as const), at, with: at }) },
);

function harmed(doc: unknown, harms: readonly Harm[]): unknown {
  const copy = structuredClone(doc);
  for (const h of harms) {
    const all = places(copy);
    if (all.length === 0) break;
    const path = all[h.at % all.length]!;
    const key = path.at(-1)!;
    const into = holder(copy, path);
    if (!into) continue;
    if (h.does === 'put') into[key] = structuredClone(HOSTILE[h.what]);
    if (h.does === 'scale') {
      const numbers = all.filter((p) => typeof holder(copy, p)?.[p.at(-1)!] === 'number');
      const p = numbers[h.at % Math.max(1, numbers.length)];
      if (p) holder(copy, p)![p.at(-1)!] = (holder(copy, p)![p.at(-1)!] as number) * h.by;
    }
    if (h.does === 'drop') delete into[key];
    if (h.does === 'add') into[`extra-${String(key)}`] = into[key];
    if (h.does === 'twice' && Array.isArray(into)) into.push(structuredClone(into[key as number]));
    if (h.does === 'swap')
      into[key] = structuredClone(holder(copy, all[h.with % all.length]!)?.[all[h.with % all.length]!.at(-1)!]);
  }
  return copy;
}

/** What happens to the text of a file on its way. */
const garbled = (text: string, how: readonly number[]): string => {
  const [kind, a, b] = how as [number, number, number];
  const cut = a % (text.length + 1);
  if (kind === 0) return text.slice(0, cut);
  if (kind === 1) return text.slice(0, cut) + String.fromCharCode(b % 0xffff) + text.slice(cut + 1);
  return text.slice(0, cut) + text.slice(b % (text.length + 1));
};

/** Texts of files made from a sound document. */
export const texts = (doc: unknown): fc.Arbitrary<string> =>
  fc.oneof(
    {
      weight: 9,
      arbitrary: fc.array(harm, { minLength: 1, maxLength: 3 }).map((h) => JSON.stringify(harmed(doc, h)) ?? ''),
    },
    {
      weight: 1,
      arbitrary: fc.tuple(fc.nat(2), at, at).map((how) => garbled(JSON.stringify(doc), how)),
    },
  );

/** Bytes made from sound ones: some changed, some cut off, some put in twice. */
export const bytesLike = (sound: Uint8Array): fc.Arbitrary<Uint8Array<ArrayBuffer>> =>
  fc
    .tuple(
      fc.array(fc.tuple(fc.nat(sound.length - 1), fc.nat(255)), { maxLength: 12 }),
      fc.oneof(fc.constant(sound.length), fc.nat(sound.length)),
      fc.option(fc.tuple(fc.nat(sound.length - 1), fc.nat(64)), { nil: null }),
    )
    .map(([changes, end, twice]) => {
      const b = new Uint8Array(sound);
      for (const [i, v] of changes) b[i] = v;
      if (twice) b.copyWithin(twice[0], Math.max(0, twice[0] - twice[1]), twice[0]);
      return b.slice(0, end);
    });
