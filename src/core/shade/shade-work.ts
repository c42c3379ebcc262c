/**
 * Work of the shade stage: wools blended before they are cut, under-colours before the coat, veils and markings after it,
 * the reverse needle when its colour lies underneath; borders softened, stray fibres picked, pale wool bagged before the
 * dark beside it is trimmed. Why each stands where it stands is said; putting it in order is left to the order.
 */
import type { CoatPlan } from '@/core/coat/coat';
import { lightness } from '@/core/colour/lab';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Operation } from '@/core/stage';
import { grams, mgCm2, mm, say, share, type Text } from '@/core/text';
import { feltLayer, raiseFrom } from '@/core/stabbing';
import type { Judged } from './judge';
import type { ReadyLayer } from './layers';
import type { LayerPlan, ShadedArea } from './area-shade';
import type { MarkingPlan } from './shade';

/** Something another stage's operation has to wait for. */
export interface Tie {
  readonly operationId: string;
  readonly after: Operation['after'][number];
}

const PALE = 60;
const DARK = 42;
/** Colours further apart than this are kept apart while they are trimmed. */
const APART = 20;
const SHARP = Infinity;
/** Reckoned with where it is not decided, mg/cm2: a thin layer, what lies under a raised colour, the most a tuft comes up through. Ours. */
const THIN = 3;
const UNDER = 6;
const MOST_OVER = 12;
/** Pulling two wools apart and laying them together: a minute or two (common practice), longer for much of it. */
const blendMinutes = (massG: number) => 1.5 + massG / 4;

