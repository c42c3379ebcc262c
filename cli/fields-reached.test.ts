/**
 * Every field of the piece, the cupboard and the hand is set somewhere in the interface, or stands in the list below with where it is
 * set otherwise or why it is not for hands; no room of the interface has a range of its own for one. A property of the product.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import * as trial from '../src/core/coat/hand-trial';
import * as coat from '../src/core/piece/coat';
import * as box from '../src/core/piece/cupboard';
import * as face from '../src/core/piece/face';
import { askedOf, saysOf } from '../src/core/piece/fields';
import * as hand from '../src/core/piece/hand';
import * as places from '../src/core/piece/places';
import * as piece from '../src/core/piece/schema';
import * as shade from '../src/core/piece/shade';
import * as things from '../src/core/piece/things';
import * as work from '../src/core/piece/work';

const EXPORTS: Readonly<Record<string, unknown>> = {
  ...coat,
  ...box,
  ...face,
  ...hand,
  ...places,
  ...piece,
  ...shade,
  ...things,
  ...trial,
  ...work,
};

/**
 * Set otherwise than by a field: where, or why it is not for hands. A star stands for anything that says nothing of itself; what has a
 * label stands by its whole path.
 */
const ELSEWHERE: Readonly<Record<string, string>> = {
  // Told apart by the program.
  '*.id': 'names it for the program',
  'piece.seed': 'what is drawn at random is drawn alike each time',
  'piece.markings.shape.kind': 'a marking is added as one of its kind',
  'piece.face.whiskers.kind': 'whiskers are added as one of their kind',
  '*.at': 'when it was written down, or where it was pressed on picture or chart',
  '*.made': 'marks of the decisions a step was done by',
  // Places: pressed, drawn or dragged on the picture; by keys through the fields of places and bands.
  '*.part': 'PlaceFields, or pressed on the animal',
  '*.face': 'pressed: the back or the hollow of a leaf, in Areas',
  '*.side': 'pressed on the animal; a side of a bend, of an area in their rooms',
  '*.along.*': 'BandFields',
  '*.around.*': 'BandFields',
  '*.upward.*': 'BandFields',
  '*.where.parts': 'a list of the parts',
  '*strokes.*': 'the brush',
  'piece.combs.mirrored': 'the comb: both sides alike',
  'piece.combs.reach': 'the comb: its width',
  'piece.flatParts.outline': 'points on its picture',
  // Shape: measures the maker reads off the animal, worked back into the drawing.
  'piece.form.plan': 'the dialog of a new piece',
  'piece.form.finishedLengthMm': 'Shape: by the measure the size is stated in',
  'piece.form.lifeLengthMm': 'Shape: by the measure the size is stated in',
  'piece.form.measuredBy': 'Shape: a list of the measures this animal has',
  'piece.form.parts.*': 'Shape: lengths and thicknesses of the part; what it grows out of comes with the body plan',
  'piece.form.pose.*': 'Shape: joints of the part in hand',
  'piece.form.scan.*': 'the dialog of an own base',
  'piece.core.*': 'Core: of the part in hand',
  'piece.note': 'Shape: a text of several lines',
  // Photographs come with a name and a shape, and are pinned by hand.
  'piece.references.*': 'Compare: the picture and its pins',
  'piece.face.photos.*': 'Face, Level: the picture and its pins',
  'piece.face.checks.*': 'Level: measures and pins taken down',
  'piece.form.scan.name': 'the name of its file',
  'piece.references.name': 'the name of its file',
  'piece.references.grey.colour': 'Match: read off the picture',
  'piece.face.photos.name': 'the name of its file',
  'piece.face.checks.name': 'the name of its file',
  'piece.face.checks.eyeMm': 'Level: the size of the eye as planned',
  'piece.face.checks.readings.leftMm': 'Level: callipers, several beside each other',
  'piece.face.checks.readings.rightMm': 'Level: callipers, several beside each other',
  'piece.face.head': 'comes with the body plan',
  'piece.face.eyes.stockId': 'Eyes: those of the cupboard that fit',
  // Layers and blends.
  'piece.areas.evenness': 'Lie: one slider between two wishes',
  'piece.markings.under': 'Markings: over the coat or under the pile',
  'piece.areas.shade.layers.recipe.lotId': 'RecipeField: the wools of a blend',
  'piece.areas.shade.layers.blend.lotId': 'RecipeField: the wools of a blend',
  'piece.markings.layers.recipe.lotId': 'RecipeField: the wools of a blend',
  'piece.markings.layers.blend.lotId': 'RecipeField: the wools of a blend',
  'piece.smallParts.recipe.lotId': 'RecipeField: the wools of a blend',
  // How it is worked, and what was written down.
  'piece.work.*': 'Needles, Order and Time: steps and the first day',
  'piece.known.*': 'a finding: I know, with a reason',
  'piece.log.*': 'the bench writes it',
  'piece.log.words': 'the bench: a note',
  // Of the maker.
  'cupboard.swatches.*': 'Practice writes it down',
  'cupboard.swatches.name': 'Practice writes it down',
  'cupboard.blends.*': 'Blend writes it down',
  'cupboard.blends.name': 'Blend writes it down',
  'cupboard.blends.even': 'Blend writes it down',
  'cupboard.blends.colour': 'Blend: the colour it came out in',
  'cupboard.blends.recipe.lotId': 'Blend writes it down',
  'hand.spread.*': 'learnt from practice swatches',
  'hand.coreDensityMgCm3.*': 'ends of a range the maker sets a figure in',
  'hand.done.*': 'what was done on other pieces',
  'hand.without': 'Settings: learned from the log',
  'hand.times': 'Settings: your pace',
  'hand.benchMinutes': 'Time: the days of the week',
  'hand.scalesStepG': 'Settings: weighing',
  'hand.pinchMg': 'Settings: ten pinches together',
};
/** Whether a line of the list speaks of a leaf. */
const speaksOf = (p: { p: string; is: RegExp }, l: Leaf): boolean =>
  p.is.test(l.path) && (!p.p.includes('*') || saysOf(l.schema) === undefined);
