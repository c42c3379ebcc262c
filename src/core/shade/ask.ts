/** Asking for recipes on behalf of a piece: which wool is free, over what ground, how much is wanted. */
import type { Cupboard, Lot } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Recipe } from '@/core/piece/shade';
import type { Plan } from '@/core/plan';
import { labOf, xyzOfLab, type Triple } from '@/core/colour/lab';
import { reflectanceOf } from '@/core/colour/reflectance';
import { fromXyz, hexOf } from '@/core/colour/rgb';
import { layerMass } from '@/core/coat/fibre';
import { blendCurve } from './blend';
import { blendHow } from './learnt-blend';
import type { Found } from './best-recipes';
import { BlendTable } from './blend-table';
import { matchSteps } from './match';
import { matchVeil, type VeilWool } from './match-veil';
import { shortfall, type Shortfall } from './reach';
import { woolFor } from './shade-methods';
import { woolCurve } from './wool-colour';
import { inWords } from './words';

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
  /** Still looking for better ones. */
  readonly refining: boolean;
}

const BEST = 5;

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

/** Answers step by step: a first one at once, better ones as they are found. */
export function* matchFor(
  q: MatchQuestion,
  cupboard: Cupboard,
  hand: Hand,
  plan: Plan | null,
): Generator<MatchResult, MatchResult> {
  const target: Triple = labOf(q.target);
  const area = plan?.coat.areas.find((a) => a.id === q.areaId) ?? null;
  const coatLot = cupboard.lots.find((l) => l.id === area?.fur?.lotId);
  const cut = area?.fur?.figures.cutLength?.value ?? 0;
  // A coat is laid from wool of its own kind that is long enough; a veil from anything that can be pulled thin.
  const stock = stockFor(
    cupboard,
    plan,
    q.areaId,
    hand,
    (l) => !coatLot || (l.form === coatLot.form && l.stapleMm >= cut),
  );
  const thin = stockFor(cupboard, plan, q.areaId, hand, (l) => l.form !== 'locks' && l.form !== 'yarn');
  const needG = area?.fur?.draws[0]?.massG ?? null;
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
      words: inWords(target, f.lab),
    };
  };
  const shaded = plan?.shade.areas.find((a) => a.id === q.areaId);
  const veils =
    area && shaded && thin.length > 0
      ? matchVeil(thin, reflectanceOf(shaded.seenHex), target, how, area.areaMm2, 3).map((v) =>
          answer(thin, 'veil', v, woolFor(v.arealMgCm2, area.areaMm2, hand), v.arealMgCm2),
        )
      : [];
  const ask = { target, parts: q.parts, how, needG, best: BEST };
  const result = (list: readonly Found[], refining: boolean): MatchResult => {
    const best = list[0];
    const curve =
      best &&
      blendCurve(
        best.lots.map((l, i) => ({ curve: stock[l]!.curve, parts: best.parts[i]! })),
        how,
      );
    return {
      blends: list.map((f) => answer(stock, 'blend', f, needG, null)),
      veils,
      short: curve && !refining ? shortfall(q.target, curve, how) : null,
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
