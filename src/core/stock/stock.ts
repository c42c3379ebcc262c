/** The stock stage: what the piece needs of every lot, against what is in the cupboard. Masses in grams. */
import type { CoatPlan } from '@/core/coat/coat';
import type { FacePlan } from '@/core/face/face';
import type { CorePlan } from '@/core/form/core';
import type { FlatPartPlan } from '@/core/form/flat-parts';
import { WELL } from '@/core/coat/cover';
import { worstLay } from '@/core/coat/fold-over';
import { learntFrom } from '@/core/coat/learnt';
import { thinnestLay } from '@/core/coat/enough';
import { lightness } from '@/core/colour/lab';
import { figure, letter, method, type Figure } from '@/core/method/define';
import type { Cupboard, Lot } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Layer } from '@/core/piece/shade';
import type { ShadePlan } from '@/core/shade/shade';
import { swapWool } from '@/core/shade/shade-edits';
import type { Finding, Remedy, Stage } from '@/core/stage';
import { grams, mgCm, say, share } from '@/core/text';

export const lotCost = method({
  id: 'lot-cost',
  title: 'Cost of the wool',
  formula: 'cost = M × price / 100 g',
  inputs: {
    mass: letter('M', 'wool needed', 'mass'),
    price: letter('price', 'price of 100 g', 'price'),
  },
  result: letter('cost', 'cost', 'money'),
  source: 'Wool is priced by 100 g.',
  basis: 'common practice',
  of: ({ mass, price }) => (mass * price) / 100,
});

export interface LotNeed {
  readonly lotId: string;
  readonly name: string;
  readonly colour: string;
  readonly needG: number;
  readonly haveG: number;
  readonly shortG: number;
  readonly cost: Figure | null;
  /** Of it for the core. */
  readonly coreG: number;
  /** Of it for flat parts. */
  readonly flatG: number;
  /** Of it for layers of colour beside the coats. */
  readonly shadeG: number;
  /** Wool of nose, mouth, eyes, ears, brows and whiskers. */
  readonly faceG: number;
  readonly areaIds: readonly string[];
}

export interface StockPlan {
  readonly lots: readonly LotNeed[];
  readonly needG: number;
  /** Sum over the lots with a price. */
  readonly cost: number;
}

export function planStock(
  piece: Piece,
  cupboard: Cupboard,
  hand: Hand,
  coat: CoatPlan,
  core: CorePlan,
  flat: readonly FlatPartPlan[],
  shade: Pick<ShadePlan, 'draws' | 'coatBlends'>,
  face: Pick<FacePlan, 'draws'> | null = null,
): Stage<StockPlan> {
  const findings: Finding[] = [];
  const lots: LotNeed[] = [];
  for (const lot of cupboard.lots) {
    const users = coat.areas.flatMap((a) => {
      const massG = coatDraws(a, shade).reduce((s, d) => s + (d.lotId === lot.id ? d.massG : 0), 0);
      return massG > 0 ? [{ id: a.id, name: a.name, massG }] : [];
    });
    const coreG = core.lotId === lot.id ? core.massG : 0;
    const flatG = flat.reduce(
      (s, f) =>
        s +
        f.count *
          ((f.lotId === lot.id ? f.mass.value : 0) + (f.liningLotId === lot.id ? (f.liningMass?.value ?? 0) : 0)),
      0,
    );
    const shadeG = shade.draws.reduce((s, d) => s + (d.lotId === lot.id ? d.massG : 0), 0);
    const faceG = (face?.draws ?? []).reduce((s, d) => s + (d.lotId === lot.id ? d.massG : 0), 0);
    if (users.length === 0 && coreG + flatG + shadeG + faceG === 0) continue;
    const needG = users.reduce((s, a) => s + a.massG, coreG + flatG + shadeG + faceG);
    const shortG = Math.max(0, needG - lot.haveG);
    lots.push({
      lotId: lot.id,
      name: lot.name,
      colour: lot.colour,
      needG,
      haveG: lot.haveG,
      coreG,
      flatG,
      shadeG,
      faceG,
      shortG,
      cost: lot.pricePer100g === null ? null : figure(lotCost, { mass: needG, price: lot.pricePer100g }),
      areaIds: users.map((a) => a.id),
    });
    if (shortG > 1e-9) {
      findings.push({
        id: `stock-short-${lot.id}`,
        stage: 'stock',
        severity: 'stop',
        about: lot.id,
        says: say`Not enough ${lot.name}: ${grams(needG)} needed, ${grams(lot.haveG)} in the cupboard.`,
        why: say`${[...(coreG > 0 ? ['The core'] : []), ...(flatG > 0 ? ['Flat parts'] : []), ...(shadeG > 0 ? ['Layers of colour'] : []), ...(faceG > 0 ? ['The face'] : []), ...users.map((a) => a.name)].join(', ')} draw on it; ${grams(shortG)} are missing.`,
        remedies: [
          ...thinner(piece, cupboard, lot, hand, coat, shade, shortG),
          ...(users.length + shadeG > 0
            ? otherLot(piece, cupboard, lot, coat, shade, needG - coreG - flatG - faceG)
            : []),
        ],
      });
    }
  }
  return {
    result: {
      lots,
      needG: lots.reduce((s, l) => s + l.needG, 0),
      cost: lots.reduce((s, l) => s + (l.cost?.value ?? 0), 0),
    },
    findings,
    operations: [],
  };
}

