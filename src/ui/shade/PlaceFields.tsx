'use client';
/** A place on the animal by keyboard: part, how far along it, how far round it. */
import { roundOf, turnedRound } from '@/core/form/places';
import type { Place } from '@/core/piece/schema';
import { useDesk } from '@/desk/store';
import { MeasureField } from '@/ui/parts/MeasureField';
import { PickField } from '@/ui/parts/PickField';
import { SetIn } from '@/ui/parts/Panel';

interface PlaceFieldsProps {
  readonly label: string;
  readonly place: Place;
  readonly onChange: (place: Place) => void;
}

export function PlaceFields({ label, place, onChange }: PlaceFieldsProps) {
  const parts = useDesk((s) => s.piece!.form.parts);
  return (
    <SetIn aria-label={label}>
      <PickField
        label={`${label}, on`}
        value={place.part}
        options={parts.map((p) => ({ value: p.id, says: p.name }))}
        onChange={(part) => onChange({ ...place, part })}
      />
      <MeasureField
        label="Along"
        kind="share"
        value={Math.max(0, Math.min(1, place.along))}
        min={0}
        max={1}
        slide={{ min: 0, max: 1, step: 0.01 }}
        onChange={(along) => onChange({ ...place, along })}
      />
      <MeasureField
        label="Round from top"
        kind="angle"
        value={Math.round(roundOf(place))}
        min={0}
        max={180}
        slide={{ min: 0, max: 180, step: 1 }}
        onChange={(deg) => onChange(turnedRound(place, deg))}
      />
    </SetIn>
  );
}
