/** The coat stage: every area under its way of laying, as figures, rows, a chart, findings and operations. */
import type { FormWork } from '@/core/form/form';
import { areaDepth, depthAfter } from '@/core/form/areas';
import { lieMarks, type LieMark } from '@/core/form/lie-marks';
import { nearestVertex } from '@/core/geometry/mesh';
import type { Vec3 } from '@/core/geometry/vec';
import { REFERENCE_MM, resizeOverhang, resizeShape } from '@/core/form/resize';
import type { Memo } from '@/core/memo';
import type { Coat, Laid } from '@/core/piece/coat';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Area, Piece } from '@/core/piece/schema';
import type { Finding, Operation, Stage } from '@/core/stage';
import { say } from '@/core/text';
import { shapeArea, type AreaShape, type Component } from './area-shape';
import { betweenAreas, locksShared, type SharedLocks } from './between';
import { cornersOf, type Corner } from './corners';
import { learntFrom } from './learnt';
import { marginsOf, type Margin } from './margins';
import { overhangs, type Overhang } from './neighbours';
import type { Lay, LayContext } from './way';
import { wayOf } from './ways';

export interface AreaPlan {
  readonly id: string;
  readonly name: string;
  readonly areaMm2: number;
  readonly colour: string | null;
  /** The cut surface of the area; stride 3. Null when the area lies nowhere. */
  readonly surface: {
    readonly positions: Float64Array;
    readonly normals: Float64Array;
    readonly lie: Float64Array;
    readonly triangles: Uint32Array;
  } | null;
  readonly components: readonly Component[];
  /** Places its fur points away from (eyes), mm. */
  readonly away: readonly Vec3[];
  /** How far its rows depart from the lie (0 to about 1). */
  readonly swirl: number;
  /** Null for an area left bare or whose wool is missing. */
  readonly fur:
    | (Omit<Lay, 'findings' | 'operations' | 'seats'> & {
        readonly method: Laid['method'];
        readonly lotId: string;
        readonly lotName: string;
        /** How far spacing, weight and length may go and still cover. */
        readonly margins: readonly Margin[];
        /** Practice swatches its figures rest on. */
        readonly swatches: number;
      })
    | null;
}

export interface CoatPlan {
  readonly areas: readonly AreaPlan[];
  readonly totals: { readonly massG: number; readonly minutes: number; readonly rowsMm: number };
  /** Crowns, partings and saddles of the lie. */
  readonly lieMarks: readonly (LieMark & { readonly areaId: string | null })[];
  readonly corners: readonly Corner[];
  /** Sorted locks of a lot shared out over the areas that draw on it. */
  readonly locks: readonly SharedLocks[];
}

export interface ShapedAreas {
  readonly shapes: readonly (AreaShape | null)[];
  readonly overhangs: readonly Overhang[];
  /** Which area has each vertex of the skin; -1 for none. */
  readonly owner: Int32Array;
  /** Signed depth of every vertex of the skin inside each area, later ones taken out, mm; clamped a few edges off its border. */
  readonly depths: readonly Float64Array[];
  readonly marks: readonly LieMark[];
  readonly corners: readonly Corner[];
  /** What the shape of an area was made from, by index. */
  readonly keys: readonly string[];
}

/**
 * Places and shapes of all areas, made on the form at its reference length and stretched to the finished one. Kept while
 * only wool, length, spacing or lift change; a change of size stretches and nothing more; a stroke of the comb leaves the
 * places as they are.
 * @param formKey what the skin was made from
 * @param lieKey what the lie was made from besides
 */
