/**
 * A press takes what it was aimed at: on either side of the border of two areas, and of the middle between two rows. Where things are on
 * the picture is worked out here from the plan, by a depth picture of its own.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { packedName, unpacked } from '../cli/testing/packed';
import { plansDir } from '../cli/testing/plans-dir.mjs';
import type { Plan } from '../src/core/plan';
import { centreOf, eye, pixelsPerMm, seenAt, type Size } from '../src/ui/pictures/camera';
import { chooseArea, expect, openDemo, test } from './desk';

const FROM_LEFT = { yaw: 90, pitch: 0, zoom: 1, pan: [0, 0] as const };
/** How far from a border is pressed, pixels. */
const BESIDE = 3;
/** What lies so much deeper is on another part of the animal, mm. */
const DEEPER = 2;

const plan = (): Plan =>
  (unpacked(readFileSync(join(plansDir(), packedName('pine-marten', 'coarse')))) as { plan: Plan }).plan;

/** Which area is seen at every pixel (-1 for none) and how near it is. */
function seen(p: Plan, size: Size) {
  const perMm = pixelsPerMm(size, p.form, FROM_LEFT.zoom);
  const centre = centreOf(p.form.skin.positions);
  const { from } = eye(FROM_LEFT);
  const [w, h] = [Math.floor(size.width), Math.floor(size.height)];
  const area = new Int16Array(w * h).fill(-1);
  const near = new Float32Array(w * h).fill(-Infinity);
  const at = (q: readonly number[]): [number, number, number] => {
    const [x, y] = seenAt(q, centre, FROM_LEFT, size, perMm);
    return [x, y, q[0]! * from[0] + q[1]! * from[1] + q[2]! * from[2]];
  };
  p.coat.areas.forEach((a, i) => {
    if (!a.surface) return;
    const { positions: P, triangles: T } = a.surface;
    for (let t = 0; t < T.length; t += 3) {
      const [a0, b0, c0] = [0, 1, 2].map((k) => at([0, 1, 2].map((d) => P[3 * T[t + k]! + d]!))) as [
        [number, number, number],
        [number, number, number],
        [number, number, number],
      ];
      const whole = (b0[0] - a0[0]) * (c0[1] - a0[1]) - (c0[0] - a0[0]) * (b0[1] - a0[1]);
      if (whole === 0) continue;
      for (let y = Math.ceil(Math.min(a0[1], b0[1], c0[1])); y <= Math.max(a0[1], b0[1], c0[1]); y++)
        for (let x = Math.ceil(Math.min(a0[0], b0[0], c0[0])); x <= Math.max(a0[0], b0[0], c0[0]); x++) {
          if (x < 0 || y < 0 || x >= w || y >= h) continue;
          const u = ((x - a0[0]) * (c0[1] - a0[1]) - (c0[0] - a0[0]) * (y - a0[1])) / whole;
          const v = ((b0[0] - a0[0]) * (y - a0[1]) - (x - a0[0]) * (b0[1] - a0[1])) / whole;
          if (u < 0 || v < 0 || u + v > 1) continue;
          const d = a0[2] + u * (b0[2] - a0[2]) + v * (c0[2] - a0[2]);
          if (d <= near[y * w + x]!) continue;
          near[y * w + x] = d;
          area[y * w + x] = i;
        }
    }
  });
  return { w, h, area, near, at };
}

