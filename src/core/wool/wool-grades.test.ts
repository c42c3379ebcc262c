import { describe, expect, it } from 'vitest';
import { gradeOf, WOOL_GRADES } from './wool-grades';

describe('wool grades (7 CFR 31.0, from memory)', () => {
  it('follow on each other without gap or overlap, finer first', () => {
    for (let i = 1; i < WOOL_GRADES.length; i++)
      expect(WOOL_GRADES[i]!.leastUm).toBeCloseTo(WOOL_GRADES[i - 1]!.mostUm + 0.01, 6);
  });
  it('name the fineness they stand for', () => {
    expect(gradeOf(21)!.grade).toBe('64s');
    expect(gradeOf(27)!.grade).toBe('56s');
    expect(gradeOf(12)).toBeUndefined();
  });
});
