/** What is amiss with small things: where no thread goes round, no wool is chosen, a twig rolls, glass would touch the fur. */
import { ref } from '@/core/ref';
import type { FormWork } from '@/core/form/form';
import { isFelted, isWorn, type FeltThing, type Thing, type Worn } from '@/core/piece/things';
import type { Context, Finding, Remedy } from '@/core/stage';
import { grams, mm, say, share, type Text } from '@/core/text';
import { findWools } from '@/core/wool/find';
import { coreForm } from '@/core/wool/forms';
import { beginBase } from './begin-thing';
import { overEdge } from './base-findings';
import type { StandsPlan } from '../stands';
import type { ThingPlan } from './thing-plan';
import { threadsRound } from './thread';

/** Between the fur and the glass. Ours. */
const AIR_MM = 3;

export function thingFindings(x: Context, w: FormWork, things: readonly ThingPlan[], stands: StandsPlan): Finding[] {
  const { piece } = x;
  const found = piece.things.flatMap((t, i): Finding[] => {
    const p = things[i]!;
    const none = idle(piece.things, t, i, w.body.board);
    if (none) return [none];
    if (isWorn(t) && !p.worn) return [nowhere(piece.things, t, i, w)];
    return [
      ...(isFelted(t) && t.lotId === null && p.massG > 0 ? [noWool(x, t, i, p.massG)] : []),
      ...(t.kind === 'frame' && t.glass && p.beyondMm! > -AIR_MM ? [shallow(p, i, t.deepMm)] : []),
      ...(t.kind === 'twig' && stands.on?.twigId === t.id && stands.on.baseId === null ? [rolls(x, t, stands)] : []),
    ];
  });
  return stands.on ? [...found, ...overEdge(piece, things, onFeet(stands), stands.on)] : found;
}

/** What counts here is where its feet are: how much all of it weighs does not move them. */
const onFeet = (s: StandsPlan) => ({ massG: s.massG, centre: s.centre, groundY: s.groundY, feet: s.feet });

const of = (t: Thing, code: Finding['code'], severity: Finding['severity']) => ({
  id: `${code}-${t.id}`,
  code,
  stage: 'form' as const,
  severity,
  about: ref('small thing', t.id),
});

const takeAway = (things: readonly Thing[], t: Thing): Remedy => ({
  label: say`Take ${t.name} away`,
  effect: say`it is not made`,
  changes: [{ path: ['things'], value: things.filter((o) => o.id !== t.id) }],
});

/** What has nothing to do on this animal. */
function idle(things: readonly Thing[], t: Thing, index: number, relief: boolean): Finding | null {
  const before = (kind: Thing['kind']) =>
    things.findIndex((o) => o.kind === kind && (o.kind !== 'twig' || o.under)) < index;
  const says: Text | null =
    t.kind === 'frame' && !relief
      ? say`${t.name} has nothing to go round: only a relief has a board.`
      : relief && (t.kind === 'base' || (t.kind === 'twig' && t.under))
        ? say`A relief hangs: nothing of it stands on ${t.name}.`
        : (t.kind === 'base' || t.kind === 'frame' || (t.kind === 'twig' && t.under)) && before(t.kind)
          ? say`There are two of a kind: ${t.name} is not counted.`
          : null;
  return (
    says && { ...of(t, 'form-thing-other', 'caution'), says, why: say`One is enough.`, remedies: [takeAway(things, t)] }
  );
}

/** The nearest place along its part where a thread goes round. */
function nowhere(things: readonly Thing[], t: Worn, index: number, w: FormWork): Finding {
  const wide = t.kind === 'bow' ? t.highMm : t.wideMm;
  const free = Array.from({ length: 19 }, (_, i) => Math.round(100 * (0.05 + 0.05 * i)) / 100)
    .filter((along) => threadsRound(w.body, w.skin, { ...t, along }, [-wide / 2, 0, wide / 2]) !== null)
    .sort((a, b) => Math.abs(a - t.along) - Math.abs(b - t.along));
  return {
    ...of(t, 'form-thing-nowhere', 'caution'),
    says: say`No thread goes round there: ${t.name} cannot be measured.`,
    why: say`The part runs on into a neighbour at that place.`,
    remedies: free
      .slice(0, 1)
      .map((along): Remedy => ({
        label: say`Move it to ${share(along)} along the part`,
        effect: say`a thread goes round there`,
        changes: [{ path: ['things', index, 'along'], value: along }],
      }))
      .concat(takeAway(things, t)),
  };
}

function noWool({ cupboard }: Context, t: FeltThing, index: number, massG: number): Finding {
  return {
    ...of(t, 'form-thing-no-wool', 'caution'),
    says: say`No wool is chosen for ${t.name}: ${grams(massG)} of it are in no lot yet.`,
    why: say`They count in the wool of the piece, but nothing says which lot they come from and whether it suffices.`,
    remedies: findWools(cupboard.lots, { suits: coreForm, grams: massG })
      .slice(0, 3)
      .map((l) => ({
        label: say`Use ${l.name}`,
        effect: say`${grams(l.haveG)} in the cupboard`,
        changes: [{ path: ['things', index, 'lotId'], value: l.id }],
      })),
  };
}

function shallow(p: ThingPlan, index: number, deepMm: number): Finding {
  const wanted = Math.ceil(deepMm + p.beyondMm! + AIR_MM);
  return {
    ...of(p.thing, 'form-frame-shallow', p.beyondMm! > 0 ? 'stop' : 'caution'),
    says:
      p.beyondMm! > 0
        ? say`The animal stands ${mm(p.beyondMm!)} out of ${p.name}: glass cannot lie over it.`
        : say`Glass would lie ${mm(-p.beyondMm!)} over the fur.`,
    why: say`${mm(AIR_MM)} of air keep the fur from being pressed and from growing damp.`,
    remedies: [
      {
        label: say`Make it ${mm(wanted)} deep`,
        effect: say`leaves ${mm(wanted - deepMm - p.beyondMm!)}`,
        changes: [{ path: ['things', index, 'deepMm'], value: wanted }],
      },
      {
        label: say`Leave the glass out`,
        effect: say`nothing lies over it`,
        changes: [{ path: ['things', index, 'glass'], value: false }],
      },
    ],
  };
}

function rolls({ piece }: Context, t: Thing, stands: StandsPlan): Finding {
  return {
    ...of(t, 'form-twig-rolls', 'caution'),
    says: say`${t.name} rolls: nothing holds it up.`,
    why: say`It touches what it lies on along a line only. Fix it to a base, or hang it.`,
    remedies: [
      {
        label: say`Set it on a base`,
        effect: say`as large as it takes to stand`,
        changes: [{ path: ['things'], value: [...piece.things, beginBase(piece.things, stands)] }],
      },
    ],
  };
}
