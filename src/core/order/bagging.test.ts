/** Bags before a trim: only over what lies, right before it, once for neighbouring trims (common practice). */
import { defaultHand } from '@/core/piece/hand';
import { describe, expect, it } from 'vitest';
import { alpacaCria, brownHare, kingfisher, pineMarten } from '../../../demo/load';
import { change, plan } from '../../../demo/plain-marten';
import { plainStep } from '../../../demo/plain-step';
import type { Piece } from '@/core/piece/schema';
import { areaOf, ref } from '@/core/ref';
import { APART } from '@/core/shade/steps/borders';
import type { Operation } from '@/core/stage';
import { say } from '@/core/text';
import { bagging } from './bagging';

const op = (kind: Operation['kind'], area: string): Operation =>
  plainStep(
    `${kind}-${area}`,
    kind === 'trim' ? [{ id: `lay-${area}`, why: say`lies first`, strength: Infinity }] : [],
    { about: ref('area', area), kind, minutes: 3 },
  );
const order = (words: string): Operation[] =>
  words.split(' ').map((w) => op(w[0] === 'L' ? 'lay' : w[0] === 'T' ? 'trim' : 'veil', w.slice(1)));
const bagged = (words: string, apart: [string, string][]) =>
  bagging(
    order(words),
    apart.map(([a, b]) => ({ a, b })),
    (id) => id,
    defaultHand,
  ).bags.map(
    (b) =>
      `${areaOf(b)}: ${b.after
        .flatMap((t) => (t.id.startsWith('lay-') ? [t.id.slice(4)] : []))
        .slice(0, -1)
        .join()}`,
  );

describe('bags', () => {
  it('cover what lies and nothing else', () => {
    expect(bagged('La Ta Lb Tb', [['a', 'b']])).toEqual(['b: a']);
    expect(bagged('La Lb Ta Tb', [['a', 'b']])).toEqual(['a: b', 'b: a']);
    expect(bagged('La Lb Ta Tb', [])).toEqual([]);
  });
  it('rest on the same decisions in whatever order the rest is done: another order is no change of mind', () => {
    const restsOn = (words: string) =>
      bagging(
        order(words),
        [
          { a: 'a', b: 'b' },
          { a: 'a', b: 'c' },
        ],
        (id) => id,
        defaultHand,
      ).bags.find((b) => areaOf(b) === 'a')!.restsOn;
    expect(restsOn('Lb La Ta Tb Lc Tc')).toEqual(restsOn('Lb Lc La Ta Tb Tc'));
  });
  it('stay on for the next trim, and come off for other work', () => {
    const c: [string, string][] = [
      ['a', 'c'],
      ['b', 'c'],
    ];
    expect(bagged('Lc La Lb Ta Tb', c)).toEqual(['a: c']);
    expect(bagged('Lc La Lb Ta Vx Tb', c)).toEqual(['a: c', 'b: c']);
  });
  it('come off what is trimmed itself', () => {
    expect(bagged('La Lb Ta Tb Ta', [['a', 'b']])).toEqual(['a: b', 'b: a', 'a: b']);
  });
  it('take two minutes for each area covered', () => {
    const two = bagging(
      order('La Lb Lc Tc'),
      [
        { a: 'a', b: 'c' },
        { a: 'b', b: 'c' },
      ],
      (id) => id,
      defaultHand,
    );
    expect(two.bags.map((b) => b.work)).toEqual([{ step: 1, bag: 2 }]);
  });
});

describe.each<[string, Piece]>([
  ['marten', pineMarten],
  ['cria', alpacaCria],
  ['kingfisher', kingfisher],
  ['hare', brownHare],
])('in the %s', (_, demo) => {
  it.each(['as you go', 'at the end'] as const)(
    'trimmed %s, every trim has its neighbours that lie covered',
    (trim) => {
      const p = plan(change(demo, (d) => void (d.work.trim = trim)));
      const ops = p.work.steps.map((s) => s.operation);
      const apart = p.shade.judged.pairs.filter((x) => x.kind === 'areas' && x.contrast > APART);
      const covered = new Set<string>();
      ops.forEach((o, i) => {
        const area = areaOf(o);
        const bag = o.rightBefore !== undefined;
        if (bag) {
          expect(ops[i + 1]!.id, o.id).toBe(o.rightBefore);
          for (const t of o.after) if (t.id.startsWith('lay-')) covered.add(t.id.slice(4));
        } else if (o.kind === 'trim') {
          covered.delete(area!);
          for (const x of apart) {
            const other = x.a.id === area ? x.b.id : x.b.id === area ? x.a.id : null;
            const lies = ops.slice(0, i).some((b) => b.kind === 'lay' && areaOf(b) === other);
            if (other !== null && lies) expect(covered.has(other), `${area}: ${other}`).toBe(true);
          }
        } else covered.clear();
      });
    },
  );
});
