/** Rows that a maker lays further apart, or closer, than planned, as was measured on this piece and others: said, and left to the maker. */
import type { Finding } from '@/core/stage';
import type { LearntRate } from '@/core/rates/hand-at-work';
import { count, mm, say } from '@/core/text';
import { findingOf, remedyOf } from './remedy';
import type { Lay, LayContext } from './way';

/** Less than so much nobody could tell with a rule. Ours. */
const TOLD = 1.08;
const tenth = (x: number): number => Math.round(x * 10) / 10;

export function heldFindings(c: LayContext, lay: Lay, rate: LearntRate | null): Finding[] {
  const { spec } = c;
  if (!rate || !('spacingMm' in spec) || c.lying.length > 0 || lay.sheet) return [];
  if (rate.times < TOLD && rate.times > 1 / TOLD) return [];
  const asked = spec.spacingMm;
  const held = asked * rate.times;
  const rows = lay.rows.rows.length;
  const likely = Math.max(1, Math.round(rows / rate.times));
  return [
    findingOf(
      c,
      'held',
      'note',
      say`You are likely to lay ${count(likely)} rows and not ${count(rows)}: where ${mm(asked)} are asked yours have come to ${mm(held)}.`,
      say`Learned from ${count(rate.entries)} measures with a rule on ${count(rate.pieces)} ${rate.pieces === 1 ? 'piece' : 'pieces'}. Lay by the marks of the chart, or plan what you lay.`,
      [
        remedyOf(c, say`Plan rows ${mm(tenth(held))} apart`, { spacingMm: tenth(held) }),
        remedyOf(c, say`Ask for ${mm(tenth(asked / rate.times))}, so that ${mm(asked)} come of it`, {
          spacingMm: tenth(asked / rate.times),
        }),
      ],
    ),
  ];
}