export function shadeWork(
  piece: Piece,
  cupboard: Cupboard,
  hand: Hand,
  coat: CoatPlan,
  areas: readonly ShadedArea[],
  markings: readonly MarkingPlan[],
  ready: readonly (readonly ReadyLayer[])[],
  judged: Judged,
): { readonly operations: readonly Operation[]; readonly ties: readonly Tie[] } {
  const operations: Operation[] = [];
  const ties: Tie[] = [];
  const caution = say`Eyes on the point of the needle, fingers flat and out of its way. Keep a mat for pale wool and another for dark.`;
  const base = (areaId: string, l: Pick<LayerPlan, 'ownHex'>): Omit<Operation, 'id' | 'does' | 'kind' | 'minutes'> => ({
    stage: 'shade',
    areaId,
    lotId: null,
    massG: 0,
    cutLengthMm: null,
    rows: 0,
    passes: null,
    needlework: null,
    after: [],
    lightness: lightness(l.ownHex),
    caution,
  });
  const lays = (areaId: string) => coat.areas.find((a) => a.id === areaId)?.fur !== null;
  const lotOf = (id: string | null) => cupboard.lots.find((l) => l.id === id) ?? cupboard.lots[0]!;
  /** Pulling up what lies just below the coat of an area. */
  const raising = (areaId: string, areaMm2: number) => {
    const top = coat.areas.find((a) => a.id === areaId)?.fur?.figures.areal.value ?? THIN;
    return raiseFrom(areaId, Math.max(20, areaMm2), { mgCm2: Math.min(top, MOST_OVER) }, { mgCm2: UNDER }, null, hand);
  };
  const work = (hostId: string, l: LayerPlan) =>
    l.says === 'raised'
      ? raising(hostId, l.areaMm2 * (l.share ?? 1))
      : l.parts.length === 0
        ? null
        : {
            ...feltLayer(
              hostId,
              l.areaMm2 * (l.share ?? 1),
              Math.max(0.5, l.arealMgCm2),
              l.says === 'deep line' ? 3 : 1,
              lotOf(l.parts[0]!.lotId),
              hand,
            ),
            ...(l.says === 'deep line' ? { kind: 'line' as const } : {}),
          };
  const laid = (areaId: string): Operation['after'] =>
    lays(areaId)
      ? [{ id: `lay-${areaId}`, why: say`The coat lies first; this goes on top of it.`, strength: SHARP }]
      : [];
  const stepOf = (
    l: LayerPlan,
    name: string,
    on: string,
    id: string,
    after: Operation['after'],
    hostId = on,
  ): Operation => {
    const raised = l.says === 'raised';
    return {
      ...base(on, l),
      id,
      kind: raised ? 'raise' : 'veil',
      does: does(l, name),
      lotId: l.parts[0]?.lotId ?? null,
      massG: l.mass?.value ?? 0,
      passes: raised
        ? say`straight in and out along the lie, one light pass; needle down again where no fluff is wanted`
        : l.says === 'deep line'
          ? say`deep along the line, 3 passes`
          : say`a few fibres at a time, shallow, along the lie`,
      needlework: work(hostId, l),
      minutes: l.minutes?.value ?? 0,
      after,
    };
  };
  areas.forEach((a, i) => {
    const at = a.layers.findIndex((l) => l.says === 'coat');
    let last: string | null = null;
    a.layers.forEach((l, k) => {
      if (l.says === 'coat') {
        last = null;
        const mix = ready[i]![k]!.mix;
        if (!mix || mix.parts.length < 2) return;
        const massG = coat.areas[i]!.fur!.draws[0]?.massG ?? 0;
        const id = `blend-${a.id}`;
        operations.push({
          ...base(a.id, l),
          id,
          kind: 'blend',
          does: say`Pull ${l.wool} apart and lay them together for ${a.name} until ${mix.how.even > 0.8 ? 'the blend is even' : 'they are streaked as wanted'}: ${list(mix.parts.map((p) => say`${grams(p.share * massG)} ${p.lot.name}`))}`,
          massG,
          minutes: blendMinutes(massG),
          caution: say`Pull fibres apart with dry hands; a dust mask where you card.`,
        });
        const why = say`The wools are blended before they are cut and laid.`;
        for (const op of [`cut-${a.id}`, `make-${a.id}`, `lay-${a.id}`]) {
          ties.push({ operationId: op, after: { id, why, strength: SHARP } });
        }
        return;
      }
      const id = `shade-${a.id}-${l.id}`;
      const under = at >= 0 && k < at;
      operations.push(
        stepOf(l, a.name, a.id, id, [
          ...(under ? [] : laid(a.id)),
          ...(last
            ? [
                {
                  id: last,
                  why: say`${l.says === 'raised' ? 'What is raised lies underneath first.' : 'Layer upon layer, from below.'}`,
                  strength: SHARP,
                },
              ]
            : []),
        ]),
      );
      if (under) {
        ties.push({
          operationId: `lay-${a.id}`,
          after: { id, why: say`The under-colour of ${a.name} lies below its coat.`, strength: SHARP },
        });
      }
      last = id;
    });
  });
  const top = (areaId: string): Operation['after'] =>
    operations
      .filter((o) => o.areaId === areaId && (o.kind === 'veil' || o.kind === 'raise'))
      .map((o) => ({ id: o.id, why: say`The colour of the ground is finished first.`, strength: 1 }));
  piece.markings.forEach((m, k) => {
    const plan = markings[k]!;
    if (plan.hosts.length === 0) return;
    const waits = m.under ? [] : plan.hosts.flatMap((h) => [...laid(h.areaId), ...top(h.areaId)]);
    let last: string | null = null;
    for (const l of plan.layers) {
      const id = `mark-${m.id}-${l.id}`;
      operations.push({
        ...stepOf(
          l,
          m.name,
          m.id,
          id,
          [...waits, ...(last ? [{ id: last, why: say`Layer upon layer, from below.`, strength: SHARP }] : [])],
          plan.hosts[0]!.areaId,
        ),
      });
      last = id;
    }
    if (m.under && last) {
      for (const h of plan.hosts)
        ties.push({
          operationId: `lay-${h.areaId}`,
          after: { id: last, why: say`${m.name} lies under the pile, so before it.`, strength: SHARP },
        });
    }
    if (m.broken && last) {
      operations.push({
        ...base(m.id, { ownHex: plan.hostHex ?? '#808080' }),
        id: `dash-${m.id}`,
        kind: 'raise',
        does: say`Break ${m.name} into dashes of ${mm(m.broken.dashMm)} with gaps of ${mm(m.broken.gapMm)}: pull the ground up through it`,
        passes: say`a stab or two in each gap, along the lie`,
        needlework: raising(plan.hosts[0]!.areaId, 60),
        minutes: Math.max(
          1,
          ((plan.overSkinMm ?? 0) / (m.broken.dashMm + m.broken.gapMm)) * 0.1 * (m.mirrored ? 2 : 1),
        ),
        after: [{ id: last, why: say`The line is laid before it is broken.`, strength: SHARP }],
      });
    }
  });
  const beside = (id: string) =>
    judged.pairs.flatMap((p) =>
      p.kind !== 'areas'
        ? []
        : p.a.id === id
          ? [{ pair: p, other: p.b }]
          : p.b.id === id
            ? [{ pair: p, other: p.a }]
            : [],
    );
  piece.areas.forEach((area, i) => {
    const shaded = areas[i]!;
    const near = beside(area.id).filter((x) => x.pair.contrast > APART && lays(x.other.id));
    const both = (others: readonly { readonly id: string }[], why: Text): Operation['after'] =>
      [area.id, ...others.map((o) => o.id)].filter(lays).map((id) => ({ id: `lay-${id}`, why, strength: SHARP }));
    const { raggedMm, softMm } = area.shade.border;
    if (raggedMm + softMm > 0 && lays(area.id)) {
      const border = beside(area.id).reduce((s, x) => s + (x.pair.borderMm ?? 0), 0);
      operations.push({
        ...base(area.id, { ownHex: shaded.seenHex }),
        id: `border-${area.id}`,
        kind: 'raise',
        does:
          softMm > 0
            ? say`Soften the border of ${area.name} over ${mm(softMm)}${raggedMm > 0 ? say`, straying by up to ${mm(raggedMm)}` : ''}: pull fibres of both sides across it`
            : say`Lay the border of ${area.name} unevenly, straying by up to ${mm(raggedMm)}`,
        passes: say`along the lie, a few stabs on every cm of border`,
        needlework:
          softMm > 0
            ? raising(area.id, border * softMm)
            : feltLayer(area.id, border * raggedMm, THIN, 1, lotOf(null), hand),
        minutes: Math.max(1, (border / 10) * (hand.stabsPerCm / hand.stabsPerMinute) * 4),
        after: both(
          beside(area.id).map((x) => x.other),
          say`Both sides of the border lie first.`,
        ),
      });
    }
    const trimmed = coat.areas[i]!.fur?.trim;
    if (trimmed && near.length > 0) {
      operations.push({
        ...base(area.id, { ownHex: shaded.seenHex }),
        id: `bag-${area.id}`,
        kind: 'check',
        does: say`Bag ${list(near.map((x) => say`${x.other.name}`))} before ${area.name} is trimmed`,
        minutes: 2 * near.length,
        // Trimmed as they are laid, only what lies already needs to be covered.
        after: both(
          piece.work.trim === 'at the end' ? near.map((x) => x.other) : [],
          say`Both lie before the border is trimmed.`,
        ),
        caution: say`Offcuts of one colour in another are hard to pick out again. Scissors away from the hand.`,
      });
    }
    const dark = near.filter((x) => shaded.seenLab[0] > PALE && lightness(x.other.hex) < DARK);
    if (dark.length > 0 && lays(area.id)) {
      operations.push({
        ...base(area.id, { ownHex: shaded.seenHex }),
        id: `strays-${area.id}`,
        kind: 'check',
        does: say`Pick stray dark fibres of ${list(dark.map((x) => say`${x.other.name}`))} out of ${area.name}, looking against the light`,
        minutes: 2,
        after: [
          ...both(
            dark.map((x) => x.other),
            say`Both lie before strays are picked.`,
          ),
          ...(trimmed ? [{ id: `trim-${area.id}`, why: say`Offcuts are picked out too.`, strength: 1 }] : []),
        ],
        caution: null,
      });
    }
  });
  return { operations, ties };
}