const PATTERNS = Object.keys(ELSEWHERE).map((p) => ({
  p,
  is: new RegExp(`^${p.replaceAll('.', '\\.').replaceAll('*', '.*')}$`),
}));

interface Leaf {
  readonly path: string;
  readonly schema: z.core.$ZodType;
}

function leaves(schema: z.core.$ZodType, path: string): Leaf[] {
  if (saysOf(schema)) return [{ path, schema }];
  // What tells kinds of thing or of file apart is not set by itself.
  if (schema instanceof z.ZodLiteral && schema.values.size === 1) return [];
  if (schema instanceof z.ZodObject)
    return Object.entries(schema.shape).flatMap(([k, s]) => leaves(s as z.core.$ZodType, `${path}.${k}`));
  if (schema instanceof z.ZodArray) return leaves(schema.element, path);
  if (schema instanceof z.ZodNullable || schema instanceof z.ZodOptional) return leaves(schema.unwrap(), path);
  if (schema instanceof z.ZodUnion) return schema.options.flatMap((o) => leaves(o, path));
  return [{ path, schema }];
}

const ui = join(import.meta.dirname, '..', 'src', 'ui');
const files = readdirSync(ui, { recursive: true, encoding: 'utf8' })
  .filter((f) => f.endsWith('.tsx'))
  .map((f) => ({ f, text: readFileSync(join(ui, f), 'utf8') }));

/** Literals of an expression: 'a', 'b'. */
const literals = (text: string): string[] => [...text.matchAll(/'([a-zA-Z0-9]+)'/g)].map((m) => m[1]!);
/** What stands between a bracket and the one that closes it. */
function inBrackets(text: string, from: number): string {
  let deep = 0;
  for (let i = from; i < text.length; i++) {
    if ('{[('.includes(text[i]!)) deep++;
    if ('}])'.includes(text[i]!) && --deep === 0) return text.slice(from + 1, i);
  }
  throw new Error('a bracket that does not close');
}

