/** What fields say, and that it can be believed: sliders within ranges, choices with words for what is kept, refusals by name. */
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { cupboard } from '../../../demo/load';
import { WAYS } from '@/core/coat/ways';
import { coatSchema } from './coat';
import { cupboardSchema } from './cupboard';
import { askedOf, boundsOf, choice, field, flag, kindOf, owned, saysOf, type Says } from './fields';
import { defaultHand as hand, handSchema } from './hand';
import { pieceSchema } from './schema';

interface Leaf {
  readonly path: string;
  readonly schema: z.core.$ZodType;
  readonly says: Says;
  readonly among: z.ZodObject;
}

/** Every field of a document that says something, with the path to it. */
function leaves(schema: z.core.$ZodType, path: string, among: z.ZodObject | null): Leaf[] {
  const says = saysOf(schema);
  if (says && among) return [{ path, schema, says, among }];
  if (schema instanceof z.ZodObject)
    return Object.entries(schema.shape).flatMap(([k, s]) => leaves(s as z.core.$ZodType, `${path}.${k}`, schema));
  if (schema instanceof z.ZodArray) return leaves(schema.element, `${path}[]`, null);
  if (schema instanceof z.ZodNullable || schema instanceof z.ZodOptional) return leaves(schema.unwrap(), path, among);
  if (schema instanceof z.ZodUnion) return schema.options.flatMap((o, i) => leaves(o, `${path}<${i}>`, null));
  return [];
}

const ALL = [
  ...leaves(pieceSchema, 'piece', null),
  ...leaves(cupboardSchema, 'cupboard', null),
  ...leaves(handSchema, 'hand', null),
];
const unboxed = (s: z.core.$ZodType): z.core.$ZodType => (s instanceof z.ZodNullable ? unboxed(s.unwrap()) : s);

describe('every field of piece, cupboard and hand', () => {
  it('is among so many that a maker sets', () => {
    // More than the 266 written out by hand before they came from here, less what was written twice.
    expect(ALL.length).toBeGreaterThan(180);
  });
  it('has a label of its own, a slider within its range, words for what is kept', () => {
    expect(ALL.flatMap((l) => faultsOf(l).map((fault) => `${l.path}: ${fault}`))).toEqual([]);
  });
});

/** Everything wrong with what a field says. */
function faultsOf({ schema, says, among }: Leaf): string[] {
  const inner = unboxed(schema);
  const beside = askedOf(among).filter((k) => saysOf(among.shape[k]!)!.label === says.label);
  const out = [
    ...(says.label.trim().length > 1 ? [] : ['no label']),
    ...(beside.length > 1 ? [`called as another beside it: ${beside.join(', ')}`] : []),
    ...(says.beginsAs && !(says.beginsAs in among.shape) ? ['begins as what is not there'] : []),
    ...(says.none !== undefined && !(schema instanceof z.ZodNullable)
      ? ['a word for none, and it cannot be none']
      : []),
  ];
  if (inner instanceof z.ZodNumber) {
    const { least, most } = boundsOf(schema);
    const [from, to, step] = says.slide ?? [least, most, (most - least) / 10];
    if (!(Number.isFinite(least) && Number.isFinite(most) && least < most)) out.push('no range');
    if (from < least || to > most) out.push('slides beyond its range');
    // A slider has at least ten places, or every whole number there is.
    if ((to - from) / step < (says.kind === 'count' ? 2 : 9.99)) out.push('slides too coarsely');
    if (!/ must be between .* and /.test(z.safeParse(inner, most + 1).error?.issues[0]?.message ?? ''))
      out.push('is not refused beyond its range');
  }
  if (inner instanceof z.ZodEnum) {
    const kept = inner.options.map(String);
    out.push(...Object.keys(says.words ?? {}).filter((w) => !kept.includes(w)));
    if (new Set(kept.map((k) => says.words?.[k] ?? k)).size < kept.length) out.push('two choices in the same words');
  }
  return out;
}

describe('the measures of every way of laying', () => {
  it.each(WAYS.map((w) => [w.title, w] as const))('%s: asks for all its numbers, each with a slider', (_n, way) => {
    const lot = cupboard.lots.find((l) => way.suits[l.form].suits === 'well')!;
    const coat = way.begin({ lot, cupboard, hand, finishedLengthMm: 180, now: null });
    const schema = kindOf(coatSchema, coat);
    const asked = askedOf(schema);
    const unasked = Object.entries(coat).filter(([k, v]) => typeof v === 'number' && !asked.includes(k));
    expect(unasked).toEqual([]);
    for (const k of asked)
      if (unboxed(schema.shape[k]!) instanceof z.ZodNumber) expect(saysOf(schema.shape[k]!)!.slide, k).toBeDefined();
    // What it begins with lies within what it asks.
    expect(schema.safeParse(coat).error).toBeUndefined();
  });
});

describe('what a schema says', () => {
  const box = z.strictObject({
    kind: z.literal('box'),
    wide: field('length', 'Width of the box', 2, 9, { label: 'Width', slide: [3, 8, 0.5] }),
    lid: flag('with a lid'),
    lined: owned('wool', 'Wool', 'Lined with', { none: 'nothing' }).nullable(),
    made: choice(['sewn', 'felted'], 'Made'),
    note: z.string(),
  });
  const bag = z.strictObject({ kind: z.enum(['bag', 'sack']), deep: field('count', 'Depth', 1, 3) });
  const holders = z.discriminatedUnion('kind', [box, bag]);

  it('is found through the box of what may be left out, and nowhere else', () => {
    expect(saysOf(box.shape.lined)).toEqual({ label: 'Lined with', takes: 'wool', none: 'nothing' });
    expect(saysOf(box.shape.note)).toBeUndefined();
    expect(askedOf(box)).toEqual(['wide', 'lid', 'lined', 'made']);
  });
  it('ranges are said once: in the refusal by the full name, for the field by its ends', () => {
    expect(boundsOf(box.shape.wide.nullable())).toEqual({ least: 2, most: 9 });
    expect(z.safeParse(box.shape.wide, 10).error?.issues[0]?.message).toBe(
      'Width of the box must be between 2 and 9 mm',
    );
    expect(z.safeParse(bag.shape.deep, 1.5).error?.issues[0]?.message).toBe('Depth must be a whole number');
    expect(() => boundsOf(box.shape.lid)).toThrow('not a measure');
  });
  it('one of several kinds is found by what tells them apart', () => {
    expect(kindOf(holders, { kind: 'sack' })).toBe(bag);
    expect(kindOf(holders, { kind: 'box' })).toBe(box);
    expect(() => kindOf(holders, { kind: 'jar' })).toThrow('no such kind');
  });
});
