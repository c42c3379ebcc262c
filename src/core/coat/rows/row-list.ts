/**
 * The rows of an area as a list, hem first: how long each is, how many pieces of wool lie on it, how long they are cut, what it weighs and
 * all up to it, and what is special about it. Together they are what the docket says. Lengths mm, masses g.
 */
import type { AreaPlan } from '@/core/coat/coat-plan';
import { wayOf } from '@/core/coat/ways';
import type { Vec3 } from '@/core/geometry/vec';
import { count, mm, say, type Text } from '@/core/text';
import { piecesAlong } from './row-figures';
import type { Row } from './rows';

interface RowLine {
  readonly number: number;
  readonly lengthMm: number;
  /** Pinches, locks or bows on it; null where none are counted. */
  readonly pieces: number | null;
  /** Null where nothing is cut to length. */
  readonly cutMm: number | null;
  /** Wool to take for it, with all losses, and for all rows up to it. */
  readonly massG: number;
  readonly upToG: number;
  readonly special: readonly Text[];
}

/** A row longer than the one below by this share widens. */
const WIDENS = 0.15;

/** What a maker should know before laying it. */
function specialOf(row: Row, below: Row | undefined, carries: boolean): Text[] {
  const out: Text[] = [];
  if (row.half) out.push(say`half row, put in where rows gape`);
  if (row.pieces.some((p) => p.closed)) out.push(say`ring`);
  const stretches = row.pieces.length;
  if (stretches > 1) out.push(say`in ${count(stretches)} stretches`);
  const grows = below && !row.half && !below.half ? row.lengthMm - below.lengthMm : 0;
  if (below && Math.abs(grows) > WIDENS * below.lengthMm)
    out.push(grows > 0 ? say`${mm(grows)} longer than the row below` : say`${mm(-grows)} shorter than the row below`);
  if (carries) out.push(say`carries the marking`);
  return out;
}

/** @returns nothing for an area left bare or laid in one sheet */
export function rowList(area: AreaPlan): RowLine[] {
  const fur = area.fur;
  if (!fur || fur.sheet) return [];
  const { cutLength, cutTop } = fur.figures;
  const cutAt = (share: number): number | null =>
    cutLength ? cutLength.value + ((cutTop?.value ?? cutLength.value) - cutLength.value) * share : null;
  // Where fur grows longer towards the top the lay grows with it, and so does what is cut for it.
  const weightOf = (r: Row) => r.lengthMm * (cutTop ? cutAt(r.share)! ** 2 : 1);
  const rows = fur.rows.rows;
  const all = rows.reduce((s, r) => s + weightOf(r), 0);
  const woolG = fur.draws.reduce((s, d) => (d.for === 'coat' ? s + d.massG : s), 0);
  const counts = fur.figures[wayOf(fur.method).counts ?? ''];
  const counted = counts?.value ?? null;
  const pitch = counts?.inputs.pitch ?? fur.chart.dress.tuft?.pitchMm ?? null;
  // What is laid in several layers is laid along every row as often.
  const once = pitch === null ? 0 : piecesAlong(fur.rows, pitch);
  const layers = counted !== null && once > 0 && Number.isInteger(counted / once) ? counted / once : null;
  const carrying = new Set(fur.chart.dress.marking?.rows ?? []);
  let upToG = 0;
  return rows.map((r, i) => {
    const massG = all > 0 ? (woolG * weightOf(r)) / all : 0;
    upToG += massG;
    return {
      number: r.number,
      lengthMm: r.lengthMm,
      pieces: layers && pitch ? layers * piecesAlong({ ...fur.rows, rows: [r] }, pitch) : null,
      cutMm: cutAt(r.share),
      massG,
      upToG,
      special: specialOf(r, rows[i - 1], carrying.has(r.number)),
    };
  });
}

/** The number of the row nearest to a place on the skin; null where none is within reach. */
export function rowAt(area: AreaPlan, at: Vec3, reachMm: number): number | null {
  let best = reachMm;
  let number: number | null = null;
  for (const row of area.fur?.rows.rows ?? [])
    for (const { points } of row.pieces)
      for (let i = 3; i < points.length; i += 3) {
        const d = fromStretch(points, i, at);
        if (d < best) {
          best = d;
          number = row.number;
        }
      }
  return number;
}

/** Distance of a place from the stretch of a row that ends at `i`. */
function fromStretch(p: Float64Array, i: number, at: Vec3): number {
  const along = [0, 1, 2].map((k) => p[i + k]! - p[i - 3 + k]!);
  const to = [0, 1, 2].map((k) => at[k]! - p[i - 3 + k]!);
  const long = along.reduce((s, x) => s + x * x, 0);
  const t = long > 0 ? Math.max(0, Math.min(1, along.reduce((s, x, k) => s + x * to[k]!, 0) / long)) : 0;
  return Math.hypot(...to.map((x, k) => x - t * along[k]!));
}
