/** Asking for recipes on behalf of a piece: which wool is free, over what ground, how much is wanted. */
import { stapleNeeded } from '@/core/coat/staple-needed';
import type { Cupboard, Lot } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Recipe } from '@/core/piece/shade';
import type { Plan } from '@/core/plan';
import { labOf, xyzOfLab, type Triple } from '@/core/colour/lab';
import { difference } from '@/core/colour/difference';
import { hexOfCurve, labOfCurve, reflectanceOf } from '@/core/colour/reflectance';
import { fromXyz, hexOf } from '@/core/colour/rgb';
import { layerMass } from '@/core/wool/fibre';
import { blendCurve } from '@/core/wool/blend';
import { blendHow } from '@/core/wool/learnt-blend';
import { LOT_COSTS, type Found } from './best-recipes';
import { BlendTable } from './blend-table';
import { matchSteps } from './match';
import { matchVeil, type VeilWool } from './match-veil';
import { shortfall, type Shortfall } from './reach';
import { woolFor } from '@/core/shade/shade-methods';
import { woolCurve } from '@/core/wool/wool-colour';
import { serves } from '@/core/wool/find';
import { thinForm } from '@/core/wool/forms';
import { throughLayers, type ThroughLayers } from './through-layers';
import { ARMS_LENGTH, inWords } from '@/core/shade/words';

export interface MatchQuestion {
  readonly target: string;
  readonly parts: 8 | 16;
  /** The area it is for: its wool wanted, and its ground for a veil. Null for a blend by itself. */
  readonly areaId: string | null;
}

export interface Answer {
  readonly as: 'blend' | 'veil';
  readonly recipe: Recipe;
  readonly wool: readonly {
    readonly name: string;
    readonly hex: string;
    readonly parts: number;
    readonly massG: number | null;
  }[];
  readonly arealMgCm2: number | null;
  readonly hex: string;
  readonly difference: number;
  readonly words: string;
}

export interface MatchResult {
  readonly blends: readonly Answer[];
  readonly veils: readonly Answer[];
  readonly short: Shortfall | null;
  /** A layer over the coat that keeps the area from the colour, whatever the coat is; null where none does. */
  readonly inTheWay: { readonly wool: string; readonly hides: number } | null;
  /** Still looking for better ones. */
  readonly refining: boolean;
}

const BEST = 5;
/** Coarser wool does not lie as a thin veil. Ours. */
const THIN_UM = 28;

/** Wool of the cupboard with what the piece has not yet spoken for; that of the area asked for counts as free. */
function stockFor(
  cupboard: Cupboard,
  plan: Plan | null,
  areaId: string | null,
  hand: Hand,
  fits: (l: Lot) => boolean,
): VeilWool[] {
  return cupboard.lots
    .filter((l) => l.haveG > 0 && fits(l))
    .map((l) => {
      const used = plan?.stock.lots.find((x) => x.lotId === l.id)?.needG ?? 0;
      const own =
        plan?.coat.areas
          .find((a) => a.id === areaId)
          ?.fur?.draws.reduce((s, d) => s + (d.lotId === l.id ? d.massG : 0), 0) ?? 0;
      return {
        id: l.id,
        curve: woolCurve(l),
        freeG: Math.max(0, l.haveG - used + own),
        m1: layerMass.of({ fineness: l.finenessUm, cv: l.finenessCv }),
        kappa: hand.spread[l.form],
      };
    });
}

const least = (parts: readonly number[]): number => {
  const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
  return parts.reduce((s, p) => gcd(s, p), 0) || 1;
};

/** The layer without which the coat could come nearest to the colour wanted. */
function worstOver(through: ThroughLayers, target: string, wanted: Triple): MatchResult['inTheWay'] {
  const left = through.over.map((l) => ({
    wool: l.wool,
    hides: l.hides,
    off: difference(wanted, labOfCurve(l.without.seen(l.without.coatFor(reflectanceOf(target))))),
  }));
  const least = Math.min(...left.map((l) => l.off));
  const worst = left.find((l) => l.off === least);
  return worst ? { wool: worst.wool, hides: worst.hides } : null;
}