export function* shapeAreas(
  piece: Piece,
  form: FormWork,
  formKey: string,
  lieKey: string,
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
  const keys: string[] = [];
  for (const [i, a] of piece.areas.entries()) {
    yield { name: a.name };
    const key = `${formKey}${lieKey}${wheres.slice(i).join('|')}${JSON.stringify([a.awayFrom, a.evenness, a.seam])}`;
    const shape = memo.keep(`shape:${a.id}`, key, () => shapeArea(form, taken(i), a));
    keys.push(`${key}*${k}`);
    shapes.push(memo.keep(`stretched:${a.id}`, keys[i]!, () => shape && resizeShape(shape, k)));
  }
  const all = `${formKey}${lieKey}${wheres.join('|')}${piece.areas.map((a) => a.id).join()}`;
  const over = memo.keep('overhangs', all, () =>
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
  const corners = memo.keep('corners', all, () => cornersOf(form, owner));
  const marks = memo.keep('lie-marks', formKey + lieKey, () => lieMarks(form.skin, form.lie));
  return {
    shapes,
    overhangs: over.map((o) => resizeOverhang(o, k)),
    owner,
    depths: piece.areas.map((a, i) =>
      memo.keep(`taken-mm:${a.id}`, `${formKey}${wheres.slice(i).join('|')}*${k}`, () => taken(i).map((d) => d * k)),
    ),
    marks: marks.map((m) => ({
      ...m,
      at: [m.at[0] * k, m.at[1] * k, m.at[2] * k] as const,
      lengthMm: m.lengthMm * k,
    })),
    corners: corners.map((c) => ({
      ...c,
      borderMm: c.borderMm * k,
      along: c.along.map(([x, y, z]) => [x * k, y * k, z * k] as const),
    })),
    keys,
  };
}

/** An area laid as a coat says; null where its wool is not in the cupboard. */
export function layArea(
  piece: Piece,
  index: number,
  coat: Laid,
  cupboard: Cupboard,
  hand: Hand,
  shaped: Pick<ShapedAreas, 'shapes' | 'overhangs' | 'keys'>,
  body: LayContext['body'],
  memo: Memo,
): { lay: Lay; context: LayContext; swatches: number } | null {
  const area = piece.areas[index]!;
  const shape = shaped.shapes[index];
  const lot = cupboard.lots.find((l) => l.id === coat.lotId);
  if (!shape || !lot) return null;
  const withLot = (l: typeof lot) => {
    const { swatches: _, ...learnt } = learntFrom(cupboard, l, hand);
    return { lot: l, ...learnt };
  };
  const learnt = learntFrom(cupboard, lot, hand);
  const context: LayContext = {
    area,
    areaIndex: index,
    spec: coat,
    lot,
    cupboard,
    hand: learnt.hand,
    habit: learnt.habit,
    rise: learnt.rise,
    withLot,
    wayOf,
    shape,
    body,
    under: shaped.overhangs
      .filter((o) => o.over === index && piece.areas[o.under]!.coat.method !== 'none')
      .map((o) => ({
        areaId: piece.areas[o.under]!.id,
        why: say`The fur of ${area.name} hangs over ${piece.areas[o.under]!.name}.`,
        strength: o.strengthMm,
      })),
    keep: (slot, key, make) => memo.keep(`${slot}:${area.id}`, `${shaped.keys[index]}@${key}`, make),
  };
  return { lay: wayOf(coat.method).lay(context), context, swatches: learnt.swatches };
}

export function planCoat(
  piece: Piece,
  cupboard: Cupboard,
  hand: Hand,
  shaped: ShapedAreas,
  form: FormWork,
  memo: Memo,
): Stage<CoatPlan> {
  const findings: Finding[] = [];
  const operations: Operation[] = [];
  const lays: (Lay | null)[] = [];
  const areas = piece.areas.map((area, i): AreaPlan => {
    const shape = shaped.shapes[i]!;
    lays.push(null);
    const bare: AreaPlan = {
      id: area.id,
      name: area.name,
      areaMm2: shape?.patch.areaMm2 ?? 0,
      colour: null,
      surface: shape && {
        positions: shape.patch.positions,
        normals: shape.normal,
        lie: shape.lie,
        triangles: shape.patch.triangles,
      },
      components: shape?.components ?? [],
      away: shape?.away ?? [],
      swirl: shape?.swirl ?? 0,
      fur: null,
    };
    if (!shape) {
      findings.push(nowhere(area));
      return bare;
    }
    const coat: Coat = area.coat;
    if (coat.method === 'none') return bare;
    const laid = layArea(piece, i, coat, cupboard, hand, shaped, form.body, memo);
    if (!laid) {
      findings.push(noWool(area, cupboard, i));
      return bare;
    }
    lays[i] = laid.lay;
    const { findings: found, operations: work, seats: _, ...fur } = laid.lay;
    findings.push(...found);
    operations.push(...work);
    const { lot } = laid.context;
    return {
      ...bare,
      colour: lot.colour,
      fur: {
        ...fur,
        method: coat.method,
        lotId: lot.id,
        lotName: lot.name,
        margins: memo.keep(
          `margins:${area.id}`,
          JSON.stringify([coat, lot, laid.context.hand, laid.context.habit]),
          () => marginsOf(wayOf(coat.method), laid.context),
        ),
        swatches: laid.swatches,
      },
    };
  });
  const locks = locksShared(piece, cupboard, lays);
  findings.push(...locks.findings, ...betweenAreas(piece, cupboard, hand, form.body, shaped, lays));
  const sum = (of: (l: Lay) => number) => lays.reduce((s, l) => s + (l ? of(l) : 0), 0);
  return {
    result: {
      areas,
      totals: {
        massG: sum((l) => l.draws.reduce((s, d) => s + d.massG, 0)),
        minutes: sum((l) => l.figures.minutes.value),
        rowsMm: sum((l) => l.rows.totalMm),
      },
      lieMarks: shaped.marks.map((m) => ({ ...m, areaId: areaAt(piece, form, shaped.owner, m.at) })),
      corners: shaped.corners,
      locks: locks.shared,
    },
    findings,
    operations,
  };
}

/** The area that has the vertex nearest to a place. */
function areaAt(piece: Piece, form: FormWork, owner: Int32Array, at: Vec3): string | null {
  const which = owner[nearestVertex(form.skin.positions, at)] ?? -1;
  return which < 0 ? null : piece.areas[which]!.id;
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
