/** The coat stage: every area under its way of laying, as figures, rows, a chart, findings and operations. */
import type { FormWork } from '@/core/form/form';
import { nearestVertex } from '@/core/geometry/mesh';
import type { Vec3 } from '@/core/geometry/vec';
import type { Coat, Laid } from '@/core/piece/coat';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Area, Piece } from '@/core/piece/schema';
import { untaught } from '@/core/rates/hand-at-work';
import { ref } from '@/core/ref';
import type { Context, Finding, Operation, Stage } from '@/core/stage';
import { say } from '@/core/text';
import { findWools } from '@/core/wool/find';
import { betweenAreas, locksShared } from './between';
import type { AreaPlan, CoatPlan, ShapedAreas } from './coat-plan';
import { heldFindings } from './held';
import { layArea } from './lay-area';
import { stoppedFindings } from './stopped';
import { marginsOf } from '@/core/coat/cover/margins';
import { stopsOf } from '@/core/coat/cover/stops';
import { undecidedFindings, undecidedOf } from './undecided';
import type { Lay } from './way';
import { wayOf } from './ways';

export function planCoat(
  { piece, cupboard, hand, memo }: Context,
  { work: form, shaped }: { readonly work: FormWork; readonly shaped: ShapedAreas },
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
    findings.push(
      ...found,
      ...heldFindings(laid.context, laid.lay, hand.laying[coat.method]?.spacing ?? null),
      ...stoppedFindings(laid.context, laid.lay),
    );
    operations.push(...work);
    const { lot, hand: rates, habit, rise } = laid.context;
    // What time takes does not move how far a measure may go.
    const asked = { spec: coat, lot, hand: untaught(rates), habit, rise };
    const margins = memo.keep(`margins:${area.id}`, [asked], (s) => marginsOf(wayOf(s.spec.method), s));
    return {
      ...bare,
      colour: lot.colour,
      fur: {
        ...fur,
        method: coat.method,
        lotId: lot.id,
        lotName: lot.name,
        margins,
        stops: stopsOf(wayOf(coat.method), asked, margins, shape.heightMm),
        swatches: laid.swatches,
      },
    };
  });
  const undecided = undecidedOf(piece, form, shaped);
  const locks = locksShared(piece, cupboard, lays);
  findings.push(
    ...locks.findings,
    ...betweenAreas(piece, cupboard, hand, form.body, shaped, lays),
    ...undecidedFindings(piece, cupboard, hand, form, shaped, undecided),
  );
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
      undecided,
      locks: locks.shared,
    },
    findings,
    operations,
    ties: [],
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
    code: 'coat-nowhere',
    stage: 'coat',
    severity: 'caution',
    about: ref('area', area.id),
    says: say`${area.name} lies nowhere on the animal.`,
    why: say`Its bands are empty, or areas further down the list have taken all of its place.`,
    remedies: [],
  };
}

function noWool(area: Area, cupboard: Cupboard, index: number): Finding {
  return {
    id: `coat-no-wool-${area.id}`,
    code: 'coat-no-wool',
    stage: 'coat',
    severity: 'stop',
    about: ref('area', area.id),
    says: say`The wool chosen for ${area.name} is not in the cupboard.`,
    why: say`Without its fineness and staple nothing can be worked out. Choose another lot or add it to the cupboard.`,
    remedies: findWools(
      cupboard.lots,
      area.coat.method === 'none' ? {} : { suits: (form) => wayOf((area.coat as Laid).method).suits[form].suits },
    )
      .slice(0, 3)
      .map((l) => ({
        label: say`Use ${l.name}`,
        effect: say`staple and fineness of ${l.name}`,
        changes: [{ path: ['areas', index, 'coat', 'lotId'], value: l.id }],
      })),
  };
}