/** Answers step by step: a first one at once, better ones as they are found. */
export function* matchFor(
  q: MatchQuestion,
  cupboard: Cupboard,
  hand: Hand,
  piece: Piece | null,
  plan: Plan | null,
): Generator<MatchResult, MatchResult> {
  const wanted: Triple = labOf(q.target);
  const area = plan?.coat.areas.find((a) => a.id === q.areaId) ?? null;
  const coatLot = cupboard.lots.find((l) => l.id === area?.fur?.lotId);
  const cut = area ? stapleNeeded(area) : 0;
  // A coat is laid from wool of its own kind that is long enough; a veil from anything that can be pulled thin.
  const stock = stockFor(
    cupboard,
    plan,
    q.areaId,
    hand,
    (l) => !coatLot || serves(l, { suits: (form) => (form === coatLot.form ? 'well' : 'badly'), stapleMm: cut }),
  );
  const thin = stockFor(cupboard, plan, q.areaId, hand, (l) =>
    serves(l, { suits: thinForm, finenessUm: { most: THIN_UM }, except: plan?.core.lotId ? [plan.core.lotId] : [] }),
  );
  const needG = area?.fur?.figures.mass.value ?? null;
  const how = blendHow(cupboard, coatLot?.form ?? 'combed top', hand);
  const table = new BlendTable(stock, how);
  const lotOf = (list: readonly VeilWool[], i: number) => cupboard.lots.find((l) => l.id === list[i]!.id)!;
  const answer = (
    from: readonly VeilWool[],
    as: Answer['as'],
    f: Pick<Found, 'lots' | 'parts' | 'lab' | 'difference'>,
    massG: number | null,
    arealMgCm2: number | null,
  ): Answer => {
    const by = least(f.parts);
    const whole = f.parts.reduce((s, p) => s + p, 0);
    return {
      as,
      recipe: f.lots.map((l, i) => ({ lotId: from[l]!.id, parts: f.parts[i]! / by })),
      wool: f.lots.map((l, i) => ({
        name: lotOf(from, l).name,
        hex: lotOf(from, l).colour,
        parts: f.parts[i]! / by,
        massG: massG === null ? null : (massG * f.parts[i]!) / whole,
      })),
      arealMgCm2,
      hex: hexOf(fromXyz(xyzOfLab(f.lab))),
      difference: f.difference,
      words: inWords(wanted, f.lab),
    };
  };
  const shaded = plan?.shade.areas.find((a) => a.id === q.areaId);
  const veils =
    area && shaded && thin.length > 0
      ? matchVeil(thin, reflectanceOf(shaded.meanHex), wanted, how, area.areaMm2, 3).map((v) =>
          answer(thin, 'veil', v, woolFor(v.arealMgCm2, area.areaMm2, hand), v.arealMgCm2),
        )
      : [];
  // The coat is matched as it will be seen: through the layers that stay over it.
  const through = piece && plan && shaded ? throughLayers(piece, shaded.id, cupboard, hand, plan.coat, shaded) : null;
  const coatCurve = through?.coatFor(reflectanceOf(q.target)) ?? null;
  const target = coatCurve ? labOfCurve(coatCurve) : wanted;
  const reached = through && coatCurve ? labOfCurve(through.seen(coatCurve)) : wanted;
  const inTheWay = through && difference(wanted, reached) > ARMS_LENGTH ? worstOver(through, q.target, wanted) : null;
  const curveOf = (f: Found) =>
    blendCurve(
      f.lots.map((l, i) => ({ curve: stock[l]!.curve, parts: f.parts[i]! })),
      how,
    );
  const asSeen = (f: Found): Found => {
    if (!through) return f;
    const lab = labOfCurve(through.seen(curveOf(f)));
    const off = difference(wanted, lab);
    return { ...f, lab, difference: off, score: off + LOT_COSTS * (f.lots.length - 1) };
  };
  // What is nearest to the coat wanted need not be nearest as it is seen: more are found than are given.
  const ask = { target, parts: q.parts, how, needG, best: through ? BEST * 3 : BEST };
  const result = (found: readonly Found[], refining: boolean): MatchResult => {
    const list = found
      .map(asSeen)
      .sort((p, q) => p.score - q.score)
      .slice(0, BEST);
    const best = list[0];
    return {
      blends: list.map((f) => answer(stock, 'blend', f, needG, null)),
      veils,
      short: best && !refining ? shortfall(coatCurve ? hexOfCurve(coatCurve) : q.target, curveOf(best), how) : null,
      inTheWay,
      refining,
    };
  };
  const steps = matchSteps(stock, table, ask);
  for (;;) {
    const s = steps.next();
    if (s.done) return result(s.value, false);
    yield result(s.value, true);
  }
}