/** Schemas of fields that are shown somewhere. */
function reached(): Set<z.core.$ZodType> {
  const out = new Set<z.core.$ZodType>();
  for (const { f, text } of files) {
    const schemaOf = (words: string): z.core.$ZodType[] => {
      const [name, ...path] = words.replace(/\[.*$/, '').split('.');
      const local = new RegExp(`const ${name} = (\\w+)\\.pick\\(`).exec(text);
      const found = EXPORTS[local?.[1] ?? name!];
      if (!found) throw new Error(`${f}: no schema ${words}`);
      let at = found as z.core.$ZodType;
      for (const p of path.filter((x) => x !== 'shape')) at = (at as z.ZodObject).shape[p]!;
      if (/\[\w+\]$/.test(words)) return Object.values((at as z.ZodObject).shape);
      return at instanceof z.ZodUnion ? [...at.options] : [at];
    };
    for (const m of text.matchAll(/<KindFields[\s\S]*?of=\{(\w+)\}/g))
      for (const s of schemaOf(m[1]!) as z.ZodObject[]) for (const k of askedOf(s)) out.add(s.shape[k]!);
    for (const m of text.matchAll(/<(Fields|Stock)\b/g)) {
      const tag = text.slice(m.index, text.indexOf('/>', m.index));
      const spread = /\{\.\.\.(\w+)\}/.exec(tag);
      const given = /\bschema=\{([^}]*)\}/.exec(tag)?.[1];
      const schema =
        given ?? (spread ? new RegExp(`const ${spread[1]} = \\{\\s*schema: ([\\w.]+)`).exec(text)?.[1] : undefined);
      const at = tag.indexOf('keys={');
      // What only passes on what it is given is reached where that is given.
      if (schema === undefined || /^(p\.|schema$)/.test(schema) || at < 0) continue;
      const keys = inBrackets(tag, at + 5);
      const listed = /^\w+$/.test(keys) ? new RegExp(`const ${keys} = (\\[[^\\]]*\\])`).exec(text)![1]! : keys;
      for (const s of schemaOf(schema) as z.ZodObject[])
        for (const k of literals(listed)) if (s.shape[k]) out.add(s.shape[k]);
    }
  }
  return out;
}

describe('fields of the piece, the cupboard and the hand', () => {
  const all = [
    ...leaves(piece.pieceSchema, 'piece'),
    ...leaves(box.cupboardSchema, 'cupboard'),
    ...leaves(hand.handSchema, 'hand'),
  ];
  const shown = reached();
  const inner = (s: z.core.$ZodType): z.core.$ZodType => (s instanceof z.ZodNullable ? inner(s.unwrap()) : s);
  const seen = new Set([...shown].map(inner));

  it('each is set by a field, or stands with where it is set otherwise', () => {
    const lost = all
      .filter((l) => !seen.has(inner(l.schema)) && !PATTERNS.some((p) => speaksOf(p, l)))
      .map((l) => l.path);
    expect([...new Set(lost)]).toEqual([]);
  });
  it('what stands as set otherwise is not set by a field, and is there', () => {
    const stale = PATTERNS.filter((p) => !all.some((l) => speaksOf(p, l) && !seen.has(inner(l.schema))));
    expect(stale.map((p) => p.p)).toEqual([]);
  });
  it('no room has a range of its own for one', () => {
    const own = files.filter((x) =>
      [...x.text.matchAll(/<MeasureField[\s\S]*?\/>/g)].some((m) => /\b(min|max)=\{-?[\d.]+\}/.test(m[0])),
    );
    // Places and bands are shown as another measure than is kept; a stroke tried out is kept nowhere.
    expect(own.map((x) => x.f).sort()).toEqual([
      'needles/InsideRoom.tsx',
      'parts/BandFields.tsx',
      'shade/PlaceFields.tsx',
    ]);
  });
  it('no room has a label of its own for one', () => {
    const labels = new Set(all.flatMap((l) => saysOf(l.schema)?.label ?? []));
    const own = files.flatMap(({ f, text }) =>
      [...text.matchAll(/<(?:\w+Field|CheckField|ChoiceRow)\b[\s\S]*?\/>/g)].flatMap((m) =>
        [...m[0].matchAll(/\blabel="([^"]+)"/g)].flatMap(([, l]) => (labels.has(l!) ? [`${f}: ${l}`] : [])),
      ),
    );
    // The same word for something that is kept nowhere, or in another way than it is shown.
    expect(own.sort()).toEqual([
      // What is written down at the bench.
      'bench/NoteField.tsx: Note',
      // The comb and the brush, which are no part of the piece.
      'coat/LieRoom.tsx: both sides alike',
      // The colour of a small part: one wool shown, a blend kept.
      'face/NoseControls.tsx: Wool',
      'form/AreasRoom.tsx: both sides alike',
      // Measured on the animal, kept as a drawing; several lines of text.
      'form/ShapeRoom.tsx: Length',
      'form/ShapeRoom.tsx: Note',
      // One step's own, among all of the rack.
      'needles/NeedlePlanRoom.tsx: Needle',
      // What the list is narrowed down to.
      'order/StepsRoom.tsx: Needle',
      'order/StepsRoom.tsx: Wool',
      // How many parts a blend is looked for in.
      'shade/MatchRoom.tsx: Parts',
    ]);
  });
});
