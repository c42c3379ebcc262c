/**
 * Building blocks of the schemas. Every bound says its field, its range and its unit in the maker's words; what a maker sets also says
 * its label, the reach of its slider, its choices in words and what it includes (`SAYS`), so that no label, range or unit stands twice.
 */
import { z } from 'zod';
import type { QuantityKind } from '@/core/text';

/** Least, most and step of a slider; within the range, where most pieces lie. */
export type Slide = readonly [least: number, most: number, step: number];

/** What of the maker's things a field takes: it holds the id of one. */
export type Taken = 'wool' | 'wire' | 'thread' | 'needle' | 'part';

/** What a field says to whoever fills it in. */
export interface Says {
  readonly label: string;
  readonly kind?: QuantityKind;
  readonly slide?: Slide;
  /** The unit of a plain number. */
  readonly unit?: string;
  /** What the number includes, or what it is for. */
  readonly help?: string;
  /** Choices in words, where they are not the words kept in the file. */
  readonly words?: Readonly<Record<string, string>>;
  /** Few choices, seen side by side; a list to open otherwise. */
  readonly beside?: true;
  readonly takes?: Taken;
  /** It is a colour, to be typed or picked. */
  readonly colour?: true;
  /** What it is called when nothing is taken. */
  readonly none?: string;
  /** What ticking it asks for, where a measure or a colour may be left out. */
  readonly ask?: string;
  /** The measure a measure left out begins with once it is asked for. */
  readonly beginsAs?: string;
}

/** What every field a maker sets says. */
const SAYS = z.registry<Says>();

/** What a field says, also through the box of one that may be left out; undefined for what is not set by hand. */
export function saysOf(schema: z.core.$ZodType): Says | undefined {
  return SAYS.get(schema) ?? (schema instanceof z.ZodNullable ? saysOf(schema.unwrap()) : undefined);
}

/** Hangs what a field says on its schema. */
export function said<S extends z.ZodType>(schema: S, says: Says): S {
  SAYS.add(schema, says);
  return schema;
}

/** A number within a range; the message names field, range and unit. */
export function measure(name: string, lo: number, hi: number, unit: string) {
  const span = `${name} must be between ${lo} and ${hi}${unit ? ` ${unit}` : ''}`;
  return z
    .number({ error: `${name} must be a number${unit ? ` in ${unit}` : ''}` })
    .min(lo, span)
    .max(hi, span);
}

/** A whole number within a range. */
export const whole = (name: string, lo: number, hi: number) =>
  measure(name, lo, hi, '').int(`${name} must be a whole number`);

const UNITS: Partial<Record<QuantityKind, string>> = {
  length: 'mm',
  fine: 'mm',
  rowLength: 'mm',
  angle: 'degrees',
  linear: 'mg per cm of row',
  areal: 'mg per square cm',
  mass: 'g',
  fineness: 'micron',
  density: 'mg/cm3',
  time: 'min',
};

/** What a measure says beside its name, its kind and its range; the label is its name where it has no shorter one. */
type More = Omit<Says, 'label' | 'kind' | 'words' | 'beside' | 'takes'> & { readonly label?: string };

/** A measure the maker sets. Counts are whole. */
export function field(kind: QuantityKind, name: string, lo: number, hi: number, more: More = {}) {
  const schema = kind === 'count' ? whole(name, lo, hi) : measure(name, lo, hi, UNITS[kind] ?? more.unit ?? '');
  return said(schema, { label: name, ...more, kind });
}

/** One of a few, chosen by the maker: in a list, or side by side. */
export const choice = <const T extends readonly string[]>(
  list: T,
  label: string,
  more: Pick<Says, 'words' | 'beside' | 'help'> = {},
) => said(z.enum(list), { label, ...more });

/** Yes or no, said in words. */
export const flag = (label: string) => said(z.boolean(), { label });

/** One of the maker's things, by its id; a box round it where none may be taken. */
export const owned = (takes: Taken, name: string, label = name, more: Pick<Says, 'none' | 'help'> = {}) =>
  said(id(name), { label, takes, ...more });

/** A short name: not empty, not longer than a label can show. */
export const name = (what: string, most = 80) =>
  said(
    z
      .string({ error: `${what} must be text` })
      .trim()
      .min(1, `${what} must not be empty`)
      .max(most, `${what} must not be longer than ${most} letters`),
    { label: what },
  );

export const id = (what: string) =>
  z
    .string({ error: `${what} must be text` })
    .regex(/^[a-z0-9][a-z0-9-]{0,63}$/, `${what} must be small letters, digits and dashes`);

const HEX = /^#[0-9a-f]{6}$/;

export const colour = (what: string, label = what) =>
  said(
    z
      .string({ error: `${what} must be a colour such as #b0622a` })
      .regex(HEX, `${what} must be a colour such as #b0622a`),
    { label, colour: true },
  );

interface Bounds {
  readonly least: number;
  readonly most: number;
}

/** Least and most a measure may be, also one that may be left out. Every measure has both. */
export function boundsOf(schema: z.core.$ZodType): Bounds {
  if (schema instanceof z.ZodNullable) return boundsOf(schema.unwrap());
  if (!(schema instanceof z.ZodNumber)) throw new Error('not a measure');
  return { least: schema.minValue ?? -Infinity, most: schema.maxValue ?? Infinity };
}

/** A measure brought into its range, as when a handle is dragged beyond it. */
export function intoRange(schema: z.core.$ZodType, x: number): number {
  const { least, most } = boundsOf(schema);
  return Math.max(least, Math.min(most, x));
}

/** The one of several kinds of thing that a value is, by what tells them apart. @throws when it is none of them */
export function kindOf(union: z.ZodDiscriminatedUnion, value: object): z.ZodObject {
  const { discriminator } = union.def;
  const is = (value as Readonly<Record<string, unknown>>)[discriminator];
  const found = (union.options as readonly z.ZodObject[]).find((o) => z.safeParse(o.shape[discriminator]!, is).success);
  if (!found) throw new Error(`no such ${discriminator}`);
  return found;
}

/** Everything a maker sets about a thing, in the order it is asked. */
export const askedOf = (schema: z.ZodObject): string[] =>
  Object.entries(schema.shape).flatMap(([key, of]) => (saysOf(of) ? [key] : []));
