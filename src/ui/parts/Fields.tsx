'use client';
/**
 * Fields of one thing, made from its schema: what each is called and includes, its unit, its range, its slider, its choices. None of
 * that is said a second time by the room that shows them; it says which, in what order, and what a change does.
 */
import { z } from 'zod';
import { askedOf, boundsOf, kindOf, saysOf, type Says } from '@/core/piece/fields';
import { CheckField } from './CheckField';
import { ChoiceRow } from './ChoiceRow';
import { ColourField } from './ColourField';
import { MeasureField, type FieldStop } from './MeasureField';
import { NameField } from './NameField';
import { PickField } from './PickField';
import { TakenField } from './TakenField';

type Key<O extends z.ZodObject> = keyof z.output<O> & string;
type Some<K extends string, T> = { readonly [P in K]?: T };
/** A range narrower than the schema's, for what else is so just now. */
interface Within {
  readonly least?: number;
  readonly most?: number;
}

type Stops = Readonly<Record<string, readonly FieldStop[]>>;

interface FieldsProps<O extends z.ZodObject> {
  readonly schema: O;
  readonly value: z.output<O>;
  readonly keys: readonly Key<O>[];
  readonly onChange: (change: Partial<z.output<O>>) => void;
  readonly within?: Some<Key<O>, Within>;
  /** Where a measure comes to an end though its range goes on. */
  readonly stops?: Stops | undefined;
  /** What something left out begins as, where the plan knows better than the schema. */
  readonly begin?: Some<Key<O>, unknown>;
  /** The first of them is in hand as soon as it is there. */
  readonly focus?: boolean;
  /** Choices in words that the schema cannot know. */
  readonly words?: Some<Key<O>, Readonly<Record<string, string>>>;
}

export function Fields<O extends z.ZodObject>({
  schema,
  value,
  keys,
  onChange,
  within,
  words,
  focus,
  begin,
  stops,
}: FieldsProps<O>) {
  return keys.map((key, i) => (
    <Field
      key={key}
      schema={schema.shape[key]!}
      of={value}
      value={value[key]}
      within={within?.[key]}
      words={words?.[key]}
      begin={begin?.[key]}
      stops={stops?.[key]}
      focus={focus === true && i === 0}
      onChange={(v) => onChange({ [key]: v } as Partial<z.output<O>>)}
    />
  ));
}

interface KindFieldsProps<V extends object> {
  /** The kinds of thing there are. */
  readonly of: z.ZodDiscriminatedUnion;
  readonly value: V;
  readonly except?: readonly string[];
  readonly stops?: Stops | undefined;
  readonly onChange: (value: V) => void;
}

/** Everything asked about a thing of one of several kinds, in its order. */
export function KindFields<V extends object>({ of, value, except = [], stops, onChange }: KindFieldsProps<V>) {
  const schema = kindOf(of, value);
  return (
    <Fields
      schema={schema}
      value={value as Record<string, unknown>}
      keys={askedOf(schema).filter((k) => !except.includes(k))}
      stops={stops}
      onChange={(change) => onChange({ ...value, ...change })}
    />
  );
}

interface FieldProps {
  readonly schema: z.core.$ZodType;
  readonly of: Readonly<Record<string, unknown>>;
  readonly value: unknown;
  readonly within: Within | undefined;
  readonly words: Readonly<Record<string, string>> | undefined;
  readonly focus: boolean;
  readonly begin: unknown;
  readonly stops: readonly FieldStop[] | undefined;
  readonly onChange: (value: unknown) => void;
}

function Field(p: FieldProps) {
  const says = saysOf(p.schema);
  if (!says) throw new Error('a field that says nothing');
  const optional = p.schema instanceof z.ZodNullable;
  const inner = optional ? (p.schema as z.ZodNullable).unwrap() : p.schema;
  if (says.takes)
    return (
      <TakenField
        takes={says.takes}
        label={says.label}
        value={p.value as string | null}
        none={optional ? says.none : undefined}
        onChange={p.onChange}
      />
    );
  if (!optional || says.ask === undefined) return <Asked {...p} says={says} inner={inner} optional={optional} />;
  // Something that may be left out is ticked first, and begins as what stands in its place.
  const begins = p.begin ?? (says.beginsAs ? p.of[says.beginsAs] : boundsOf(inner).least);
  return (
    <>
      <CheckField label={says.ask} value={p.value !== null} onChange={(on) => p.onChange(on ? begins : null)} />
      {p.value !== null && <Asked {...p} says={says} inner={inner} optional={false} />}
    </>
  );
}

function Asked(p: FieldProps & { readonly says: Says; readonly inner: z.core.$ZodType; readonly optional: boolean }) {
  const { says, inner, onChange } = p;
  const { label } = says;
  if (says.colour) return <ColourField label={label} value={p.value as string} onChange={onChange} />;
  if (inner instanceof z.ZodBoolean) return <CheckField label={label} value={p.value as boolean} onChange={onChange} />;
  if (inner instanceof z.ZodEnum) {
    const words = { ...says.words, ...p.words };
    const options = inner.options.map((x) => ({ value: String(x), says: words[x] ?? String(x) }));
    const given = { label, value: p.value as string, options, onChange };
    return says.beside ? <ChoiceRow labelled {...given} /> : <PickField {...given} />;
  }
  if (inner instanceof z.ZodNumber) return <Measure {...p} inner={inner} />;
  return (
    <NameField
      label={label}
      value={p.value as string}
      longest={(inner as z.ZodString).maxLength ?? Infinity}
      onChange={onChange}
    />
  );
}

function Measure(p: FieldProps & { readonly says: Says; readonly inner: z.ZodNumber; readonly optional: boolean }) {
  const { says, onChange } = p;
  const range = boundsOf(p.inner);
  const min = Math.max(range.least, p.within?.least ?? -Infinity);
  const max = Math.min(range.most, p.within?.most ?? Infinity);
  const { slide, kind = 'number' } = says;
  return (
    <MeasureField
      label={says.label}
      kind={kind}
      value={p.value as number | null}
      min={min}
      max={max}
      autoFocus={p.focus}
      {...(p.stops ? { stops: p.stops } : {})}
      {...(says.unit === undefined ? {} : { unit: says.unit })}
      {...(says.help === undefined ? {} : { help: says.help })}
      {...(slide ? { slide: { min: Math.max(min, slide[0]), max: Math.min(max, slide[1]), step: slide[2] } } : {})}
      {...(p.optional ? { onEmpty: () => onChange(null) } : {})}
      onChange={(v) => onChange(kind === 'count' ? Math.round(v) : v)}
    />
  );
}
