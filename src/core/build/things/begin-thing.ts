/** Small things as they begin, as large as the animal asks for. Ours. mm */
import { makeBody } from '@/core/form/body';
import type { FormPlan } from '@/core/form/form';
import type { Piece } from '@/core/piece/schema';
import type { Thing, ThingKind, ThingOf } from '@/core/piece/things';
import { freeId } from '@/core/shade/judging/layer-findings';
import { SAFE_DEG } from '../steadied';
import type { StandsPlan } from '../stands';
import { EDGE_MM } from './base-findings';
import { middleOf } from './support';
import { threadsRound } from './thread';

/** Words for each kind, as it is called when it is new. */
export const THING_WORDS: Readonly<Record<ThingKind, string>> = {
  collar: 'Collar',
  scarf: 'Scarf',
  bow: 'Bow',
  basket: 'Basket',
  twig: 'Twig',
  base: 'Base',
  frame: 'Frame',
};

const half = (x: number): number => Math.max(0.5, Math.round(2 * x) / 2);

const WOODEN = { wood: 'middling', colour: '#8a6a48' } as const;

/** A base that holds its feet with wood round them, and as far out as it takes not to be thrown by a knock. */
export function beginBase(
  things: readonly Thing[],
  stands: Pick<StandsPlan, 'feet' | 'centre' | 'groundY' | 'on'>,
): ThingOf<'base'> {
  const middle = middleOf(stands.feet, stands.centre);
  const twig = things.find((t) => t.kind === 'twig' && t.under);
  const thickMm = 12;
  // The middle of its weight with the base is lower than without: on the safe side.
  const high = stands.centre[1] - stands.groundY + thickMm + (twig?.kind === 'twig' ? twig.acrossMm : 0);
  const steady = Math.tan((2 * SAFE_DEG * Math.PI) / 180) * high;
  const size = (k: 0 | 1): number => {
    const reach = Math.max(0, ...stands.feet.map((q) => Math.abs(q[k] - middle[k])));
    const off = Math.abs((k === 0 ? stands.centre[0] : stands.centre[2]) - middle[k]);
    return Math.ceil(2 * Math.max(Math.SQRT2 * reach + 2 * EDGE_MM, off + steady));
  };
  return {
    id: freeId(things, 'small-base'),
    name: THING_WORDS.base,
    kind: 'base',
    outline: 'oval',
    longMm: Math.min(1500, Math.max(10, size(1))),
    wideMm: Math.min(1500, Math.max(10, size(0))),
    thickMm,
    ...WOODEN,
    colour: '#a8845a',
  };
}

/** Where along a part the shortest thread goes round; its middle where none does. */
function thinnest(form: Piece['form'], { skin }: Pick<FormPlan, 'skin'>, on: string): number {
  const body = makeBody(form);
  const girth = (along: number) => threadsRound(body, skin, { on, side: 'left', along }, [0])?.[0]!.girthMm ?? Infinity;
  const places = Array.from({ length: 17 }, (_, i) => Math.round(100 * (0.1 + 0.05 * i)) / 100);
  const least = places.reduce((best, along) => (girth(along) < girth(best) ? along : best));
  return Number.isFinite(girth(least)) ? least : 0.5;
}

/** @param piece what it is for @param plan as far as it is worked out */
export function beginThing(
  kind: ThingKind,
  piece: Pick<Piece, 'things' | 'form' | 'core'>,
  plan: { readonly form: Pick<FormPlan, 'lengthMm' | 'skin'>; readonly stands: StandsPlan },
  shrinkShare: number,
): Thing {
  const { things, form } = piece;
  const size = plan.form.lengthMm;
  const common = { id: freeId(things, `small-${kind}`), name: THING_WORDS[kind] };
  const felted = { lotId: null, thicknessMm: 1.5, shrinkShare };
  // Round the neck where there is one: what the head sits on.
  const head = form.parts.find((p) => p.role === 'head');
  const neck = form.parts.find((p) => p.id === head?.on) ?? form.parts[0]!;
  const seated = {
    on: neck.id,
    side: 'left',
    along: thinnest(piece.form, plan.form, neck.id),
    aroundDeg: 180,
  } as const;
  const besides = { leftMm: Math.round(0.25 * size), forwardMm: Math.round(0.2 * size) };
  switch (kind) {
    case 'collar':
      return { ...common, kind, ...seated, wideMm: half(0.03 * size), looserMm: 0, overlapMm: 5, ...felted };
    case 'scarf':
      return {
        ...common,
        kind,
        ...seated,
        wideMm: half(0.06 * size),
        looserMm: 2,
        endsMm: Math.round(0.16 * size),
        fringeMm: Math.round(0.03 * size),
        ...felted,
      };
    case 'bow':
      return {
        ...common,
        kind,
        ...seated,
        acrossMm: Math.max(4, Math.round(0.16 * size)),
        highMm: Math.max(2, half(0.07 * size)),
        tailsMm: Math.round(0.08 * size),
        ...felted,
      };
    case 'basket':
      return {
        ...common,
        kind,
        bottomMm: Math.max(5, Math.round(0.16 * size)),
        topMm: Math.max(5, Math.round(0.2 * size)),
        highMm: Math.max(3, Math.round(0.12 * size)),
        handle: true,
        ...besides,
        ...felted,
        thicknessMm: 2,
      };
    case 'twig':
      return {
        ...common,
        kind,
        under: false,
        acrossMm: Math.max(1, half(0.06 * size)),
        longMm: Math.max(5, Math.round(0.9 * size)),
        turnDeg: 0,
        ...besides,
        ...WOODEN,
      };
    case 'base':
      return beginBase(things, plan.stands);
    case 'frame':
      return { ...common, kind, profileMm: 20, deepMm: 30, gapMm: 2, glass: false, ...WOODEN };
  }
}