test('a press beside the border of two areas takes the one it is on', async ({ desk: page }) => {
  const p = plan();
  await openDemo(page, 'Pine marten', 'coat', { ...FROM_LEFT, overlay: 'areas' });
  const box = (await page.locator('canvas').first().boundingBox())!;
  const { w, h, area, near } = seen(p, box);
  const borders = new Map<string, { x: number; y: number; a: number; b: number; dx: number; dy: number }[]>();
  for (let y = 90; y < h - 90; y += 2)
    for (let x = 4 * BESIDE; x < w - 4 * BESIDE; x += 2)
      for (const [dx, dy] of [
        [1, 0],
        [0, 1],
      ] as const) {
        const one = (from: number, to: number) => {
          const at = (k: number, across: number) => area[(y + k * dy + across * dx) * w + x + k * dx + across * dy]!;
          for (let k = from; k <= to; k++)
            for (const across of [-2, 0, 2]) if (at(k, across) !== at(from, 0)) return -1;
          return at(from, 0);
        };
        const [a, b] = [one(-2 * BESIDE, -2), one(2, 2 * BESIDE)];
        const deep = (k: number) => near[(y + k * dy) * w + x + k * dx]!;
        if (a < 0 || b < 0 || a === b || Math.abs(deep(-BESIDE) - deep(BESIDE)) > DEEPER) continue;
        const pair = `${Math.min(a, b)}-${Math.max(a, b)}`;
        const found = borders.get(pair) ?? [];
        if (found.every((f) => Math.hypot(f.x - x, f.y - y) > 25))
          borders.set(pair, [...found, { x, y, a, b, dx, dy }]);
      }
  expect(borders.size, 'borders seen from the left').toBeGreaterThan(4);
  const inHand = page.getByRole('list', { name: 'Areas' }).locator('[aria-current="true"]');
  for (const { x, y, a, b, dx, dy } of [...borders.values()].flatMap((found) => found.slice(0, 2)))
    for (const [side, i] of [
      [-BESIDE, a],
      [BESIDE, b],
    ] as const) {
      const at = [x + side * dx, y + side * dy] as const;
      await page.mouse.click(box.x + at[0], box.y + at[1]);
      await expect(inHand, `at ${at.join(', ')}`).toContainText(p.coat.areas[i]!.name);
    }
});

test('a press beside the middle between two rows takes the nearer one', async ({ desk: page }) => {
  const p = plan();
  await openDemo(page, 'Pine marten', 'coat', { ...FROM_LEFT, overlay: 'rows' });
  const box = (await page.locator('canvas').first().boundingBox())!;
  const { w, h, area, near, at } = seen(p, box);
  // The area of which most is seen from here.
  const pixels = p.coat.areas.map((a, i) => (a.fur ? area.reduce((s, k) => s + (k === i ? 1 : 0), 0) : 0));
  const index = pixels.indexOf(Math.max(...pixels));
  const chosen = p.coat.areas[index]!;
  await chooseArea(page, chosen.name);
  const places = chosen.fur!.rows.rows.map((r) => ({
    number: r.number,
    points: r.pieces.flatMap(({ points }) =>
      Array.from({ length: points.length / 3 }, (_, i) => [points[3 * i]!, points[3 * i + 1]!, points[3 * i + 2]!]),
    ),
  }));
  const apart = (a: readonly number[], b: readonly number[]) => Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!, a[2]! - b[2]!);
  const nearest = (q: readonly number[]) =>
    places
      .map((r) => ({ number: r.number, off: Math.min(...r.points.map((x) => apart(x, q))) }))
      .reduce((s, r) => (r.off < s.off ? r : s)).number;
  const onSight = (q: readonly number[]) => {
    const [x, y, d] = at(q);
    const k = Math.round(y) * w + Math.round(x);
    return x > 20 && x < w - 20 && y > 90 && y < h - 90 && area[k] === index && near[k]! - d < 0.7;
  };
  let pressed = 0;
  for (let i = 0; i + 1 < places.length && pressed < 4; i += Math.max(1, Math.floor(places.length / 6))) {
    const [one, next] = [places[i]!, places[i + 1]!];
    const from = one.points.filter(onSight)[Math.floor(one.points.filter(onSight).length / 2)];
    if (!from) continue;
    const to = next.points.reduce((s, q) => (apart(q, from) < apart(s, from) ? q : s));
    if (!onSight(to)) continue;
    const [a, b] = [at(from), at(to)];
    // Too near each other to aim between, or another stretch of a row comes between them.
    const between = (share: number) => [0, 1, 2].map((k) => from[k]! + share * (to[k]! - from[k]!));
    const plain = [0.3, 0.7].every((share) => [one.number, next.number][Math.round(share)] === nearest(between(share)));
    if (Math.hypot(b[0] - a[0], b[1] - a[1]) < 8 || !plain) continue;
    for (const [share, number] of [
      [0.3, one.number],
      [0.7, next.number],
    ] as const) {
      await page.mouse.click(box.x + a[0] + share * (b[0] - a[0]), box.y + a[1] + share * (b[1] - a[1]));
      await expect(page.getByRole('img', { name: new RegExp(`row ${number} in hand`) })).toBeVisible();
    }
    pressed++;
  }
  expect(pressed, 'pairs of rows pressed between').toBeGreaterThan(2);
});
