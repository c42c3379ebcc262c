/**
 * Skin that nothing is decided for: in no area, or in an area that is not laid with anything. It would stay bare core, so it is
 * measured place by place, and one press gives it the wool of what lies next to it as a short coat.
 */
import { plainArea } from '@/core/form/area-edits';
import { nearestParts, type FormWork } from '@/core/form/form';
import { vertexAreas } from '@/core/geometry/mesh';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Area, Piece } from '@/core/piece/schema';
import { only } from '@/core/ref';
import type { Finding } from '@/core/stage';
import { joined, mm2, say } from '@/core/text';
import type { ShapedAreas, Undecided, UndecidedPlace } from './coat-plan';
import { shortCoat } from './short-coat';

/** Less than this share of the skin is what borders between areas are rounded to. Ours. */
const WORTH = 0.003;
/** From this share on it is seen at arm's length. Ours. */
const SEEN = 0.02;
/** Parts named in words; the rest is counted. Ours. */
const NAMED = 4;
const MOST_AREAS = 60;

/** Parts with a finish of their own: a board is felted in the wool of its core, what a flat part stands for and a beak have wool of theirs. */
const finished = (piece: Piece): ReadonlySet<string> =>
  new Set([
    ...piece.form.parts.filter((p) => p.shape === 'board').map((p) => p.id),
    ...piece.flatParts.map((f) => f.id),
    ...piece.smallParts.filter((s) => s.kind === 'beak').map((s) => s.on),
  ]);

type Shaped = Pick<ShapedAreas, 'owner' | 'depths'>;

/** A place so near to two areas, in edges of the skin, or to one and a part made apart, is what borders are rounded by. Ours. */
const ROUNDED = 1;

/** Places of the skin, by vertex: nothing where it is decided. */
function placesOf(
  piece: Piece,
  form: FormWork,
  { owner, depths }: Shaped,
): (readonly [UndecidedPlace['kind'], number] | null)[] {
  const part = nearestParts(form);
  const apart = finished(piece);
  const has = (v: number) => apart.has(form.body.parts[part[v]!]!.part.id);
  const { ends, count } = form.skin.edges;
  const beside = new Uint8Array(owner.length);
  for (let e = 0; e < count; e++) {
    const [u, v] = [ends[2 * e]!, ends[2 * e + 1]!];
    if (has(u)) beside[v] = 1;
    if (has(v)) beside[u] = 1;
  }
  const rounded = -ROUNDED * form.skin.edgeMm;
  return Array.from(owner, (a, v) => {
    if (a >= 0 && piece.areas[a]!.coat.method !== 'none') return null;
    if (has(v)) return null;
    if (a < 0 && depths.reduce((n, d) => n + (d[v]! > rounded ? 1 : 0), 0) + beside[v]! > 1) return null;
    return a >= 0 ? (['area', a] as const) : (['part', part[v]!] as const);
  });
}

export function undecidedOf(piece: Piece, form: FormWork, { owner, depths }: Shaped): Undecided {
  const at = placesOf(piece, form, { owner, depths });
  const sum = new Map<string, UndecidedPlace>();
  let all = 0;
  vertexAreas(form.skin).forEach((mm2, v) => {
    all += mm2;
    const p = at[v];
    if (!p) return;
    const [kind, i] = p;
    const of = kind === 'area' ? piece.areas[i]! : form.body.parts[i]!.part;
    const key = `${kind} ${of.id}`;
    sum.set(key, { kind, id: of.id, name: of.name, mm2: (sum.get(key)?.mm2 ?? 0) + mm2 });
  });
  const places = [...sum.values()].filter((p) => p.mm2 > (WORTH / 3) * all).sort((a, b) => b.mm2 - a.mm2);
  const mm2 = places.reduce((s, p) => s + p.mm2, 0);
  return mm2 > WORTH * all ? { mm2, places } : { mm2: 0, places: [] };
}

