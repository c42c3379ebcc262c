/**
 * From version 1 to 2: parts say what they sit on, so that they can be bent; pose, core, frame, photographs and flat parts are new; areas can be
 * painted. What a part sits on is read from the drawing: the earlier part nearest to either of its ends.
 */
type Doc = Record<string, unknown>;
type Point = readonly [number, number, number];

const far = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

function endsOf(part: Doc): Point[] {
  const nodes = part.nodes as { at: Point }[] | undefined;
  return nodes ? nodes.map((n) => n.at) : [part.start as Point, part.end as Point];
}

/** Least distance of a point to the chain of places of a part. */
function toPart(part: Doc, p: Point): number {
  const at = endsOf(part);
  let least = Infinity;
  for (let i = 1; i < at.length; i++) {
    const [a, b] = [at[i - 1]!, at[i]!];
    const l2 = far(a, b) ** 2 || 1;
    const t = [0, 1, 2].reduce((s, k) => s + (p[k]! - a[k]!) * (b[k]! - a[k]!), 0) / l2;
    const u = Math.max(0, Math.min(1, t));
    least = Math.min(least, far(p, [0, 1, 2].map((k) => a[k]! + u * (b[k]! - a[k]!)) as unknown as Point));
  }
  return least;
}

export function toPiece2(old: Doc): Doc {
  const form = old.form as Doc;
  const parts = form.parts as Doc[];
  const seated = parts.map((part, i) => {
    let best = { on: null as unknown, root: 'start', d: Infinity };
    for (const base of parts.slice(0, i)) {
      const at = endsOf(part);
      for (const [root, end] of [
        ['start', at[0]!],
        ['end', at[at.length - 1]!],
      ] as const) {
        const d = toPart(base, end);
        if (d < best.d) best = { on: base.id, root, d };
      }
    }
    return { ...part, on: best.on, root: i === 0 ? 'end' : best.root };
  });
  return {
    ...old,
    form: { ...form, measuredBy: 'length', parts: seated, pose: [], scan: null },
    core: { school: 'under-built', allowanceMm: 0, lotId: null, soft: [] },
    frame: { kind: 'one wire', head: true, tail: true, wireId: null, turnedMm: 10, wasteShare: 0.05 },
    references: [],
    flatParts: [],
    areas: (old.areas as Doc[]).map((a) => ({ ...a, strokes: [] })),
  };
}
