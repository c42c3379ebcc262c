/**
 * The shade stage: every area as a stack of layers over the core, with markings over or under its coat; what is seen, what
 * it takes of every wool, what does not come out as meant, and the work.
 */
import type { Hand } from '@/core/piece/hand';
import { timeFigure } from '@/core/time/work-time';
import { ref } from '@/core/ref';
import type { CoatPlan, ShapedAreas } from '@/core/coat/coat-plan';
import { BARE_CORE } from '@/core/colour/bare';
import { difference } from '@/core/colour/difference';
import { labOf } from '@/core/colour/lab';
import type { FormWork } from '@/core/form/form';
import { figure } from '@/core/method/define';
import type { Context, Stage } from '@/core/stage';
import { coatedOf, shadeArea, type AreaWork, type LayerPlan } from '@/core/shade/layers/area-shade';
import { borders } from '@/core/shade/layers/borders';
import { judgePiece } from '@/core/shade/judging/judge';
import type { MarkingPlan, ShadePlan } from './shade-plan';
import { layerFindings, missingFindings } from '@/core/shade/judging/layer-findings';
import { markingFindings } from '@/core/shade/markings/marking-findings';
import { markingOnSkin, type MarkingOnSkin } from '@/core/shade/markings/marking-shape';
import { groundWool } from './ground-wool';
import { layerOfColour, layerWork } from './shade-methods';
import { shadeWork } from './shade-work';

interface BeforeShade {
  readonly work: FormWork;
  readonly shaped: ShapedAreas;
  readonly coat: CoatPlan;
}

export function planShade(
  { piece, cupboard, hand, memo }: Context,
  { work: form, shaped, coat }: BeforeShade,
): Stage<ShadePlan> {
  const stock = { lots: cupboard.lots, blends: cupboard.blends };
  const onSkin = piece.markings.map((m) =>
    memo.keep(`marking:${m.id}`, [form, { shape: m.shape, mirrored: m.mirrored, broken: m.broken }], markingOnSkin),
  );
  const works = piece.areas.map((area, i) => {
    const shape = shaped.shapes[i] ?? null;
    const coated = coatedOf(area, coat.areas[i]!, cupboard);
    const { markings, seed } = piece;
    const groundHex = cupboard.lots.find((l) => l.id === groundWool(piece, area))?.colour ?? BARE_CORE;
    return memo.keep(
      `shade:${area.id}`,
      [{ area, coated, shape, form, groundHex, markings, onSkin, stock, hand, seed }],
      shadeArea,
    );
  });
  const fields = borders(
    piece,
    shaped,
    works.map((w) => w.shaded.field),
  );
  const areas = works.map((w, i) => (fields[i] === w.shaded.field ? w.shaded : { ...w.shaded, field: fields[i]! }));
  const markings = piece.markings.map((m, k) => markingPlan(m.id, m.name, k, onSkin[k]!, works, hand));
  // Softening mixes both colours of a border; what is judged is what lies on either side of it.
  const unsoftened = works.map((w) => w.shaded);
  const judged = judgePiece({ piece, cupboard, hand, areas: unsoftened, markings, shaped, form });
  const work = shadeWork({ piece, cupboard, hand, coat, areas, markings, judged: judged.result });
  const draws = [...areas, ...markings].flatMap((x) =>
    x.layers.flatMap((l) =>
      l.parts.flatMap((p) => (p.massG > 0 ? [{ areaId: x.id, lotId: p.lotId, massG: p.massG }] : [])),
    ),
  );
  return {
    result: {
      areas,
      markings,
      judged: judged.result,
      draws,
      massG: draws.reduce((s, d) => s + d.massG, 0),
      minutes: work.operations.reduce((s, o) => s + o.minutes, 0),
    },
    findings: [
      ...works.flatMap((w, i) => [
        ...missingFindings(ref('area', w.shaded.id), w.shaded.name, w.missing),
        ...layerFindings(piece, i, w.shaded, w.ready, cupboard, hand),
      ]),
      ...markingFindings(piece, cupboard, hand, markings, onSkin, form, shaped),
      ...judged.findings,
    ],
    operations: work.operations,
    ties: work.ties,
  };
}

/** A marking over all areas it lies on. */
function markingPlan(
  id: string,
  name: string,
  k: number,
  { line, overSkinMm, chordMm }: MarkingOnSkin,
  works: readonly AreaWork[],
  hand: Hand,
): MarkingPlan {
  const here = works
    .flatMap((w) => {
      const m = w.markings[k];
      return m ? [{ ...m, area: w.shaded }] : [];
    })
    .sort((a, b) => b.areaMm2 - a.areaMm2);
  const layers = summed(
    here.map((h) => h.layers),
    hand,
  );
  const host = here[0];
  return {
    id,
    name,
    areaMm2: here.reduce((s, h) => s + h.areaMm2, 0),
    overSkinMm,
    chordMm,
    massG: layers.reduce((s, l) => s + (l.mass?.value ?? 0), 0),
    seenHex: host?.seenHex ?? null,
    hostHex: host?.underHex ?? null,
    contrast: host ? difference(labOf(host.seenHex), labOf(host.underHex)) : null,
    hosts: here.map((h) => ({ areaId: h.area.id, areaMm2: h.areaMm2 })),
    layers,
    line,
    fromMidlineMm: line.length > 1 ? [Math.abs(line[0]![0]), Math.abs(line[line.length - 1]![0])] : null,
  };
}

/** Layers of a marking over several areas as one list: masses and areas added, the rest as on the first. */
function summed(lists: readonly (readonly LayerPlan[])[], hand: Hand): LayerPlan[] {
  const [first = [], ...rest] = lists;
  return first.map((l, k) =>
    rest.reduce((s, list): LayerPlan => {
      const x = list[k]!;
      const area = s.areaMm2 + x.areaMm2;
      return {
        ...s,
        areaMm2: area,
        mass: s.mass && figure(layerOfColour, { areal: s.arealMgCm2, area, loss: s.mass.inputs.loss! }),
        minutes: s.minutes && timeFigure(hand, layerWork(hand, area, s.mass === null)),
        parts: s.parts.map((p, j) => ({ ...p, massG: p.massG + x.parts[j]!.massG })),
      };
    }, l),
  );
}
