'use client';
/** A measure of the face: its bounds are those of the schema, so what is typed is never refused later. */
import type { z } from 'zod';
import type { QuantityKind } from '@/core/text';
import { MeasureField } from '@/ui/parts/MeasureField';

interface FaceFieldProps {
  readonly label: string;
  readonly kind?: QuantityKind;
  readonly value: number;
  readonly bounds: z.ZodNumber;
  /** Range and step of the slider; none without it. */
  readonly slide?: readonly [min: number, max: number, step: number];
  readonly onChange: (value: number) => void;
}

export function FaceField({ label, kind = 'fine', value, bounds, slide, onChange }: FaceFieldProps) {
  return (
    <MeasureField
      label={label}
      kind={kind}
      value={value}
      min={bounds.minValue!}
      max={bounds.maxValue!}
      onChange={onChange}
      {...(slide ? { slide: { min: slide[0], max: slide[1], step: slide[2] } } : {})}
    />
  );
}
