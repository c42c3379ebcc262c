/** Judgement of markings: too fine to lay, lying nowhere, no room left for the eyes, or lost against their ground. */
import { ref } from '@/core/ref';
import { endOf } from '@/core/form/body';
import { mirrorPlace, pointOf } from '@/core/form/places';
import type { FormWork } from '@/core/form/form';
import { nearestVertex } from '@/core/geometry/mesh';
import type { Vec3 } from '@/core/geometry/vec';
import type { ShapedAreas } from '@/core/coat/coat-plan';
import type { Cupboard, Lot } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import type { Finding, Remedy } from '@/core/stage';
import { grams, mgCm2, mm, say } from '@/core/text';
import { labOf } from '@/core/colour/lab';
import { labOfCurve, reflectanceOf } from '@/core/colour/reflectance';
import type { Hand } from '@/core/piece/hand';
import { reverseOwned } from '@/core/piece/cupboard';
import { HIDES, hidingMg } from '@/core/shade/layers/hide';
import type { MarkingOnSkin } from './marking-shape';
import { veilCurve } from '@/core/shade/layers/veil';
import { woolApart } from '@/core/shade/judging/stand-apart';
import { missingFindings } from '@/core/shade/judging/layer-findings';
import { readyLayers } from '@/core/shade/layers/layers';
import { isMixed, mixed } from '@/core/wool/recipe';
import { woolFor } from '@/core/shade/shade-methods';
import type { MarkingPlan } from '@/core/shade/shade-plan';
import { VANISHES } from '@/core/shade/words';

/** Finer than this cannot be laid with a needle. Ours. */
const FINEST = 0.8;
/** Room for the nose in radii of the end of the muzzle. Ours, until the nose is sized. */
const NOSE_ROOM = 1.6;
/** Room an eye with its rim wants round its middle, as a share of the finished length. Ours, until the eyes are sized. */
const EYE_ROOM = 0.014;

/** Left free beyond the edge of an eye, mm. Ours. */
const RIM_ROOM = 1.5;

const eyePoints = (form: FormWork, { eyes }: NonNullable<Piece['face']>): Vec3[] =>
  [eyes.at, ...(form.body.board ? [] : [eyes.other ?? mirrorPlace(eyes.at)])].flatMap((q) => {
    const p = pointOf(form.body, q);
    return p ? [p] : [];
  });

type Put = (f: Omit<Finding, 'stage' | 'about'>) => void;
type Marking = Piece['markings'][number];

export function markingFindings(
  piece: Piece,
  cupboard: Cupboard,
  hand: Hand,
  plans: readonly MarkingPlan[],
  onSkin: readonly MarkingOnSkin[],
  form: FormWork,
  shaped: Pick<ShapedAreas, 'shapes'>,
): Finding[] {
  const out: Finding[] = [];
  const { face } = piece;
  const eyes = face ? eyePoints(form, face) : shaped.shapes.flatMap((s) => s?.away ?? []);
  const roomMm = face ? face.eyes.sizeMm / 2 + RIM_ROOM : EYE_ROOM * piece.form.finishedLengthMm;
  piece.markings.forEach((m, k) => {
    const plan = plans[k]!;
    const put: Put = (f) => out.push({ ...f, stage: 'shade', about: ref('marking', m.id) });
    out.push(...missingFindings(ref('marking', m.id), m.name, readyLayers(m.layers, null, cupboard, hand).missing));
    if (plan.areaMm2 < 0.5) {
      put({
        id: `shade-nowhere-${m.id}`,
        code: 'shade-nowhere',
        severity: 'caution',
        says: say`The marking ${m.name} lies nowhere.`,
        why: say`It has no place yet, or lies where the animal has no area.`,
        remedies: [],
      });
      return;
    }
    tooFine(m, k, put);
    reachesNose(m, k, plan, form, put);
    // Depth inside the marking is a distance: less than the room beyond its border is too near.
    const near = (e: Vec3) => onSkin[k]!.depth[nearestVertex(form.skin.positions, e)]! > -roomMm;
    if (m.shape.kind !== 'mask' && eyes.some(near)) {
      put({
        id: `shade-room-${m.id}`,
        code: 'shade-room',
        severity: 'caution',
        says: say`${m.name} leaves no room for the eye.`,
        why: say`It comes nearer than ${mm(roomMm)} to the middle of an eye; the eye and its rim need that much.`,
        remedies: [],
      });
    }
    if (plan.contrast !== null && plan.contrast < VANISHES) {
      put({
        id: `shade-faint-${m.id}`,
        code: 'shade-faint',
        severity: plan.contrast < VANISHES / 2 ? 'caution' : 'note',
        says: say`${m.name} will hardly be told from what it lies on.`,
        why: say`At arm’s length two colours so near run into each other. Make one lighter, or rim it.`,
        remedies: otherColour(m, k, plan, cupboard, hand),
      });
    }
    showsThrough(m, k, plan, cupboard, hand, put);
    if (m.broken && !reverseOwned(cupboard)) {
      put({
        id: `shade-broken-${m.id}`,
        code: 'shade-broken',
        severity: 'stop',
        says: say`There is no reverse needle in the cupboard to break ${m.name} into dashes with.`,
        why: say`The gaps are made by pulling the ground up through the line.`,
        remedies: [],
      });
    }
  });
  return out;
}

