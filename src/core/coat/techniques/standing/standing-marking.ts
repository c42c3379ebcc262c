/**
 * A band or a pinch of another colour laid into standing rows: what it looks like once the pile is trimmed, the wool it takes
 * and what is said of it. Lengths mm, masses g.
 */
import { figure, type Figure } from '@/core/method/define';
import type { Marking, Standing } from '@/core/piece/coat';
import type { Lot } from '@/core/piece/cupboard';
import type { Finding } from '@/core/stage';
import { mm, say } from '@/core/text';
import { findingOf, remedyOf } from '@/core/coat/remedy';
import type { RowSet } from '@/core/coat/rows/rows';
import {
  bandReach,
  blurMm,
  carryingRows,
  LOST,
  SAFE,
  spotDiameter,
  STAB_WIDTH,
  stripeWidth,
  type Sandwich,
} from './sandwich';
import { bandWool } from './standing-methods';
import type { LayContext, Spec } from '@/core/coat/way';

/** Depth the band is pushed into the core, mm. Ours. */
const DEPTH = 3;
/** Scatter of a cut pile, radians. Ours. */
export const SCATTER = 0.12;

/** What really lies on a cm of row, mg. */
export const layOf = (s: Spec<Standing>) => s.spec.layMgCm * s.habit;

/** Half angle the rising pile fans to, degrees from upright. */
export const fanOf = (liftDeg: number): number => 90 - liftDeg;

/** What a marking looks like once trimmed, with the rows that carry it; null without one or without its wool. */
export function sandwichOf(
  c: LayContext<Standing>,
  rows: RowSet,
): { readonly plan: Sandwich; readonly lot: Lot; readonly wool: Figure } | null {
  const { spec } = c;
  const m: Marking = spec.marking;
  if (m.kind === 'none') return null;
  const lot = c.cupboard.lots.find((l) => l.id === m.lotId);
  if (!lot) return null;
  const carried = carryingRows(rows.rows, m.from, m.to, m.every);
  const length = rows.rows.filter((r) => carried.includes(r.number)).reduce((s, r) => s + r.lengthMm, 0);
  const height = spec.lengthMm * Math.sin((spec.liftDeg * Math.PI) / 180);
  const fan = fanOf(spec.liftDeg);
  const wool = (laidMg: number) =>
    figure(bandWool, {
      laid: laidMg / 1000,
      length: spec.lengthMm,
      root: c.hand.rootMm,
      over: spec.overMm,
      loss: c.hand.handlingLoss,
    });
  const common = {
    groundColour: c.lot.colour,
    markingColour: lot.colour,
    heightMm: height,
    spacingMm: spec.spacingMm,
    fanDeg: fan,
    blurMm: blurMm(height, SCATTER),
    rows: carried,
  };
  if (m.kind === 'stripe') {
    const widthMm = stripeWidth.of({
      share: m.share,
      fan,
      height,
      stab: STAB_WIDTH,
      domed: m.cut === 'domed' ? 1 : 0,
      pitch: spec.spacingMm,
    });
    return {
      plan: { ...common, kind: 'stripe', share: m.share, widthMm, cut: m.cut },
      lot,
      wool: wool((layOf(c) * m.share * length) / 10),
    };
  }
  const arealMgMm2 = layOf(c) / spec.spacingMm / 10;
  return {
    plan: {
      ...common,
      kind: 'spot',
      share: 1,
      widthMm: spotDiameter.of({ pinch: m.pinchMgMm, width: m.pinchWidthMm, areal: arealMgMm2 }),
      cut: 'flat',
    },
    lot,
    wool: wool(Math.floor(length / m.pitchMm) * m.pinchMgMm * m.pinchWidthMm),
  };
}

/** What is said of a marking; nothing without one. */
export function markingFindings(c: LayContext<Standing>, s: Sandwich | null): Finding[] {
  const { spec } = c;
  const out: Finding[] = [];
  const m = spec.marking;
  if (m.kind !== 'none' && !c.cupboard.lots.some((x) => x.id === m.lotId)) {
    out.push(
      findingOf(
        c,
        'no-marking-wool',
        'stop',
        say`The wool for the marking of ${c.area.name} is not in the cupboard.`,
        say`Without it nothing can be said of its width.`,
      ),
    );
  }
  if (s && m.kind !== 'none') {
    if (s.rows.length === 0) {
      out.push(
        findingOf(
          c,
          'marking-nowhere',
          'caution',
          say`No row carries the marking.`,
          say`Between its start and its end lies no row of this spacing.`,
          [remedyOf(c, say`Carry it over the whole area`, { marking: { ...m, from: 0, to: 1 } })],
        ),
      );
    }
    if (s.blurMm > LOST * s.widthMm) {
      out.push(
        findingOf(
          c,
          'marking-lost',
          'stop',
          say`The ${s.kind} is lost: it would be ${mm(s.widthMm)} wide, its edges are blurred over ${mm(s.blurMm)}.`,
          say`Fibres of a pile ${mm(s.heightMm)} high scatter more than the marking is wide. Trim the pile shorter or lay a wider band.`,
        ),
      );
    } else if (s.blurMm > SAFE * s.widthMm) {
      out.push(
        findingOf(
          c,
          'marking-soft',
          'note',
          say`The ${s.kind} will have soft edges: ${mm(s.widthMm)} wide, blurred over ${mm(s.blurMm)}.`,
          say`Fibres scatter as they rise; a shorter pile keeps it crisper.`,
        ),
      );
    }
    if (m.kind === 'stripe') {
      const need = bandReach(s.heightMm, m.share, s.fanDeg, DEPTH);
      const have = spec.lengthMm + c.hand.rootMm + spec.overMm;
      if (need > have + 1e-9) {
        out.push(
          findingOf(
            c,
            'marking-short',
            'caution',
            say`The band does not reach the surface: each half needs ${mm(need)}, it is ${mm(have)}.`,
            say`The outer fibres of the fan run aslant and need more length; leave more for trimming.`,
            [
              remedyOf(c, say`Leave ${mm(Math.ceil((spec.overMm + need - have) * 2) / 2)} for trimming`, {
                overMm: Math.ceil((spec.overMm + need - have) * 2) / 2,
              }),
            ],
          ),
        );
      }
    }
  }
  return out;
}
