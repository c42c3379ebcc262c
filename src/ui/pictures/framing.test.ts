/** Moving, nearing and framing on the turntable keep in place what they should. Closed forms of an orthographic picture. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planned } from '../../../cli/testing/planned';
import { cupboard, pineMarten } from '../../../demo/load';
import { defaultHand } from '@/core/piece/hand';
import { defaultView } from '@/desk/view';
import { centreOf, pixelsPerMm, seenAt } from './camera';
import { framed, lookedAt, moved, nearer, ZOOM } from './framing';

const size = { width: 600, height: 400 };
const form = { lengthMm: 180, heightMm: 60, widthMm: 40 };
const centre = [3, 20, -5];
const angle = fc.double({ min: -180, max: 180, noNaN: true });
const offset = fc.double({ min: -150, max: 150, noNaN: true });

describe('looking about on the turntable', () => {
  it('the place under the pointer stays under it when it comes nearer, at any zoom and from any side', () => {
    fc.assert(
      fc.property(angle, offset, offset, fc.double({ min: 0.6, max: 2, noNaN: true }), (yaw, x, y, times) => {
        const view = { ...defaultView, yaw, pitch: 20, zoom: 1.4, pan: [4, -7] as [number, number] };
        const perMm = pixelsPerMm(size, form, view.zoom);
        // The place seen at the pointer.
        const at = lookedAt(centre, { ...view, pan: [view.pan[0] + x / perMm, view.pan[1] + y / perMm] });
        const then = { ...view, ...nearer(view, times, [x, y], perMm) };
        const seen = seenAt(at, lookedAt(centre, then), then, size, pixelsPerMm(size, form, then.zoom));
        expect(seen[0]).toBeCloseTo(300 + x, 6);
        expect(seen[1]).toBeCloseTo(200 - y, 6);
      }),
    );
  });

  it('never nears or goes away beyond its limits, and then moves nothing', () => {
    const most = { ...defaultView, zoom: ZOOM.most };
    expect(nearer(most, 2, [80, 10], 5)).toEqual({ zoom: ZOOM.most, pan: most.pan });
  });

  it('goes along with the hand to the pixel', () => {
    const view = { ...defaultView, zoom: 2 };
    const perMm = pixelsPerMm(size, form, 2);
    const then = { ...view, ...moved(view, [35, -12], perMm) };
    const [x, y] = seenAt(centre, lookedAt(centre, then), then, size, perMm);
    expect([x, y]).toEqual([expect.closeTo(335, 6), expect.closeTo(212, 6)]);
  });

  it('frames the area in hand: all of it in the picture, in the middle, filling it', () => {
    const plan = planned(pineMarten, cupboard, defaultHand);
    for (const areaId of ['bib', 'tail', 'flanks']) {
      const view = { ...defaultView, areaId };
      const then = { ...view, ...framed(plan, pineMarten, view, size, 'area')! };
      const perMm = pixelsPerMm(size, plan.form, then.zoom);
      const at = lookedAt(centreOf(plan.form.skin.positions), then);
      const p = plan.coat.areas.find((a) => a.id === areaId)!.surface!.positions;
      const xs: number[] = [];
      const ys: number[] = [];
      for (let i = 0; i < p.length; i += 3) {
        const [x, y] = seenAt([p[i]!, p[i + 1]!, p[i + 2]!], at, then, size, perMm);
        xs.push(x);
        ys.push(y);
      }
      const [l, r, t, b] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
      expect((l + r) / 2, areaId).toBeCloseTo(300, 3);
      expect((t + b) / 2, areaId).toBeCloseTo(200, 3);
      const fills = Math.max((r - l) / 600, (b - t) / 400);
      expect(fills, areaId).toBeGreaterThan(then.zoom === ZOOM.most ? 0.3 : 0.719);
      expect(fills, areaId).toBeLessThan(0.721);
    }
    expect(framed(plan, pineMarten, { ...defaultView, areaId: 'none' }, size, 'area')).toBeNull();
  });
});
