/**
 * The order of the work: keeps every tie, the same every time. Where nothing decides: the body before what goes on it, what
 * has to set or dry early, pale before dark, work with one needle together, then the order of the areas. Ties that run in a
 * ring cannot all be kept: the weakest is let go and said, with the choice to change where one is behind it.
 */
import { areaOf, sameRef } from '@/core/ref';
import { NO_WORK, type Finding, type Operation, type Stage } from '@/core/stage';
import { joined, say, type Text } from '@/core/text';
import type { Work } from '@/core/piece/work';
import { rings, shortestWay, topological } from './topological';
import { tiesOf, type Tie } from './ties';

/** How far a step may be moved by hand, and what holds it there. */
interface Bound {
  /** Number of the step it may come right after (earliest) or right before (latest); 0 or one past the last where nothing holds it. */
  readonly number: number;
  readonly because: { readonly id: string; readonly why: Text } | null;
}

export interface Step {
  readonly number: number;
  readonly operation: Operation;
  /** Operations that had to come first, with the reason. */
  readonly because: readonly { readonly id: string; readonly why: Text }[];
  readonly earliest: Bound;
  readonly latest: Bound;
  /** Pale wool laid after dark, and what it had to wait for; null where pale comes first or it is not pale. */
  readonly paleAfterDark: Text | null;
}

export interface Ordered {
  readonly steps: readonly Step[];
  readonly ties: readonly Tie[];
  readonly minutes: number;
}

/** Lightness that counts as pale, and as dark. Ours. */
const PALE = 60;
const DARK = 42;
const shadeOf = (o: Operation): number => (o.lightness > PALE ? 0 : o.lightness < DARK ? 2 : 1);

/** Ranks where no tie decides: the number of each operation when sorted by what is said above. */
function ranksOf(operations: readonly Operation[], needleOf: (id: string) => string | null): Float64Array {
  // Cutting, blending and trimming go with the laying they serve.
  const lead = new Map<string, Operation>();
  for (const o of operations) {
    const area = areaOf(o);
    if (area !== null && (o.kind === 'lay' || !lead.has(area))) lead.set(area, o);
  }
  const phase = (o: Operation) => (o.stage === 'form' ? 0 : o.wait || o.stage === 'face' ? 1 : 2);
  const needle = (o: Operation): string => {
    const l = o.stage === 'coat' || o.kind === 'blend' ? (lead.get(areaOf(o) ?? '') ?? o) : o;
    return needleOf(l.id) ?? '';
  };
  const keyed = operations.map((o, i) => ({ i, p: phase(o), s: shadeOf(o), n: needle(o) }));
  // Needles are put in the order in which the work first asks for them.
  const met = new Map<string, number>();
  for (const k of keyed) if (!met.has(k.n)) met.set(k.n, met.size);
  keyed.sort((a, b) => a.p - b.p || a.s - b.s || met.get(a.n)! - met.get(b.n)! || a.i - b.i);
  const ranks = new Float64Array(operations.length);
  keyed.forEach((k, r) => (ranks[k.i] = r));
  // What is done right before another step has no place of its own.
  const at = new Map(operations.map((o, i) => [o.id, i]));
  operations.forEach((o, i) => {
    const next = o.rightBefore === undefined ? undefined : at.get(o.rightBefore);
    if (next !== undefined) ranks[i] = ranks[next]! - 0.25;
  });
  return ranks;
}

/** What is moved before another step, and all it waits for, is lifted to just before that step. */
function lifted(
  ranks: Float64Array,
  ties: readonly { before: number; after: number; move: boolean }[],
  moves: readonly { op: number; other: number }[],
): Float64Array {
  const out = ranks.slice();
  const before = new Map<number, number[]>();
  for (const t of ties) if (!t.move) before.set(t.after, [...(before.get(t.after) ?? []), t.before]);
  moves.forEach(({ op, other }, k) => {
    const to = out[other]! - 0.5 + k * 1e-4;
    const seen = new Set<number>();
    const waiting = [op];
    for (let x = waiting.pop(); x !== undefined; x = waiting.pop()) {
      if (seen.has(x)) continue;
      seen.add(x);
      out[x] = Math.min(out[x]!, to);
      waiting.push(...(before.get(x) ?? []));
    }
  });
  return out;
}

/**
 * @param needleOf the needle an operation is best done with, to keep work with one needle together
 */
