/** Borders softened or laid unevenly, and stray dark fibres picked out of pale areas. */
import { felting } from '@/core/coat/rows/row-work';
import { takes } from '@/core/time/work-time';
import { lightness } from '@/core/colour/lab';
import { decided, the } from '@/core/decision';
import type { Area } from '@/core/piece/schema';
import { ref } from '@/core/ref';
import { feltLayer } from '@/core/stabbing';
import type { After, Operation } from '@/core/stage';
import { joined, mm, say, type Text } from '@/core/text';
import type { Pair } from '@/core/shade/judging/judged';
import type { ShadedArea } from '@/core/shade/layers/area-shade';
import { lies, lotOr, plainStep, raising, THIN, type ShadeSteps, type ShadeWorkInput } from '@/core/shade/shade-step';

const PALE = 60;
const DARK = 42;
/** Colours further apart than this are kept apart while they are trimmed. */
export const APART = 20;

interface Beside {
  readonly pair: Pair;
  readonly own: Pair['a'];
  readonly other: Pair['a'];
}

/** Neighbours of an area, each with both colours where they meet. */
const beside = (x: ShadeWorkInput, id: string): Beside[] =>
  x.judged.pairs.flatMap((p): Beside[] => {
    if (p.kind !== 'areas') return [];
    if (p.a.id === id) return [{ pair: p, own: p.a, other: p.b }];
    return p.b.id === id ? [{ pair: p, own: p.b, other: p.a }] : [];
  });

export function borderSteps(x: ShadeWorkInput): ShadeSteps {
  const operations = x.piece.areas.flatMap((area, i): Operation[] => {
    if (!lies(x, area.id)) return [];
    const near = beside(x, area.id);
    return [...softened(x, area, x.areas[i]!, near), ...strays(x, area, x.areas[i]!, near)];
  });
  return { operations, ties: [] };
}

/** Both sides of a border lie first. */
const bothLie = (x: ShadeWorkInput, ids: readonly string[], why: Text): After[] =>
  ids.filter((id) => lies(x, id)).map((id) => ({ id: `lay-${id}`, why, strength: Infinity }));

/** Passes over a border to mix it. Ours. */
const BORDER_PASSES = 4;

function softened(x: ShadeWorkInput, area: Area, shaded: ShadedArea, near: readonly Beside[]): Operation[] {
  const { raggedMm, softMm } = area.shade.border;
  if (raggedMm + softMm <= 0) return [];
  const border = near.reduce((s, b) => s + (b.pair.borderMm ?? 0), 0);
  return [
    {
      ...plainStep(ref('area', area.id), shaded.meanHex),
      id: `border-${area.id}`,
      restsOn: [decided('the border', ['areas', the(area.id), 'shade', 'border'])],
      kind: 'raise',
      does:
        softMm > 0
          ? say`Soften the border of ${area.name} over ${mm(softMm)}${raggedMm > 0 ? say`, straying by up to ${mm(raggedMm)}` : ''}: pull fibres of both sides across it`
          : say`Lay the border of ${area.name} unevenly, straying by up to ${mm(raggedMm)}`,
      passes: say`along the lie, a few stabs on every cm of border`,
      needlework:
        softMm > 0
          ? raising(x, area.id, border * softMm)
          : feltLayer(area.id, border * raggedMm, THIN, 1, lotOr(x, null), x.hand),
      ...takes(x.hand, { step: 1, rowCm: felting(x.hand, border, BORDER_PASSES) }),
      after: bothLie(x, [area.id, ...near.map((b) => b.other.id)], say`Both sides of the border lie first.`),
    },
  ];
}

function strays(x: ShadeWorkInput, area: Area, shaded: ShadedArea, near: readonly Beside[]): Operation[] {
  const dark = near.filter(
    (b) =>
      b.pair.contrast > APART && lies(x, b.other.id) && lightness(b.own.hex) > PALE && lightness(b.other.hex) < DARK,
  );
  if (dark.length === 0) return [];
  const trimmed = x.coat.areas.find((a) => a.id === area.id)?.fur?.trim;
  return [
    {
      ...plainStep(ref('area', area.id), shaded.meanHex),
      id: `strays-${area.id}`,
      // Its own place alone: which colours come to lie beside it, and how far apart, is worked out, not decided.
      restsOn: [decided('the place of the area', ['areas', the(area.id), 'where'])],
      kind: 'check',
      does: say`Pick stray dark fibres of ${joined(dark.map((b) => say`${b.other.name}`))} out of ${area.name}, looking against the light`,
      ...takes(x.hand, { step: 1, look: 2 }),
      after: [
        ...bothLie(x, [area.id, ...dark.map((b) => b.other.id)], say`Both lie before strays are picked.`),
        ...(trimmed ? [{ id: `trim-${area.id}`, why: say`Offcuts are picked out too.`, strength: 1 }] : []),
      ],
      caution: null,
    },
  ];
}
