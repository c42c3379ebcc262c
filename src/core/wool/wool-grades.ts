/**
 * Wool grades and the range of average fibre diameter each stands for, micron (United States standards for grades of wool,
 * 7 CFR 31.0; cited from memory). A grade is a first guess of the fineness; a measured value is better.
 */
interface WoolGrade {
  readonly grade: string;
  readonly leastUm: number;
  readonly mostUm: number;
}

export const WOOL_GRADES: readonly WoolGrade[] = [
  { grade: '80s', leastUm: 17.7, mostUm: 19.14 },
  { grade: '70s', leastUm: 19.15, mostUm: 20.59 },
  { grade: '64s', leastUm: 20.6, mostUm: 22.04 },
  { grade: '62s', leastUm: 22.05, mostUm: 23.49 },
  { grade: '60s', leastUm: 23.5, mostUm: 24.94 },
  { grade: '58s', leastUm: 24.95, mostUm: 26.39 },
  { grade: '56s', leastUm: 26.4, mostUm: 27.84 },
  { grade: '54s', leastUm: 27.85, mostUm: 29.29 },
  { grade: '50s', leastUm: 29.3, mostUm: 30.99 },
  { grade: '48s', leastUm: 31, mostUm: 32.69 },
  { grade: '46s', leastUm: 32.7, mostUm: 34.39 },
  { grade: '44s', leastUm: 34.4, mostUm: 36.19 },
  { grade: '40s', leastUm: 36.2, mostUm: 38.09 },
  { grade: '36s', leastUm: 38.1, mostUm: 40.2 },
];

/** The grade a fineness falls in; undefined outside all of them. */
export const gradeOf = (um: number): WoolGrade | undefined =>
  WOOL_GRADES.find((g) => um >= g.leastUm - 0.005 && um <= g.mostUm + 0.005);
