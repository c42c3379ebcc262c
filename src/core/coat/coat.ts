/** The coat stage: every area under its way of laying, as figures, rows, a chart, findings and operations. */
import type { FormWork } from '@/core/form/form';
import { areaDepth, depthAfter } from '@/core/form/areas';
import { REFERENCE_MM, resizeOverhang, resizeShape } from '@/core/form/resize';
import type { Figure } from '@/core/method/define';
import type { Memo } from '@/core/memo';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Area, Piece } from '@/core/piece/schema';
import type { Finding, Operation, Stage } from '@/core/stage';
import { say } from '@/core/text';
import { shapeArea, type AreaShape, type Component } from './area-shape';
import { coverMap } from './cover-map';
import { docketOf, type Docket } from './docket';
import { foldOverFigures, foldOverOperations, type FoldOverFigures } from './fold-over';
import { foldOverFindings } from './fold-over-findings';
import { layChart, type LayChart } from './lay-chart';
import { overhangs, type Overhang } from './neighbours';
import { measureRows, type RowSet } from './rows';

export interface AreaPlan {
  readonly id: string;
  readonly name: string;
  readonly areaMm2: number;
  readonly colour: string | null;
  /** The cut surface of the area; stride 3. Null when the area lies nowhere. */
  readonly surface: {
    readonly positions: Float64Array;
    readonly normals: Float64Array;
    readonly triangles: Uint32Array;
  } | null;
  readonly components: readonly Component[];
  /** Null for an area left bare or whose wool is missing. */
  readonly fur: {
    readonly lotId: string;
    readonly lotName: string;
    readonly figures: FoldOverFigures;
    readonly docket: Docket;
    readonly rows: RowSet;
    readonly chart: LayChart;
    /** Share of the base hidden on every triangle of the surface. */
    readonly coverMap: Float32Array;
  } | null;
}

export interface CoatPlan {
  readonly areas: readonly AreaPlan[];
  readonly totals: { readonly massG: number; readonly minutes: number; readonly rowsMm: number };
}

export interface ShapedAreas {
  readonly shapes: readonly (AreaShape | null)[];
  readonly overhangs: readonly Overhang[];
  /** Which area has each vertex of the skin; -1 for none. */
  readonly owner: Int32Array;
}

/**
 * Places and shapes of all areas, made on the form at its reference length and stretched to the finished one. Kept while
 * only wool, length, spacing or lift change; a change of size stretches and nothing more.
 */
export function* shapeAreas(
  piece: Piece,
  form: FormWork,
  formKey: string,
  memo: Memo,
): Generator<{ readonly name: string }, ShapedAreas> {
  const k = piece.form.finishedLengthMm / REFERENCE_MM;
  const wheres = piece.areas.map((a) => JSON.stringify([a.where, a.strokes]));
  const own: Float64Array[] = [];
  for (const [i, a] of piece.areas.entries()) {
    own.push(memo.keep(`depth:${a.id}`, formKey + wheres[i]!, () => areaDepth(form.body, form.skin, form.distance, a)));
  }
  const taken = (i: number) =>
    memo.keep(`taken:${piece.areas[i]!.id}`, formKey + wheres.slice(i).join('|'), () =>
      depthAfter(own[i]!, own.slice(i + 1)),
    );
  const shapes: (AreaShape | null)[] = [];
  for (const [i, a] of piece.areas.entries()) {
    yield { name: a.name };
    const key = formKey + wheres.slice(i).join('|');
    const shape = memo.keep(`shape:${a.id}`, key, () => shapeArea(form, taken(i)));
    shapes.push(memo.keep(`stretched:${a.id}`, `${key}*${k}`, () => shape && resizeShape(shape, k)));
  }
  const over = memo.keep('overhangs', formKey + wheres.join('|') + piece.areas.map((a) => a.id).join(), () =>
    overhangs(
      form,
      piece.areas.map((_, i) => taken(i)),
    ),
  );
  const owner = memo.keep('owner', formKey + wheres.join('|'), () => {
    const of = new Int32Array(form.skin.positions.length / 3).fill(-1);
    piece.areas.forEach((_, i) => taken(i).forEach((d, v) => d > 0 && (of[v] = i)));
    return of;
  });
  return { shapes, overhangs: over.map((o) => resizeOverhang(o, k)), owner };
}

