/**
 * How sure the wool to take is. Each use of wool carries a doubt of its own: a coat what is really taken in hand, a core how dense it
 * is felted. The doubt about one lot's coat moves all areas laid from it together, the doubt about felting all cores. Masses in grams.
 */
import { learntFrom } from '@/core/coat/learnt';
import { deviation, type DoubtName, type Known } from '@/core/method/doubt';
import type { InDoubt } from '@/core/method/span';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import { knownOfHand } from '@/core/piece/hand-known';
import type { Material, WoolUse } from '@/core/stage';

const OF_USE: Readonly<Record<WoolUse, DoubtName>> = {
  coat: 'lay',
  band: 'lay',
  anchor: 'lay',
  core: 'core',
  collar: 'joint',
  'flat part': 'core',
  lining: 'core',
  'layer of colour': 'wisp',
  face: 'small',
  'small thing': 'core',
};

/** Wool taken, each with the doubt it carries. */
export function inDoubt(
  taken: readonly Pick<Material, 'lotId' | 'massG' | 'for'>[],
  cupboard: Pick<Cupboard, 'lots' | 'swatches'>,
  hand: Hand,
): InDoubt[] {
  const known = knownOfHand(hand);
  const ofLot = new Map<string, Known>(
    cupboard.lots
      .filter((l) => cupboard.swatches.length > 0 && taken.some((m) => m.lotId === l.id))
      .map((l) => [l.id, learntFrom(cupboard, l, hand).known]),
  );
  return taken.map((m) => {
    const name = OF_USE[m.for];
    // What is taken in hand differs from wool to wool; felting is felting.
    const own = name === 'lay' && m.lotId !== null;
    return {
      amount: m.massG,
      doubts: [{ name, about: own ? m.lotId! : '', known: own ? (ofLot.get(m.lotId!) ?? {}) : known }],
    };
  });
}

/** What most of the doubt in it comes from; null where nothing is taken. */
export function mostUnsure(list: readonly InDoubt[]): DoubtName | null {
  const by = new Map<DoubtName, number>();
  for (const x of list)
    for (const d of x.doubts) by.set(d.name, (by.get(d.name) ?? 0) + x.amount * deviation(d.name, d.known));
  return [...by].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}