export function planWork(
  operations: readonly Operation[],
  moves: Work['moves'] = [],
  needleOf: (id: string) => string | null = () => null,
): Stage<Ordered> {
  const n = operations.length;
  const index = new Map(operations.map((o, i) => [o.id, i]));
  const findings: Finding[] = [];
  let ties = tiesOf(operations, moves);
  const arrowOf = (t: Tie) => ({
    before: index.get(t.before)!,
    after: index.get(t.after)!,
    move: t.move !== undefined,
  });
  const base = ranksOf(operations, needleOf);
  const moved = (kept: readonly Tie[]) =>
    moves.flatMap((m, i) =>
      m.place === 'before' && kept.some((t) => t.move === i)
        ? [{ op: index.get(m.operation)!, other: index.get(m.other)! }]
        : [],
    );
  let order: number[] = [];
  for (;;) {
    const arrows = ties.map(arrowOf);
    const up = moved(ties);
    const ranks = up.length > 0 ? lifted(base, arrows, up) : base;
    order = topological(n, arrows, (i) => ranks[i]!);
    if (order.length === n) break;
    const group = rings(n, arrows);
    const inRing = ties.filter((_, i) => group[arrows[i]!.before] === group[arrows[i]!.after]);
    const weakest = inRing.reduce((a, b) => (weaker(b, a) ? b : a));
    const ring = ringThrough(weakest, inRing, index);
    ties = ties.filter(
      (t) =>
        t !== weakest &&
        !(sameAreas(t, weakest, operations, index) && t.strength === weakest.strength && t.move === undefined),
    );
    findings.push(ringFinding(weakest, ring, operations, index, moves));
  }
  const number = new Int32Array(n);
  order.forEach((i, k) => (number[i] = k + 1));
  const held = new Map<number, { before: Tie[]; after: Tie[] }>();
  const at = (i: number) => {
    let h = held.get(i);
    if (!h) held.set(i, (h = { before: [], after: [] }));
    return h;
  };
  for (const t of ties) {
    at(index.get(t.after)!).before.push(t);
    at(index.get(t.before)!).after.push(t);
  }
  let darkLaid = false;
  const lays = (o: Operation) => o.kind === 'lay' || o.kind === 'veil';
  const steps = order.map((i): Step => {
    const { before, after } = at(i);
    const o = operations[i]!;
    const paleLate = darkLaid && lays(o) && shadeOf(o) === 0;
    darkLaid ||= lays(o) && shadeOf(o) === 2;
    const firm = (t: Tie) => t.move === undefined;
    const last = before
      .filter(firm)
      .reduce<Tie | null>(
        (a, t) => (!a || number[index.get(t.before)!]! > number[index.get(a.before)!]! ? t : a),
        null,
      );
    const first = after
      .filter(firm)
      .reduce<Tie | null>((a, t) => (!a || number[index.get(t.after)!]! < number[index.get(a.after)!]! ? t : a), null);
    return {
      number: number[i]!,
      operation: operations[i]!,
      because: before.map((t) => ({ id: t.before, why: t.why })),
      earliest: last
        ? { number: number[index.get(last.before)!]!, because: { id: last.before, why: last.why } }
        : { number: 0, because: null },
      latest: first
        ? { number: number[index.get(first.after)!]!, because: { id: first.after, why: first.why } }
        : { number: n + 1, because: null },
      paleAfterDark: paleLate ? (last?.why ?? before[0]?.why ?? null) : null,
    };
  });
  return {
    result: { steps, ties, minutes: operations.reduce((s, o) => s + o.minutes, 0) },
    findings: [...new Map(findings.map((f) => [f.id, f])).values()],
    ...NO_WORK,
  };
}

/** Let go first: moved by hand, then the weakest, then one with a choice behind it. */
function weaker(a: Tie, b: Tie): boolean {
  if (a.strength !== b.strength) return a.strength < b.strength;
  // The newest of several moves.
  if (a.move !== undefined && b.move !== undefined) return a.move > b.move;
  return a.choice !== undefined && b.choice === undefined;
}

/** The shortest ring a tie lies on, beginning with it. */
function ringThrough(t: Tie, among: readonly Tie[], index: ReadonlyMap<string, number>): Tie[] {
  const arrows = among.map((x) => ({ before: index.get(x.before)!, after: index.get(x.after)! }));
  const back = shortestWay(index.size, arrows, index.get(t.after)!, index.get(t.before)!) ?? [];
  return [t, ...back.map((i) => among[i]!)];
}

const sameAreas = (a: Tie, b: Tie, operations: readonly Operation[], index: ReadonlyMap<string, number>): boolean => {
  const about = (id: string) => operations[index.get(id)!]!.about;
  return sameRef(about(a.before), about(b.before)) && sameRef(about(a.after), about(b.after));
};

function ringFinding(
  t: Tie,
  ring: readonly Tie[],
  operations: readonly Operation[],
  index: ReadonlyMap<string, number>,
  moves: Work['moves'],
): Finding {
  const op = (id: string) => operations[index.get(id)!]!;
  const { about } = op(t.after);
  const words = ring.flatMap((x): Text => say` ${x.why}`);
  if (t.move !== undefined) {
    const m = moves[t.move]!;
    return {
      id: `order-move-${m.operation}`,
      code: 'order-move',
      stage: 'order',
      severity: 'note',
      about,
      says: say`A step you moved cannot stay there: ${op(m.operation).does}.`,
      why: say`What forbids it:${ring.slice(1).flatMap((x): Text => say` ${x.why}`)}`,
      remedies: [
        {
          label: say`Take the move back`,
          effect: say`the step goes where the work puts it`,
          changes: [{ path: ['work', 'moves'], value: moves.filter((_, i) => i !== t.move) }],
        },
      ],
    };
  }
  if (t.strength < Infinity && !ring.some((x) => x.choice)) {
    return {
      id: `order-ring-${op(t.before).about.id}-${about.id}`,
      code: 'order-ring',
      stage: 'order',
      severity: 'note',
      about,
      says: say`Some areas hang over each other in a ring, so one border must be tucked in by hand.`,
      why: say`${t.why} This is the shortest border of the ring, so it is the one let go.`,
      remedies: [],
    };
  }
  const choices = ring.flatMap((x) => (x.choice ? [x.choice] : []));
  return {
    id: `order-cycle-${t.before}-${t.after}`,
    code: 'order-cycle',
    stage: 'order',
    severity: 'stop',
    about,
    says:
      choices.length > 0
        ? say`These choices cannot all be kept: ${joined(choices.map((c) => c.school))}.`
        : say`These steps wait for each other in a ring.`,
    why: say`Each waits for the next:${words}`,
    remedies: choices.map((c) => c.instead),
  };
}