/** The laid area each place touches most, or the largest one where it touches none; null where nothing is laid. */
function neighbours(piece: Piece, form: FormWork, { owner, depths }: Shaped): (place: UndecidedPlace) => Area | null {
  const at = placesOf(piece, form, { owner, depths });
  const touch = new Map<string, Float64Array>();
  const { ends, count } = form.skin.edges;
  const laid = (v: number) => owner[v]! >= 0 && piece.areas[owner[v]!]!.coat.method !== 'none';
  for (let e = 0; e < count; e++) {
    for (const [u, v] of [
      [ends[2 * e]!, ends[2 * e + 1]!],
      [ends[2 * e + 1]!, ends[2 * e]!],
    ] as const) {
      const p = at[u];
      if (!p || !laid(v)) continue;
      const id = p[0] === 'area' ? piece.areas[p[1]]!.id : form.body.parts[p[1]]!.part.id;
      const key = `${p[0]} ${id}`;
      let n = touch.get(key);
      if (!n) touch.set(key, (n = new Float64Array(piece.areas.length)));
      n[owner[v]!]!++;
    }
  }
  const size = new Float64Array(piece.areas.length);
  for (let v = 0; v < owner.length; v++) if (laid(v)) size[owner[v]!]!++;
  const most = (n: Float64Array): Area | null => {
    const i = n.indexOf(Math.max(...n));
    return i >= 0 && n[i]! > 0 ? piece.areas[i]! : null;
  };
  return ({ kind, id }) => most(touch.get(`${kind} ${id}`) ?? size) ?? most(size);
}

/** The areas with every undecided place clothed short; null where there is no wool for it, or no room for more areas. */
function clothed(
  piece: Piece,
  cupboard: Cupboard,
  hand: Hand,
  places: readonly UndecidedPlace[],
  beside: (p: UndecidedPlace) => Area | null,
): Area[] | null {
  let areas: Area[] = [...piece.areas];
  const under: Area[] = [];
  for (const p of places) {
    const by = beside(p)?.coat;
    const lot = (by && by.method !== 'none' && cupboard.lots.find((l) => l.id === by.lotId)) || null;
    const coat = shortCoat(lot, piece.form.finishedLengthMm, cupboard, hand);
    if (!coat) return null;
    if (p.kind === 'area') {
      areas = areas.map((a) => (a.id === p.id ? { ...a, coat } : a));
      continue;
    }
    let id = `rest-${p.id}`.slice(0, 60);
    for (let k = 2; [...areas, ...under].some((a) => a.id === id); k++) id = `rest-${p.id}`.slice(0, 56) + `-${k}`;
    under.push(plainArea(id, `Rest of ${p.name.toLowerCase()}`.slice(0, 80), [{ parts: [p.id] }], coat));
  }
  // Before all others, so that it has what none of them claims.
  return under.length + areas.length > MOST_AREAS ? null : [...under, ...areas];
}

export function undecidedFindings(
  piece: Piece,
  cupboard: Cupboard,
  hand: Hand,
  form: FormWork,
  { owner, depths }: Shaped,
  { mm2: area, places }: Undecided,
): Finding[] {
  if (places.length === 0) return [];
  const named = places.slice(0, NAMED).map((p) => say`${p.name}`);
  const more = places.length - named.length;
  const areas = clothed(piece, cupboard, hand, places, neighbours(piece, form, { owner, depths }));
  return [
    {
      id: 'coat-unclothed',
      code: 'coat-unclothed',
      stage: 'coat',
      severity: area > SEEN * form.skin.extent.areaMm2 ? 'caution' : 'note',
      about: only('piece'),
      says: say`${mm2(area)} of the skin are undecided: ${joined(more > 0 ? [...named, say`${more} more`] : named)}.`,
      why: say`Nothing says what lies there, so it would stay bare core. Give it a coat, or a finish: felted smooth, leather, horn, wound.`,
      remedies: areas
        ? [
            {
              label: say`Clothe it short`,
              effect: say`each place in the wool of what lies next to it; change it in the Coat`,
              changes: [{ path: ['areas'], value: areas }],
            },
          ]
        : [],
    },
  ];
}
