import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  between,
  betweenWords,
  format,
  forField,
  masses,
  metric,
  readField,
  time,
  type Units,
  timeSpan,
} from './units';

const imperial: Units = { length: 'in', mass: 'oz', currency: '£' };
const mm = (value: number) => ({ kind: 'length', value }) as const;

describe('what the maker reads', () => {
  it.each([
    [3.5, '3.5 mm', '1/8 in'],
    [41.2, '41 mm', '1 5/8 in'],
    [185, '185 mm', '7 5/16 in'],
    [25.4, '25.5 mm', '1 in'],
    [0.2, '0 mm', 'under 1/16 in'],
  ])('%f mm', (x, a, b) => {
    expect(format(mm(x), metric)).toBe(a);
    expect(format(mm(x), imperial)).toBe(b);
  });

  it('gives time, mass, share and money no more digits than the work can use', () => {
    expect([4.4, 12, 59, 100, 118, 120].map(time)).toEqual(['4 min', '10 min', '1 h', '1 h 40', '2 h', '2 h']);
    expect(format({ kind: 'mass', value: 3.4444 }, metric)).toBe('3.4 g');
    // What no kitchen scale shows is told in milligrams, two figures.
    expect(format({ kind: 'mass', value: 0.0214 }, metric)).toBe('21 mg');
    expect(format({ kind: 'mass', value: 0.0034 }, metric)).toBe('3.4 mg');
    expect(format({ kind: 'mass', value: 0.0996 }, metric)).toBe('0.1 g');
    expect(format({ kind: 'mass', value: 0.0034 }, { ...metric, mass: 'oz' })).toBe('3.4 mg');
    expect(format({ kind: 'mass', value: 0 }, metric)).toBe('0.0 g');
    expect(format({ kind: 'mass', value: 28.35 }, imperial)).toBe('1.00 oz');
    expect(format({ kind: 'share', value: 0.9791 }, metric)).toBe('98 %');
    expect(format({ kind: 'share', value: 0.997 }, metric)).toBe('over 99 %');
    expect(format({ kind: 'money', value: 2.4 }, imperial)).toBe('£2.40');
    expect(format({ kind: 'rowLength', value: 2345 }, metric)).toBe('2.3 m');
    expect(format({ kind: 'length', value: NaN }, metric)).toBe('not known');
  });
});

describe('masses that belong together', () => {
  it('are said in as many figures as their recipe needs, and one by itself as ever', () => {
    expect(masses([0.1125, 0.1125, 0.075], metric)).toEqual(['113 mg', '113 mg', '75 mg']);
    expect(masses([0.3, 0.2], metric)).toEqual(['0.3 g', '0.2 g']);
    expect(masses([0.1375, 0.225], metric)).toEqual(['0.14 g', '0.23 g']);
    expect(masses([3.44], metric)).toEqual(['3.4 g']);
    expect(masses([], metric)).toEqual([]);
    expect(masses([28.35, 14.17], imperial)).toEqual(['1.00 oz', '0.50 oz']);
  });
  it('read back they give the parts they were made from, however small the batch', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 8 }), { minLength: 2, maxLength: 4 }),
        fc.double({ min: 0.02, max: 60, noNaN: true }),
        fc.constantFrom(metric, imperial),
        (parts, totalG, u) => {
          const whole = parts.reduce((a, b) => a + b, 0);
          const read = masses(
            parts.map((p) => (totalG * p) / whole),
            u,
          ).map(parseFloat);
          const sum = read.reduce((a, b) => a + b, 0);
          expect(read.map((x) => Math.round((x / sum) * whole))).toEqual(parts);
        },
      ),
    );
  });
});

describe('a time nobody knows to the minute', () => {
  it('is told from low to high with what is likely, rounded as one would say it', () => {
    expect(timeSpan({ low: 14.2 * 60, likely: 17.1 * 60, high: 21.6 * 60 })).toBe('14 to 22 h, likely 17');
    expect(timeSpan({ low: 100, likely: 150, high: 225 })).toBe('1.5 to 4 h, likely 2.5');
    expect(timeSpan({ low: 50, likely: 70, high: 100 })).toBe('50 min to 1.5 h, likely 70 min');
    expect(timeSpan({ low: 31, likely: 44, high: 62 })).toBe('30 to 60 min, likely 45');
    expect(timeSpan({ low: 0.4, likely: 0.5, high: 0.7 })).toBe('about 1 min');
    expect(timeSpan({ low: 0, likely: 0, high: 0 })).toBe('0 min');
  });
});

