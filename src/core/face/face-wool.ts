/** Wool the face takes, by lot: a nose blended from several, an eye of several layers by the area each is seen on, felted lines. */
import { byLot, outOf, type WoolMass } from '@/core/materials';
import { letter, method } from '@/core/method/define';
import type { Lot } from '@/core/piece/cupboard';
import type { Eyes } from '@/core/piece/face';
import type { Hand } from '@/core/piece/hand';
import type { Recipe } from '@/core/piece/shade';
import type { Material, Operation } from '@/core/stage';
import type { Ladder } from '@/core/face/eyes/ladder';

export const lineWool = method({
  id: 'line-wool',
  title: 'Wool of a felted line',
  formula: 'W = n ℓ (π/4) t² ρ',
  inputs: {
    lines: letter('n', 'lines', 'count'),
    length: letter('ℓ', 'length of one', 'fine'),
    thick: letter('t', 'how thick it is on average', 'fine'),
    density: letter('ρ', 'density it is felted to', 'density', 'small'),
  },
  result: letter('W', 'wool of the lines', 'mass'),
  source: 'A round line felted in; what is lost of it in handling is too little to weigh.',
  basis: 'ours',
  of: ({ lines, length, thick, density }) => ((lines * length * (Math.PI / 4) * thick ** 2) / 1000) * (density / 1000),
});

/** Wool of lines of one lot; none where the maker takes no wool for them. */
export const ofLines = (lot: Lot | null, lines: number, lengthMm: number, thickMm: number, hand: Hand): Material[] =>
  lot
    ? outOf(lot, lineWool.of({ lines, length: lengthMm, thick: thickMm, density: hand.feltedDensityMgCm3 }), 'face')
    : [];

/** Shares of a flat eye by the wool of its layers; they add up to 1. A wool not chosen yet is null. */
export function layerShares(
  { layers: l }: Pick<Eyes, 'layers'>,
  ladder: Ladder,
  discMm: number,
): { lotId: string | null; share: number }[] {
  const all = discMm ** 2;
  const iris = l.iris === 'none' ? 0 : ladder.irisMm ** 2;
  const inner = ladder.innerMm === null ? 0 : ladder.innerMm ** 2;
  const pupil = ladder.pupilMm[0] * ladder.pupilMm[1];
  const light = (ladder.eyes[0]?.lights ?? []).reduce((s, x) => s + x.sizeMm ** 2, 0);
  return [
    { lotId: l.rimLotId, share: (all - Math.max(iris, pupil)) / all },
    { lotId: l.irisLotId, share: Math.max(0, iris - Math.max(inner, pupil)) / all },
    { lotId: l.innerLotId, share: Math.max(0, inner - pupil) / all },
    // A light lies over the pupil, or over what is darkest beside it.
    { lotId: l.pupilLotId, share: Math.max(0, pupil - light) / all },
    { lotId: l.lightLotId, share: Math.min(pupil, light) / all },
  ].filter((x) => x.share > 0);
}

/** Wool of the eyes: a flat one by its layers, any other of one wool. */
export function woolOfEyes(
  eyes: Eyes,
  x: { readonly ladder: Ladder; readonly discMm: number; readonly lotId: string | null },
  massG: number,
): Material[] {
  if (massG <= 0) return [];
  const flat = eyes.kind === 'layered' || eyes.kind === 'disc';
  const shares = flat ? layerShares(eyes, x.ladder, x.discMm) : [{ lotId: x.lotId, share: 1 }];
  return shares.map((s) => ({ lotId: s.lotId, massG: massG * s.share, for: 'face', from: 'cupboard' }));
}

/** A small part from its recipe; of no wool yet where it has none. */
export function smallPartWool(recipe: Recipe, massG: number): Material[] {
  if (massG <= 0) return [];
  const parts = recipe.reduce((s, r) => s + r.parts, 0);
  if (parts === 0) return outOf(null, massG, 'face');
  return recipe.map((r) => ({ lotId: r.lotId, massG: (massG * r.parts) / parts, for: 'face', from: 'cupboard' }));
}

/** What the work of the face takes, by lot; collars of the ears are core wool and not of the face. */
export const faceDraws = (operations: readonly Operation[]): WoolMass[] =>
  byLot(operations.flatMap((o) => o.materials.filter((m) => m.for === 'face' && m.from === 'cupboard')));
