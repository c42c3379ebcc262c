/** The wools a new piece begins with, in the demo cupboard and in an empty one. What a maker would take is common practice. */
import { describe, expect, it } from 'vitest';
import { cupboard } from '../../demo/load';
import { bodyPlan, BODY_PLANS } from './form/plans/plans';
import { firstWools, roughVolume } from './first-wools';
import { newPiece } from './new-piece';
import { defaultHand } from './piece/hand';
import { readPiece } from './piece/read';
import { makePlan } from './plan';

const IDS = ['buy-coat', 'buy-core', 'buy-nose'] as const;
const parts = bodyPlan('standing-quadruped').parts;
const chosen = (colour: string | null, box = cupboard) => firstWools(box, parts, 185, colour, IDS);
const empty = { ...cupboard, lots: [] };
const ROUGH = { edgeShare: 1 / 45 };
const begun = (plan: string, wools: ReturnType<typeof chosen>) =>
  newPiece(
    { id: 'n', name: 'New', plan, finishedLengthMm: 185, lifeLengthMm: 900, seed: 1, wools },
    cupboard,
    defaultHand,
  );

describe('first wools', () => {
  it('takes the coat by colour among wools that can be folded, and the core from carded wool', () => {
    expect(chosen('#b0622a').coat.id).toBe('rust-top');
    expect(chosen('#e6d9b4').coat.id).toBe('cream-top');
    const { core, coat, nose, toBuy } = chosen('#b0622a');
    expect(core.form).toBe('carded batt');
    expect(new Set([core.id, coat.id]).size).toBe(2);
    expect(toBuy).toEqual([]);
    expect(parseInt(nose.colour.slice(1, 3), 16)).toBeLessThan(0x50);
  });

  it('without a wish takes what there is most of that can be folded', () => {
    const tops = cupboard.lots.filter((l) => l.form === 'combed top');
    expect(chosen(null).coat.haveG).toBe(Math.max(...tops.map((l) => l.haveG)));
  });

  it('takes a carded core there is enough of before one of a nearer colour, and before a fine top', () => {
    const little = {
      ...cupboard,
      lots: cupboard.lots.map((l) => (l.id === chosen(null).core.id ? { ...l, haveG: 0.5 } : l)),
    };
    const other = { ...chosen(null).core, id: 'grey-batt', colour: '#777777', haveG: 100 };
    expect(firstWools({ ...little, lots: [...little.lots, other] }, parts, 185, null, IDS).core.id).toBe('grey-batt');
  });

  it('of an empty cupboard makes a list to buy, planned with and counted as missing', () => {
    const wools = chosen('#8a5a34', empty);
    expect(wools.toBuy.map((l) => l.id)).toEqual([...IDS]);
    expect(wools.coat.colour).toBe('#8a5a34');
    const piece = begun('standing-quadruped', wools);
    const plan = makePlan(piece, { ...empty, lots: [...wools.toBuy] }, defaultHand, undefined, ROUGH);
    const short = plan.stock.lots.filter((l) => l.shortG > 0).map((l) => l.lotId);
    expect(new Set(short)).toEqual(new Set(['buy-coat', 'buy-core']));
    expect(plan.coat.areas.some((a) => a.fur !== null)).toBe(true);
  });

  it('is about the volume of the drawn animal: within a third of the one worked out', () => {
    for (const p of BODY_PLANS.filter((x) => !x.parts.some((q) => q.shape === 'board'))) {
      const plan = makePlan(begun(p.id, chosen(null)), cupboard, defaultHand, undefined, ROUGH);
      const ratio = roughVolume(p.parts, 185) / plan.form.volumeMm3;
      expect(ratio, p.id).toBeGreaterThan(0.75);
      expect(ratio, p.id).toBeLessThan(1.34);
    }
  });

  it('every body plan begins as a valid piece with its core, its coat and its nose chosen', () => {
    for (const p of BODY_PLANS) {
      const piece = begun(p.id, chosen('#b0622a'));
      const read = readPiece(piece);
      expect(read.ok ? [] : read.problems, p.id).toEqual([]);
      expect(piece.core.lotId).not.toBeNull();
      // What is felted smooth is a beak in the wool of the nose, or a ground and feet in that of the core.
      const { smallParts, core } = piece;
      for (const a of piece.areas)
        if (a.coat.method === 'smooth') expect(a.coat.lotId === 'rust-top', a.id).toBe(false);
        else if (a.coat.method !== 'none') expect(a.coat.lotId).toBe('rust-top');
      expect(piece.areas.some((a) => a.coat.method === 'smooth' && a.coat.lotId === core.lotId)).toBe(
        p.smooth.some((id) => id !== 'beak'),
      );
      // A beak is an area of its own.
      expect(smallParts.map((s) => s.id)).toEqual(p.parts.some((q) => q.role === 'beak') ? [] : ['nose']);
    }
  });
});
