/** The demo that is half done: worked by the decisions it has, its hand has learned from it, nobody else's has. */
import { describe, expect, it } from 'vitest';
import { existsSync } from 'node:fs';
import { planned } from '../../cli/testing/planned';
import { cupboard, pineMarten, pineMartenBegun } from '../../demo/load';
import { defaultHand } from '@/core/piece/hand';
import { handAtWork } from '@/core/rates/hand-at-work';
import { sittingsDone } from '@/core/log/sittings-done';
import { demoHand, demoPhotographs, withDemoLots } from './demo';

const plan = planned(pineMartenBegun, cupboard, demoHand);
const { log } = pineMartenBegun;

describe('the half-done marten', () => {
  it('is the marten but for its log; about half of the time is done, and every step by decisions as they stand', () => {
    expect({ ...pineMartenBegun, id: '', name: '', log: [] }).toEqual({ ...pineMarten, id: '', name: '', log: [] });
    const all = plan.work.steps.reduce((s, x) => s + x.operation.minutes, 0);
    expect(1 - plan.work.minutesLeft / all).toBeGreaterThan(0.35);
    expect(1 - plan.work.minutesLeft / all).toBeLessThan(0.65);
    expect(plan.work.progress.flatMap((p) => p.changed)).toEqual([]);
    expect(plan.log.goOn?.left?.row).toBeGreaterThan(0);
  });
  it('took several days, with rows gone wrong, measures, wool weighed, notes, photographs and an entry put right', () => {
    const of = (kind: string) => log.filter((e) => e.kind === kind).length;
    expect(sittingsDone(log)).toHaveLength(of('sitting'));
    expect(of('sitting')).toBeGreaterThanOrEqual(5);
    expect([of('wrong'), of('photo')]).toEqual([1, 3]);
    expect(log.flatMap((e) => (e.kind === 'measured' ? [e.what] : [])).sort()).toEqual(['loft', 'shrink', 'spacing']);
    expect(of('wool')).toBeGreaterThanOrEqual(2);
    expect(of('note')).toBeGreaterThanOrEqual(2);
    expect(log.filter((e) => e.was.length > 0)).toHaveLength(1);
    for (const { path } of demoPhotographs(pineMartenBegun)) expect(existsSync(`public${path}`), path).toBe(true);
    // Time goes on.
    expect(log.map((e) => Date.parse(e.at))).toEqual(log.map((e) => Date.parse(e.at)).sort((a, b) => a - b));
  });
  it('has taught its own hand that it takes a quarter longer, and no other', () => {
    const hand = handAtWork(demoHand, pineMartenBegun);
    expect(hand.learnt).not.toBeNull();
    expect(hand.slower!.rows).toBeGreaterThan(1.1);
    expect(hand.slower!.rows).toBeLessThan(1.45);
    expect(handAtWork(defaultHand, pineMartenBegun).learnt).toBeNull();
  });
  it('brings the wool it still needs', () => {
    const bare = { ...cupboard, lots: [], wires: [] };
    expect(withDemoLots(bare, pineMartenBegun).lots.length).toBe(withDemoLots(bare, pineMarten).lots.length);
  });
});
