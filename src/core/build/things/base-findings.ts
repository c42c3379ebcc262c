/** A base that is too small: for its feet, or to stand safely; and how large it would have to be. mm */
import { ref } from '@/core/ref';
import type { Piece } from '@/core/piece/schema';
import type { ThingOf } from '@/core/piece/things';
import type { Finding, PieceChange, Remedy } from '@/core/stage';
import { degrees, mm, say } from '@/core/text';
import { SAFE_DEG } from '../steadied';
import { figure } from '@/core/method/define';
import { supported, type Support, type Supported } from './support';
import { WOOD_MG_CM3, woodMass } from './thing-methods';
import type { ThingPlan } from './thing-plan';

/** Wood is left round the holes of the feet. Ours. */
export const EDGE_MM = 6;
/** A base grows no larger than this by a press. */
const MOST = 1500;

type Stands = Parameters<typeof supported>[1];

/** The things with a base so much longer and wider, and what is changed. */
function grown(
  piece: Pick<Piece, 'things'>,
  things: readonly ThingPlan[],
  baseId: string,
  by: number,
): { readonly things: ThingPlan[]; readonly changes: PieceChange[]; readonly base: ThingOf<'base'> } | null {
  const index = piece.things.findIndex((t) => t.id === baseId);
  const old = piece.things[index];
  if (old?.kind !== 'base') return null;
  const base = { ...old, longMm: Math.ceil(old.longMm + by), wideMm: Math.ceil(old.wideMm + by) };
  if (base.longMm > MOST || base.wideMm > MOST) return null;
  const share = (base.longMm * base.wideMm) / (old.longMm * old.wideMm);
  return {
    base,
    things: things.map((p) => {
      if (p.id !== baseId || !p.wood) return p;
      const wood = figure(woodMass, { volume: share * p.wood.inputs.volume!, density: WOOD_MG_CM3[base.wood] });
      return { ...p, thing: base, wood, massG: wood.value };
    }),
    changes: [
      { path: ['things', index, 'longMm'], value: base.longMm },
      { path: ['things', index, 'wideMm'], value: base.wideMm },
    ],
  };
}

/** The least larger base, in whole millimetres, that does what is wanted. */
function leastBase(
  piece: Pick<Piece, 'things'>,
  things: readonly ThingPlan[],
  s: Stands,
  baseId: string,
  does: (then: Supported) => boolean,
) {
  for (let by = 1; by < MOST; by++) {
    const g = grown(piece, things, baseId, by);
    if (!g) return null;
    const then = supported(g.things, s);
    if (then && does(then)) return { ...g, then };
  }
  return null;
}

const size = (b: ThingOf<'base'>) => say`${mm(b.longMm)} by ${mm(b.wideMm)}`;

/** With how large a base it stands safely. */
export function widerBase(piece: Piece, things: readonly ThingPlan[], s: Stands, on: Supported): Remedy[] {
  const id = on.support.baseId;
  const found = id && leastBase(piece, things, s, id, (then) => then.tipping.value >= SAFE_DEG);
  return found
    ? [
        {
          label: say`Make the base ${size(found.base)}`,
          effect: say`it falls only when tipped by ${degrees(found.then.tipping.value)}`,
          changes: found.changes,
        },
      ]
    : [];
}

/** Feet that come to lie beyond the edge of the base, or too near to it for a hole. */
export function overEdge(piece: Piece, things: readonly ThingPlan[], s: Stands, on: Support): Finding[] {
  if (!on.baseId || on.overMm === null || on.overMm <= -EDGE_MM) return [];
  const found = leastBase(piece, things, s, on.baseId, (then) => then.support.overMm! <= -EDGE_MM);
  return [
    {
      id: `form-base-small-${on.baseId}`,
      code: 'form-base-small',
      stage: 'form',
      severity: on.overMm > 0 ? 'stop' : 'caution',
      about: ref('small thing', on.baseId),
      says:
        on.overMm > 0
          ? say`${on.name} is too small: what stands on it reaches ${mm(on.overMm)} over its edge.`
          : say`${on.name} is small: only ${mm(-on.overMm)} of wood are left outside what stands on it.`,
      why: say`A hole nearer to the edge than ${mm(EDGE_MM)} splits the wood.`,
      remedies: found
        ? [
            {
              label: say`Make it ${size(found.base)}`,
              effect: say`leaves ${mm(-found.then.support.overMm!)}`,
              changes: found.changes,
            },
          ]
        : [],
    },
  ];
}