/** The layer of a marking that lies on top, of a wool that is told from its ground. */
function otherColour(m: Marking, k: number, plan: MarkingPlan, cupboard: Cupboard, hand: Hand): Remedy[] {
  const { hostHex } = plan;
  const j = m.layers.findLastIndex((l) => l.kind === 'veil');
  const top = m.layers[j];
  if (!hostHex || top?.kind !== 'veil') return [];
  const ground = reflectanceOf(hostHex);
  const of = (lot: Lot) => mixed([{ lotId: lot.id, parts: 1 }], 1, cupboard, hand);
  const now = mixed(top.recipe, top.even, cupboard, hand);
  if (!isMixed(now)) return [];
  const other = woolApart(cupboard.lots, now.hex, hostHex, (lot) => {
    const mix = of(lot);
    return isMixed(mix)
      ? labOfCurve(veilCurve(mix.curve, ground, (mix.kappa * top.arealMgCm2) / mix.m1))
      : labOf(hostHex);
  });
  return other
    ? [
        {
          label: say`Lay ${m.name} of ${other.name}`,
          effect: say`told from its ground at arm’s length`,
          changes: [{ path: ['markings', k, 'layers', j, 'recipe'], value: [{ lotId: other.id, parts: 1 }] }],
        },
      ]
    : [];
}

/** A line finer than a needle can lay. */
function tooFine(m: Marking, k: number, put: Put): void {
  if (!('startMm' in m.shape)) return;
  const { startMm, endMm } = m.shape;
  const least = Math.min(startMm, endMm > 0 ? endMm : startMm);
  if (least >= FINEST) return;
  put({
    id: `shade-fine-${m.id}`,
    code: 'shade-fine',
    severity: 'caution',
    says: say`${m.name} is finer than a needle can lay: ${mm(least)}.`,
    why: say`Below ${mm(FINEST)} the wool spreads under the needle. Lay it wider, or break it into dashes with the reverse needle.`,
    remedies: [
      {
        label: say`Make it ${mm(1)} at its finest`,
        effect: say`as fine as can be laid`,
        changes: [
          { path: ['markings', k, 'shape', 'startMm'], value: Math.max(1, startMm) },
          ...(endMm > 0 ? [{ path: ['markings', k, 'shape', 'endMm'], value: Math.max(1, endMm) }] : []),
        ],
      },
    ],
  });
}

/** A blaze that leaves no room for the nose. */
function reachesNose(m: Marking, k: number, plan: MarkingPlan, form: FormWork, put: Put): void {
  if (m.shape.kind !== 'blaze') return;
  const end = m.shape.through[m.shape.through.length - 1]!;
  const part = form.body.parts.find((p) => p.part.id === end.part);
  if (!part) return;
  // From beyond its end a place is drawn back onto the tip; the nose takes about one and a half radii of it.
  const free = part.part.root === 'start';
  const tip = pointOf(form.body, { ...end, along: free ? 1.5 : -0.5, up: 0, out: 0 });
  const last = plan.line[plan.line.length - 1];
  const short = tip && last ? Math.hypot(tip[0] - last[0], tip[1] - last[1], tip[2] - last[2]) : Infinity;
  const least = NOSE_ROOM * endOf(part, 'free').radius;
  if (short >= least) return;
  const stopMm = Math.ceil(m.shape.stopMm + least - short);
  put({
    id: `shade-blaze-${m.id}`,
    code: 'shade-blaze',
    severity: 'caution',
    says: say`${m.name} runs to within ${mm(short)} of the tip.`,
    why: say`A blaze tapers toward the nose and stops short of it; leave ${mm(least)} for the nose.`,
    remedies: [
      {
        label: say`Stop ${mm(stopMm)} short`,
        effect: say`leaves room for the nose`,
        changes: [{ path: ['markings', k, 'shape', 'stopMm'], value: stopMm }],
      },
    ],
  });
}

/** A layer of a marking that is to hide what it lies on and does not. */
function showsThrough(m: Marking, k: number, plan: MarkingPlan, cupboard: Cupboard, hand: Hand, put: Put): void {
  m.layers.forEach((l, j) => {
    const laid = plan.layers.find((x) => x.layerId === l.id);
    if (l.kind !== 'veil' || l.aim !== 'hide' || !laid || laid.showsBy <= HIDES || !plan.hostHex) return;
    const mix = mixed(l.recipe, l.even, cupboard, hand);
    if (!isMixed(mix)) return;
    const need = j === 0 ? hidingMg(mix.curve, reflectanceOf(plan.hostHex), mix.m1, mix.kappa) : null;
    put({
      id: `shade-hide-${m.id}-${l.id}`,
      code: 'shade-hide',
      severity: 'caution',
      says: say`What lies below shows through ${m.name}.`,
      why:
        need === null
          ? say`${laid.wool} would hardly ever hide it; lay a paler ground under it first.`
          : say`Hiding takes ${mgCm2(need)} of ${laid.wool}, ${grams(woolFor(need - l.arealMgCm2, laid.areaMm2, hand))} more.`,
      remedies:
        need === null
          ? []
          : [
              {
                label: say`Lay ${mgCm2(need)}`,
                effect: say`hides what is below`,
                changes: [{ path: ['markings', k, 'layers', j, 'arealMgCm2'], value: need }],
              },
            ],
    });
  });
}