export function planCoat(
  piece: Piece,
  cupboard: Cupboard,
  hand: Hand,
  shaped: ShapedAreas,
  shapeKey: (area: number) => string,
  memo: Memo,
): Stage<CoatPlan> {
  const findings: Finding[] = [];
  const operations: Operation[] = [];
  const areas = piece.areas.map((area, i): AreaPlan => {
    const shape = shaped.shapes[i]!;
    const bare: AreaPlan = {
      id: area.id,
      name: area.name,
      areaMm2: shape?.patch.areaMm2 ?? 0,
      colour: null,
      surface: shape && { positions: shape.patch.positions, normals: shape.normal, triangles: shape.patch.triangles },
      components: shape?.components ?? [],
      fur: null,
    };
    if (!shape) {
      findings.push(nowhere(area));
      return bare;
    }
    if (area.coat.method === 'none') return bare;
    const spec = area.coat;
    const lot = cupboard.lots.find((l) => l.id === spec.lotId);
    if (!lot) {
      findings.push(noWool(area, cupboard, i));
      return bare;
    }
    const rows = memo.keep(`rows:${area.id}`, `${shapeKey(i)}@${spec.spacingMm}`, () =>
      measureRows(shape.patch, shape.field, spec.spacingMm, shape.normal, shape.lie),
    );
    const chart = memo.keep(`chart:${area.id}`, `${shapeKey(i)}@${spec.spacingMm}`, () =>
      layChart(rows.rows, shape.components, spec.spacingMm),
    );
    const figures = foldOverFigures(spec, lot, hand, rows, shape.heightMm);
    const context = { area, areaIndex: i, spec, lot, cupboard, hand, rows, figures };
    findings.push(...foldOverFindings(context));
    operations.push(
      ...foldOverOperations(
        context,
        shaped.overhangs
          .filter((o) => o.over === i && piece.areas[o.under]!.coat.method !== 'none')
          .map((o) => ({
            areaId: piece.areas[o.under]!.id,
            why: say`The fur of ${area.name} hangs over ${piece.areas[o.under]!.name}.`,
            strength: o.strengthMm,
          })),
      ),
    );
    return {
      ...bare,
      colour: lot.colour,
      fur: {
        lotId: lot.id,
        lotName: lot.name,
        figures,
        docket: docketOf(figures, lot),
        rows,
        chart,
        coverMap: coverMap(spec, lot, hand, shape.field.steepness),
      },
    };
  });
  const sum = (of: (f: FoldOverFigures) => Figure) =>
    areas.reduce((s, a) => s + (a.fur ? of(a.fur.figures).value : 0), 0);
  return {
    result: {
      areas,
      totals: { massG: sum((f) => f.mass), minutes: sum((f) => f.minutes), rowsMm: sum((f) => f.rowLength) },
    },
    findings,
    operations,
  };
}

function nowhere(area: Area): Finding {
  return {
    id: `coat-nowhere-${area.id}`,
    stage: 'coat',
    severity: 'caution',
    about: area.id,
    says: say`${area.name} lies nowhere on the animal.`,
    why: say`Its bands are empty, or areas further down the list have taken all of its place.`,
    remedies: [],
  };
}

function noWool(area: Area, cupboard: Cupboard, index: number): Finding {
  return {
    id: `coat-no-wool-${area.id}`,
    stage: 'coat',
    severity: 'stop',
    about: area.id,
    says: say`The wool chosen for ${area.name} is not in the cupboard.`,
    why: say`Without its fineness and staple nothing can be worked out. Choose another lot or add it to the cupboard.`,
    remedies: cupboard.lots.slice(0, 3).map((l) => ({
      label: say`Use ${l.name}`,
      effect: say`staple and fineness of ${l.name}`,
      changes: [{ path: ['areas', index, 'coat', 'lotId'], value: l.id }],
    })),
  };
}