const list = (t: readonly Text[]): Text =>
  t.flatMap((x, i) => (i === 0 ? x : [i === t.length - 1 ? ' and ' : ', ', ...x])) as unknown as Text;

function does(l: LayerPlan, name: string): Text {
  if (l.says === 'raised')
    return say`Raise ${l.wool} on ${name} with the reverse needle, about ${share(l.share ?? 0)} of it`;
  if (l.says === 'flecks')
    return say`Bring flecks of ${l.wool} onto ${name}, about ${share(l.share ?? 0)} of it: tiny wisps, ${grams(l.mass?.value ?? 0)}`;
  if (l.says === 'deep line') return say`Felt a line of ${l.wool} deep into ${name}, ${grams(l.mass?.value ?? 0)}`;
  if (l.says === 'veil over the shadow') return say`Veil the line on ${name} with ${l.wool}, ${mgCm2(l.arealMgCm2)}`;
  if (l.says === 'line') return say`Lay a line of ${l.wool} on ${name}, ${grams(l.mass?.value ?? 0)}`;
  if (l.says === 'highlight')
    return say`Lay a highlight of ${l.wool} on ${name}, ${mgCm2(l.arealMgCm2)}, ${grams(l.mass?.value ?? 0)}`;
  return say`Lay a ${l.amount ?? 'thin'} veil of ${l.wool} over ${name}, ${mgCm2(l.arealMgCm2)}, ${grams(l.mass?.value ?? 0)}`;
}