describe('what the maker types', () => {
  it.each([
    ['12.5', metric, 12.5],
    ['12,5', metric, 12.5],
    ['1 cm', metric, 10],
    ['1/2 in', metric, 12.7],
    ['1 5/8', imperial, 41.275],
    ['.5', imperial, 12.7],
    ['30 mm', imperial, 30],
  ])('%s', (text, u, value) => {
    const r = readField(text, 'length', u);
    expect(r.ok && r.value).toBeCloseTo(value, 9);
  });
  it.each(['', 'abc', '1 2', '3 g', '1/0', '1 1/', '--2', '-2'])('refuses "%s" and says what is wanted', (text) => {
    const r = readField(text, 'length', metric);
    expect(r.ok).toBe(false);
    if (!r.ok) expect(r.says).toContain('mm');
  });
  it('what may go either way takes a sign, and small things have a tenth', () => {
    for (const text of ['-1.5', '−1,5', '-1.5 mm']) {
      const r = readField(text, 'fine', metric);
      expect(r.ok && r.value).toBeCloseTo(-1.5, 9);
    }
    const angle = readField('-20', 'angle', metric);
    expect(angle.ok && angle.value).toBe(-20);
    expect(format({ kind: 'fine', value: 0.84 }, metric)).toBe('0.8 mm');
    expect(format({ kind: 'fine', value: 0.15 }, metric)).toBe('0.15 mm');
    expect(format({ kind: 'fine', value: 17.44 }, metric)).toBe('17.4 mm');
    expect(format({ kind: 'fine', value: 32.2 }, metric)).toBe('32 mm');
    expect(format({ kind: 'fine', value: 2.54 }, imperial)).toBe('0.100 in');
    const back = readField(forField('fine', 3.3, imperial), 'fine', imperial);
    expect(back.ok && Math.abs(back.value - 3.3)).toBeLessThan(0.02);
  });
  it('reads back what it wrote, to the digits it wrote', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 500, noNaN: true }), fc.constantFrom(metric, imperial), (x, u) => {
        const r = readField(forField('length', x, u), 'length', u);
        expect(r.ok).toBe(true);
        if (r.ok) expect(Math.abs(r.value - x)).toBeLessThanOrEqual(u === metric ? 0.0051 : 25.4 / 32 + 1e-9);
      }),
    );
  });

  it('what a figure may come to, in one unit and without saying it twice', () => {
    const g = (low: number, high: number) => between({ low, high }, 'mass', metric);
    expect(g(3.36, 5.14)).toBe('3.4 to 5.1 g');
    expect(g(0.064, 0.118)).toBe('64 to 120 mg');
    expect(g(0.131, 0.179)).toBe('0.1 to 0.2 g');
    expect(g(3.41, 3.42)).toBe('about 3.4 g');
    expect(between({ low: 0.948, high: 0.998 }, 'share', metric)).toBe('95 to over 99 %');
    expect(between({ low: 40, high: 70 }, 'time', metric)).toBe('40 min to 1 h 10');
    expect(betweenWords({ low: 3.36, high: 5.14 }, 'mass', metric)).toBe('between 3.4 and 5.1 g');
    expect(betweenWords({ low: 3.41, high: 3.42 }, 'mass', metric)).toBe('about 3.4 g');
    expect(between({ low: 25.4, high: 50.8 }, 'length', { ...metric, length: 'in' })).toBe('1 to 2 in');
  });

  it('a figure lies between the ends it is told with, as they are rounded', () => {
    for (let x = 0.02; x < 30; x *= 1.07) {
      const said = between({ low: 0.8 * x, high: 1.3 * x }, 'mass', metric);
      const [low, high] = said
        .replace(/ (mg|g)$/, '')
        .split(' to ')
        .map(Number);
      const alone = format({ kind: 'mass', value: x }, metric);
      const of = (t: string, per: string) => (per.endsWith(' mg') ? 1 : 1000) * Number(t);
      const value = of(alone.split(' ')[0]!, alone);
      // Alone it has two figures, so beside milligrams it may be rounded by a twentieth.
      const slack = said.endsWith(' mg') && !alone.endsWith(' mg') ? 50 : 1e-9;
      expect(value, said).toBeGreaterThanOrEqual(of(String(low), said) - slack);
      expect(value, said).toBeLessThanOrEqual(of(String(high ?? low), said) + slack);
    }
  });
});
