/** Fur as thick as the part under it: the ways makers have, each with its size, and each clears what was found. */
import { describe, expect, it } from 'vitest';
import { planned } from '../../../cli/testing/planned';
import { cupboard, pineMarten } from '../../../demo/load';
import { applied } from '../../../demo/plain-face';
import { change } from '../../../demo/plain-marten';
import { defaultHand as hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Finding } from '@/core/stage';
import type { Text } from '@/core/text';
import type { CorePart } from './core-plan';
import { layersOver, LAYER_MM, longestBlade } from './core-layers';

const FINE = { edgeShare: 1 / 70 };
/** Words with their bare figures. */
const words = (t: Text): string => t.map((x) => (typeof x === 'string' ? x : x.value)).join('');
const at = (p: Piece) => planned(p, cupboard, hand, FINE);
const found = (p: Piece, id: string): Finding | undefined => at(p).findings.find((f) => f.id === id);
/** A tail under fur of 24 mm at 30 degrees. */
const bushy = change(pineMarten, (d) => {
  const tail = d.areas.find((a) => a.id === 'tail')!;
  if (tail.coat.method === 'fold-over')
    Object.assign(tail.coat, { lengthMm: 40, topLengthMm: null, liftDeg: 38, layMgCm: 9, topLayMgCm: null });
  d.core.soft = [];
});

describe('a bushy tail', () => {
  const f = found(bushy, 'form-swallowed-tail')!;
  it('is no longer told to be flat felt: the wire is wrapped, or it is taken as drawn, with the size that comes of it', () => {
    expect(f.severity).toBe('stop');
    expect(f.remedies.map((r) => words(r.label))).toEqual([
      'Wrap the wire of Tail and let its fur make the bush',
      'Take Tail as drawn for its core',
    ]);
    expect(words(f.remedies[0]!.effect)).toContain('round a wire wrapped to');
    expect(words(f.remedies[1]!.effect)).toContain('across with its fur');
  });
  it.each([0, 1])('remedy %s clears it', (k) => {
    expect(found(applied(bushy, f.remedies[k]!.changes), 'form-swallowed-tail')).toBeUndefined();
  });
  it('wrapped: a step wraps the wire with the wool it says, no core is asked round it, and the core weighs what its steps take', () => {
    const plan = at(applied(bushy, f.remedies[0]!.changes));
    const step = plan.work.steps.find((s) => s.operation.id === 'core-wrap-tail')!.operation;
    const tail = plan.core.parts.find((p) => p.id === 'tail')!;
    // A tube of felt by its formula: a millimetre all round a doubled wire.
    const wire = plan.frame.strands * plan.frame.thickMm;
    const cm3 = ((Math.PI / 4) * ((wire + 2) ** 2 - wire ** 2) * tail.axisMm) / 1000;
    expect(step.materials.reduce((s, m) => s + m.massG, 0)).toBeCloseTo(0.1 * cm3, 6);
    const taken = plan.work.steps
      .filter((s) => s.operation.stage === 'form')
      .flatMap((s) => s.operation.materials)
      .filter((m) => m.for === 'core' || m.for === 'collar')
      .reduce((s, m) => s + m.massG, 0);
    expect(taken).toBeCloseTo(plan.core.massG, 6);
    const ofWire = plan.findings.filter((x) => x.code === 'form-wire-bare' || x.id === 'form-wire-thick');
    expect(ofWire.filter((x) => words(x.says).includes('Tail'))).toEqual([]);
  });
  it('wrapped where a core would fit: there is the wire and no core round it, but where the part runs into the next', () => {
    const wrapped = change(pineMarten, (d) => void (d.core.under = [{ part: 'tail', way: 'wrapped wire' }]));
    const [was, now] = [pineMarten, wrapped].map((p) => at(p).core.parts.find((x) => x.id === 'tail')!) as [
      CorePart,
      CorePart,
    ];
    expect(was.sections.map((s) => s.core !== null)).toEqual([true, true, true]);
    expect(now.sections.slice(1).map((s) => s.core)).toEqual([null, null]);
    // What is left of it is its root in the body, tapering by half a millimetre a millimetre.
    expect(now.volumeMm3).toBeLessThan(0.6 * was.volumeMm3);
    // Its finished size is the drawn one, and no other part gets thinner.
    expect(now.sections.map((s) => s.finished)).toEqual(was.sections.map((s) => s.finished));
    const others = (p: Piece) =>
      at(p)
        .core.parts.filter((x) => x.id !== 'tail')
        .reduce((s, x) => s + x.volumeMm3, 0);
    expect(Math.abs(others(wrapped) / others(pineMarten) - 1)).toBeLessThan(0.01);
  });
  it('as drawn: the core of the tail is the tail, and with its fur it is as much thicker as the coat is thick twice', () => {
    const drawn = at(applied(bushy, f.remedies[1]!.changes));
    const tail = drawn.core.parts.find((p) => p.id === 'tail')!;
    for (const s of tail.sections) expect(Math.abs(s.core!.width / s.finished.width - 1)).toBeLessThan(0.06);
    const widest = Math.max(...tail.sections.map((s) => Math.max(s.finished.width, s.finished.height)));
    const loft = drawn.coat.areas.find((a) => a.id === 'tail')!.fur!.figures.loft.value;
    expect(Math.abs((tail.withFurMm! - widest) / (2 * loft) - 1)).toBeLessThan(0.15);
  });
  it('without wire a pipe cleaner is put in with it', () => {
    const none = change(bushy, (d) => void (d.frame.kind = 'none'));
    const r = found(none, 'form-swallowed-tail')!.remedies[0]!;
    const plan = at(applied(none, r.changes));
    expect(plan.frame.kind).toBe('pipe cleaner');
    expect(words(r.effect)).toContain('a pipe cleaner');
    expect(plan.findings.some((x) => x.id === 'form-swallowed-tail')).toBe(false);
  });
});

describe('a core thicker than the blade reaches from both sides', () => {
  it('is built on in layers of 12 mm over what a blade of 25 reaches through', () => {
    expect(longestBlade({ needles: [] })).toBe(25);
    expect([40, 50, 50.1, 74, 74.1, 98].map((mm) => layersOver(mm, 25))).toEqual([0, 0, 1, 1, 2, 2]);
    expect(LAYER_MM).toBe(12);
  });
  it('its step says so, in as many layers, and takes longer for each', () => {
    const large = change(pineMarten, (d) => {
      d.form.finishedLengthMm *= 3;
      d.core.school = 'full-size';
    });
    const plan = at(large);
    const trunk = plan.core.parts.find((p) => p.id === 'trunk')!;
    const thick = Math.max(...trunk.sections.map((s) => Math.min(s.core!.width, s.core!.height)));
    expect(thick).toBeGreaterThan(50);
    const n = layersOver(thick, longestBlade(cupboard));
    const step = plan.work.steps.find((s) => s.operation.id === 'core-trunk')!.operation;
    expect(words(step.does)).toContain(`then ${n} ${n === 1 ? 'layer' : 'layers'} of about 12,`);
    expect(step.work.corePart).toBe(1 + n);
    const phase = plan.needles.steps.find((s) => s.operationId === 'core-trunk')!.phases.at(-1)!;
    expect(words(phase.because)).toContain('in layers of 12,');
    expect(phase.angleDeg).toBe(90);
  });
});
