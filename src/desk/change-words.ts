/**
 * What a change was, in the maker's words: what its fields are called in their schemas and the name of the thing they belong to.
 * Undo and redo say by it what they take back.
 */
import { z } from 'zod';
import { cupboardSchema } from '@/core/piece/cupboard';
import { kindOf, saysOf } from '@/core/piece/fields';
import { handSchema } from '@/core/piece/hand';
import type { LogEntry } from '@/core/piece/log-entry';
import { pieceSchema } from '@/core/piece/schema';
import { changesBetween, type Change, type Step } from './merge';
import type { Made } from './store';

/** What a place without a label of its own is called; the deepest on the way to it counts. */
const PLACES: Readonly<Record<string, string>> = {
  form: 'the shape',
  parts: 'the parts',
  pose: 'the pose',
  scan: 'the own base',
  nodes: 'the shape',
  core: 'the core',
  soft: 'how firm the core is',
  under: 'what lies under the fur',
  weight: 'the weight low in it',
  frame: 'the wire',
  references: 'the photographs',
  pins: 'the pins',
  flatParts: 'the flat parts',
  outline: 'the outline',
  combs: 'the combing',
  areas: 'the areas',
  where: 'the place',
  strokes: 'the painting',
  awayFrom: 'where fur points away from',
  evenness: 'how even the rows are',
  coat: 'the way of laying',
  shade: 'the colour',
  layers: 'the layers',
  recipe: 'the blend',
  markings: 'the markings',
  smallParts: 'the small parts',
  things: 'the small things',
  face: 'the face',
  nose: 'the nose',
  mouth: 'the mouth',
  eyes: 'the eyes',
  ears: 'the ears',
  brows: 'the brows',
  whiskers: 'the whiskers',
  photos: 'the photographs',
  checks: 'the measures taken',
  work: 'the order of work',
  moves: 'the order of steps',
  chosen: 'the needle of a step',
  beginOn: 'the first day',
  tonight: 'how long there is today',
  known: 'what you know of',
  log: 'the log',
  note: 'the note',
  lots: 'the wools',
  piles: 'the sorted locks',
  needles: 'the needles',
  holders: 'the holders',
  wires: 'the wires',
  threads: 'the threads',
  swatches: 'the swatches',
  blends: 'the blends',
  times: 'your pace',
  done: 'what was done on other pieces',
  without: 'what is learned from',
  spread: 'how far wool hides',
  coreDensityMgCm3: 'how dense cores are',
  benchMinutes: 'the hours at the bench',
  scalesStepG: 'your scales',
  pinchMg: 'your pinch',
};

/** One thing of a list. */
const ONE: Readonly<Record<string, string>> = {
  areas: 'area',
  parts: 'part',
  layers: 'layer',
  markings: 'marking',
  smallParts: 'small part',
  things: 'small thing',
  references: 'photograph',
  photos: 'photograph',
  flatParts: 'flat part',
  whiskers: 'whiskers',
  checks: 'measures',
  lots: 'wool',
  piles: 'pile of locks',
  needles: 'needle',
  holders: 'holder',
  wires: 'wire',
  eyes: 'eye',
  threads: 'thread',
  swatches: 'swatch',
  blends: 'blend',
};

const LOGGED: Readonly<Record<LogEntry['kind'], string>> = {
  row: 'a row laid',
  wool: 'wool written down',
  note: 'a note',
  step: 'a step done',
  'start-over': 'starting over',
  broken: 'a broken needle',
  needles: 'needles counted',
  searched: 'a search for a needle',
  wrong: 'what went wrong',
  measured: 'a measure',
  sitting: 'the beginning of a sitting',
  stopped: 'where an area stops',
  photo: 'a photograph',
};

const ROOTS = { piece: pieceSchema, cupboard: cupboardSchema, hand: handSchema } as const;
type DocumentName = keyof typeof ROOTS;

const small = (s: string): string => s.charAt(0).toLowerCase() + s.slice(1);

interface Found {
  readonly label: string | null;
  readonly thing: string | null;
}

/** Follows a path down schema and document: the label of its end, and the name of the last named thing it comes by. */
function find(root: z.core.$ZodType, doc: unknown, path: readonly Step[]): Found {
  let schema: z.core.$ZodType | undefined = root;
  let value = doc;
  let thing: string | null = null;
  for (const step of path) {
    if (schema instanceof z.ZodNullable || schema instanceof z.ZodOptional || schema instanceof z.ZodDefault)
      schema = schema.def.innerType;
    if (schema instanceof z.ZodDiscriminatedUnion)
      schema = value !== null && typeof value === 'object' ? kindOf(schema, value) : undefined;
    if (typeof step === 'string') {
      schema = schema instanceof z.ZodObject ? (schema.shape[step] as z.core.$ZodType) : undefined;
      value = (value as Record<string, unknown> | null)?.[step];
    } else {
      schema = schema instanceof z.ZodArray ? (schema.element as z.core.$ZodType) : undefined;
      value = Array.isArray(value) ? value.find((x: { id?: string }) => x.id === step.id) : undefined;
      const name = (value as { name?: unknown } | undefined)?.name;
      if (typeof name === 'string') thing = name;
    }
  }
  return { label: schema ? (saysOf(schema)?.label ?? null) : null, thing };
}

const keysOf = (path: readonly Step[]): string[] => path.filter((s) => typeof s === 'string');
const placeOf = (path: readonly Step[]): string => {
  const keys = keysOf(path).reverse();
  return PLACES[keys.find((k) => PLACES[k] !== undefined) ?? ''] ?? 'the piece';
};
const last = (path: readonly Step[]): string => keysOf(path).at(-1) ?? '';

function words(c: Change, name: DocumentName, before: unknown): string {
  const key = last(c.path);
  if (c.kind === 'put in' || c.kind === 'take out') {
    if (key === 'log') return LOGGED[c.thing.kind as LogEntry['kind']];
    const one = ONE[key];
    const called = typeof c.thing.name === 'string' ? c.thing.name : null;
    if (one === undefined) return placeOf(c.path);
    return c.kind === 'put in' ? `new ${one}${called ? ` ${called}` : ''}` : `${called ?? one} taken out`;
  }
  if (c.kind === 'order') return `the order of ${placeOf(c.path)}`;
  const { label, thing } = find(ROOTS[name], before, c.path);
  return `${label === null ? placeOf(c.path) : small(label)}${thing === null || label === 'Name' ? '' : ` of ${thing}`}`;
}

/** What a change was; several are named by the first and their number. */
export function changeWords(made: Made): string {
  const all = (['piece', 'cupboard', 'hand'] as const).flatMap((name) => {
    const e = made[name];
    if (!e) return [];
    const changes = changesBetween(e.before, e.after);
    // A sitting begins with what is done in it: it is no change by itself.
    const written = changes.filter((c) => !('thing' in c && c.thing.kind === 'sitting'));
    return (written.length > 0 ? written : changes).map((c) => words(c, name, e.before));
  });
  const list = [...new Set(all)];
  if (list.length === 0) return 'nothing';
  if (list.length <= 2) return list.join(' and ');
  return `${list[0]} and ${list.length - 1} more`;
}
