/**
 * The size of a sheet that is wrapped on: at every height against the lie it is as wide as the row there is long, with
 * anchoring on all sides. For a cylinder that is girth by length, for a cone its girths one above another; felt gives
 * enough to take up what a true development would curve. Lengths mm.
 */
import { endOf, type Body } from '@/core/form/body';
import type { Vec3 } from '@/core/geometry/vec';
import { say, type Text } from '@/core/text';
import type { AreaShape } from '@/core/coat/rows/area-shape';
import type { RowSet } from '@/core/coat/rows/rows';

interface SheetPiece {
  readonly label: string;
  /** Two where the other side is alike. */
  readonly count: 1 | 2;
  /** Size to felt, anchoring included. */
  readonly alongMm: number;
  readonly acrossMm: number;
  /** Width of the surface at heights above the hem, without anchoring. */
  readonly widths: readonly { readonly atMm: number; readonly widthMm: number }[];
  /** Of the sheet with its anchoring, and of the surface it covers. */
  readonly sheetMm2: number;
  readonly coversMm2: number;
}

export interface SheetCut {
  readonly anchorMm: number;
  readonly pieces: readonly SheetPiece[];
  readonly slit: { readonly part: string; readonly fromEdgeMm: number; readonly lengthMm: number } | null;
  /** Places where the core is easily left bare. */
  readonly inspect: readonly Text[];
}

/** @param rows of the area at any spacing; finer is more exact */
export function sheetPieces(shape: AreaShape, rows: RowSet, anchorMm: number): SheetPiece[] {
  const out: SheetPiece[] = [];
  shape.components.forEach((component, index) => {
    if (component.twinOf !== null) return;
    const twin = shape.components.some((d) => d.twinOf === index);
    const widths = rows.rows.flatMap((r) => {
      const mine = r.pieces.filter((p) => p.component === index);
      return mine.length === 0 ? [] : [{ atMm: r.atMm, widthMm: mine.reduce((s, p) => s + p.lengthMm, 0) }];
    });
    if (widths.length === 0) return;
    let lo = Infinity;
    let hi = -Infinity;
    shape.patch.piece.forEach((c, v) => {
      if (c !== index) return;
      lo = Math.min(lo, shape.field.phi[v]!);
      hi = Math.max(hi, shape.field.phi[v]!);
    });
    const along = hi - lo;
    const across = Math.max(...widths.map((w) => w.widthMm));
    const mean = component.areaMm2 / (along || 1);
    out.push({
      label: twin ? 'both sides alike' : component.side === 'middle' ? '' : component.side,
      count: twin ? 2 : 1,
      alongMm: along + 2 * anchorMm,
      acrossMm: across + 2 * anchorMm,
      widths,
      sheetMm2: (along + 2 * anchorMm) * (mean + 2 * anchorMm),
      coversMm2: component.areaMm2,
    });
  });
  return out;
}

/** Distance of a point to the area, and how high above the hem the nearest place lies. */
function nearest(shape: AreaShape, q: Vec3): { distance: number; heightMm: number } {
  const p = shape.patch.positions;
  let best = 0;
  let least = Infinity;
  for (let v = 0; v < p.length / 3; v++) {
    const d = (p[3 * v]! - q[0]) ** 2 + (p[3 * v + 1]! - q[1]) ** 2 + (p[3 * v + 2]! - q[2]) ** 2;
    if (d < least) {
      least = d;
      best = v;
    }
  }
  return { distance: Math.sqrt(least), heightMm: shape.field.phi[best]! };
}

/** A slit as long as half the girth opens to the whole of it. @returns null when the part is not near the area */
export function slitFor(shape: AreaShape, body: Body, partId: string, anchorMm: number): SheetCut['slit'] {
  const part = body.parts.find((p) => p.part.id === partId);
  if (!part) return null;
  const root = endOf(part, 'root');
  const near = nearest(shape, root.at);
  if (near.distance > 2.5 * root.radius) return null;
  return { part: part.part.name, fromEdgeMm: Math.max(0, near.heightMm) + anchorMm, lengthMm: Math.PI * root.radius };
}

/** Folds and bends a flat layer bridges: where a part of this area grows out of another, and where a limb bends. */
export function forgottenPlaces(shape: AreaShape, body: Body | null): Text[] {
  if (!body) return [];
  const out: Text[] = [];
  for (const p of body.parts) {
    if (p.part.shape === 'board') continue;
    const base = body.parts.find((b) => b.part.id === p.part.on);
    const root = endOf(p, 'root');
    if (base && base.part.shape !== 'board' && nearest(shape, root.at).distance < 1.6 * root.radius) {
      out.push(say`the fold where ${p.part.name} joins ${base.part.name}`);
    }
    p.left.slice(1).forEach((s, i) => {
      const before = p.left[i]!;
      const cos = [0, 1, 2].reduce(
        (sum, k) => sum + ((before.b[k]! - before.a[k]!) * (s.b[k]! - s.a[k]!)) / (before.length * s.length || 1),
        0,
      );
      if (cos < 0.86 && nearest(shape, s.a).distance < 1.4 * s.ra) out.push(say`the bend of ${p.part.name}`);
    });
  }
  return [...new Map(out.map((t) => [JSON.stringify(t), t])).values()];
}