/** Wool of an area's coat by lot; a coat laid from a blend draws on each of its wools. */
function coatDraws(a: CoatPlan['areas'][number], shade: Pick<ShadePlan, 'coatBlends'>) {
  const draws = a.fur?.draws ?? [];
  const blend = shade.coatBlends.find((b) => b.areaId === a.id);
  const [own, ...rest] = draws;
  if (!blend || !own) return draws;
  return [...blend.parts.map((p) => ({ lotId: p.lotId, massG: p.share * own.massG })), ...rest];
}

const swapped = (layers: readonly Layer[], from: string, to: string, path: (string | number)[]) => {
  const value = swapWool(layers, from, to);
  return JSON.stringify(value) === JSON.stringify(layers) ? [] : [{ path, value }];
};

/** Lay every area of this lot no thicker than it must be to cover well, when that saves enough. */
function thinner(
  piece: Piece,
  cupboard: Cupboard,
  lot: Lot,
  hand: Hand,
  coat: CoatPlan,
  shade: Pick<ShadePlan, 'coatBlends'>,
  shortG: number,
): Remedy[] {
  const changes: Remedy['changes'][number][] = [];
  let saved = 0;
  let lays = 0;
  piece.areas.forEach((area, i) => {
    const plan = coat.areas[i]!;
    if (area.coat.method !== 'fold-over' || area.coat.lotId !== lot.id || !plan.fur) return;
    if (shade.coatBlends.some((b) => b.areaId === area.id)) return;
    const learnt = learntFrom(cupboard, lot, hand);
    const worst = worstLay({ spec: area.coat, lot, ...learnt });
    const thinnest = thinnestLay(worst);
    if (thinnest === null) return;
    const least = Math.ceil(((thinnest * area.coat.lengthMm) / worst.lengthMm / learnt.habit) * 10 - 1e-6) / 10;
    if (least >= area.coat.layMgCm) return;
    saved += plan.fur.figures.mass.value * (1 - least / area.coat.layMgCm);
    lays = Math.max(lays, least);
    changes.push({ path: ['areas', i, 'coat', 'layMgCm'], value: least });
  });
  if (saved < shortG) return [];
  return [
    {
      label: changes.length === 1 ? say`Lay only ${mgCm(lays)} of row` : say`Lay each area as thin as still covers`,
      effect: say`saves ${grams(saved)}, base still hidden ${share(WELL)} or more`,
      changes,
    },
  ];
}

/** The nearest lot in lightness that has enough for all of it and is long enough. */
function otherLot(
  piece: Piece,
  cupboard: Cupboard,
  lot: Lot,
  coat: CoatPlan,
  shade: Pick<ShadePlan, 'draws' | 'coatBlends'>,
  needG: number,
): Remedy[] {
  const used = new Map<string, number>();
  for (const d of [...coat.areas.flatMap((a) => coatDraws(a, shade)), ...shade.draws])
    used.set(d.lotId, (used.get(d.lotId) ?? 0) + d.massG);
  const longest = Math.max(
    0,
    ...coat.areas.filter((a) => a.fur?.lotId === lot.id).map((a) => a.fur!.figures.cutLength?.value ?? 0),
  );
  const other = cupboard.lots
    .filter(
      (l) =>
        l.id !== lot.id &&
        l.form === lot.form &&
        l.stapleMm >= longest &&
        l.haveG - (used.get(l.id) ?? 0) >= needG * 1.2,
    )
    .sort(
      (a, b) =>
        Math.abs(lightness(a.colour) - lightness(lot.colour)) - Math.abs(lightness(b.colour) - lightness(lot.colour)),
    )[0];
  if (!other) return [];
  return [
    {
      label: say`Use ${other.name} instead`,
      effect: say`${grams(other.haveG - (used.get(other.id) ?? 0))} of it are free; the colour changes`,
      changes: [
        ...piece.areas.flatMap((a, i) => [
          ...(a.coat.method !== 'none' && a.coat.lotId === lot.id
            ? [{ path: ['areas', i, 'coat', 'lotId'], value: other.id }]
            : []),
          ...swapped(a.shade.layers, lot.id, other.id, ['areas', i, 'shade', 'layers']),
        ]),
        ...piece.markings.flatMap((m, i) => swapped(m.layers, lot.id, other.id, ['markings', i, 'layers'])),
      ],
    },
  ];
}
