/** What touches the ground: feet by how felt gives under them, base holes for feet that reach it, a tail that is leant on. */
import { describe, expect, it } from 'vitest';
import { planned } from '../../../cli/testing/planned';
import { cupboard } from '../../../demo/load';
import { plainTube } from '../../../demo/plain-tube';
import { plainArea } from '@/core/form/area-edits';
import { newPiece } from '@/core/new-piece';
import { defaultHand as hand } from '@/core/piece/hand';
import type { Part, Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { footGives } from './core-methods';

const begun = newPiece(
  { id: 'n', name: 'New', plan: 'standing-quadruped', finishedLengthMm: 200, lifeLengthMm: 900, seed: 1 },
  cupboard,
  hand,
);
/** A trunk of 1,000 drawn lengths, 200 mm, on whatever is given. */
const on = (...parts: Part[]): Plan =>
  planned(
    {
      ...begun,
      form: { ...begun.form, parts: [{ ...plainTube('trunk'), blend: 10 }, ...parts], pose: [], finishedLengthMm: 200 },
      areas: [plainArea('all', 'All', [{ parts: ['trunk'] }])],
      core: { ...begun.core, allowanceMm: 0, soft: [] },
    } as Piece,
    cupboard,
    hand,
    { edgeShare: 1 / 90 },
  );
const limb = (
  id: string,
  from: [number, number, number],
  to: [number, number, number],
  radius: number,
  two = true,
): Part => ({
  id,
  name: id[0]!.toUpperCase() + id.slice(1),
  role: 'other',
  shape: 'limb',
  mirrored: two,
  blend: 10,
  lie: 'to-end',
  on: 'trunk',
  root: 'start',
  nodes: [
    { at: from, radius: radius * 1.3 },
    { at: to, radius },
  ],
});

describe('how felt gives under a foot', () => {
  it('is a ball on the flat by Hertz: half again as much weight to the two thirds, rounder feet less (closed form)', () => {
    const d = footGives.of({ mass: 1, radius: 10 });
    // F = 0.00981 N on E = 0.05 N/mm2: (0.02943 / 0.63246) to the two thirds.
    expect(d).toBeCloseTo(0.1294, 4);
    expect(footGives.of({ mass: 8, radius: 10 }) / d).toBeCloseTo(4, 9);
    expect(footGives.of({ mass: 1, radius: 80 }) / d).toBeCloseTo(1 / 2, 9);
  });
  it('never by more than a quarter of how thick a small paw is, whatever the length of the animal', () => {
    expect(footGives.of({ mass: 40, radius: 1.5 })).toBe(0.375);
  });
  it('so a sole is as wide as its flattened foot: within the chord of what it gives', () => {
    const plan = on(limb('fore', [60, 0, 300], [60, -300, 300], 15), limb('hind', [60, 0, -300], [60, -300, -300], 15));
    const r = 15 * 0.2;
    const gives = footGives.of({ mass: plan.stands.massG / 4, radius: r });
    const half = Math.sqrt(2 * r * gives - gives * gives);
    const [outer, inner] = [12 + half, 12];
    const widest = Math.max(...plan.stands.feet.map((p) => Math.abs(p[0])));
    expect(widest).toBeLessThan(outer + 0.2);
    expect(widest).toBeGreaterThan(inner + 0.4 * half);
  });
});

describe('holes of a base', () => {
  it('are bored for legs that are on the ground; a lifted pair has none', () => {
    const lifted = on(
      limb('fore', [60, 0, 300], [60, -120, 520], 20),
      limb('hind', [60, 0, -300], [60, -300, -300], 20),
      limb('middle', [60, 0, 100], [60, -300, 100], 20),
    );
    expect(lifted.stands.holes.map((h) => h.name)).toEqual([
      'Hind, left',
      'Hind, right',
      'Middle, left',
      'Middle, right',
    ]);
  });
});

describe('a body on two legs', () => {
  const legs = limb('legs', [60, 0, 150], [60, -300, 150], 20);
  it('leans on a tail that reaches the ground: said, and it would fall without', () => {
    const leaning = on(legs, limb('tail', [0, 0, -480], [0, -300, -620], 20, false));
    expect(leaning.stands.leansOn).toEqual(['Tail']);
    expect(leaning.stands.marginMm).toBeGreaterThan(0);
    expect(leaning.findings.find((f) => f.id === 'form-leans')?.severity).toBe('note');
    expect(leaning.stands.holes.map((h) => h.name)).toEqual(['Legs, left', 'Legs, right']);
    const held = on(legs, limb('tail', [0, 0, -480], [0, -100, -700], 20, false));
    expect(held.stands.leansOn).toEqual([]);
    expect(held.findings.some((f) => f.id === 'form-leans')).toBe(false);
    expect(held.findings.some((f) => f.id === 'form-falls')).toBe(true);
  });
  it('does not lean on a tail it would stand without', () => {
    const four = on(
      legs,
      limb('hind', [60, 0, -300], [60, -300, -300], 20),
      limb('tail', [0, 0, -480], [0, -300, -620], 20, false),
    );
    expect(four.stands.leansOn).toEqual([]);
  });
});
