/** An area that stops before its last row: what stays bare above it. */
import type { Finding } from '@/core/stage';
import { count, mm, say } from '@/core/text';
import { findingOf } from './remedy';
import type { Lay, LayContext } from './way';

export function stoppedFindings(c: LayContext, { rows }: Pick<Lay, 'rows'>): Finding[] {
  const last = rows.rows[rows.rows.length - 1];
  if (c.stopsAt === null || !last) return [];
  const bareMm = c.shape.heightMm * Math.max(0, 1 - c.stopsAt);
  const unit = c.wayOf(c.spec.method).unit;
  return [
    findingOf(
      c,
      'stopped',
      'note',
      say`${c.area.name} stops at ${unit.one} ${count(last.number)}: some ${mm(bareMm)} above it stay bare.`,
      say`It was stopped there at the bench, where the rest can be laid after all. What is not laid asks for no wool and no time.`,
    ),
  ];
}
