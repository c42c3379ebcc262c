'use client';
/** A wool out of the cupboard, with its colour, fineness, staple and what is at hand. */
import { useDesk } from '@/desk/store';
import { useUnits } from '@/ui/parts/useUnits';
import { PickField } from './PickField';
import { Patch } from '@/ui/parts/Patch';

interface WoolFieldProps {
  readonly label: string;
  readonly value: string | null;
  readonly disabled?: boolean;
  /** Lots left out of the list; one that is taken is named all the same. */
  readonly except?: readonly string[];
  /** A first choice that takes no wool. */
  readonly none?: string;
  readonly onChange: (lotId: string | null) => void;
}

const NONE = '';

export function WoolField({ label, value, disabled = false, except = [], none, onChange }: WoolFieldProps) {
  const lots = useDesk((s) => s.cupboard.lots);
  const { q } = useUnits();
  const first = none === undefined ? [] : [{ value: NONE, says: none }];
  return (
    <PickField
      label={label}
      value={value ?? NONE}
      empty={none ?? 'Choose a wool'}
      disabled={disabled}
      onChange={(v) => onChange(v === NONE ? null : v)}
      options={[
        ...first,
        ...lots
          .filter((l) => l.id === value || !except.includes(l.id))
          .map((l) => ({
            value: l.id,
            says: `${l.name}, ${q({ kind: 'fineness', value: l.finenessUm })}`,
            shows: (
              <>
                <Patch hex={l.colour} wide={16} high={16} label={null} />
                {l.name}, {l.form}, {q({ kind: 'fineness', value: l.finenessUm })}, staple{' '}
                {q({ kind: 'length', value: l.stapleMm })}, {q({ kind: 'mass', value: l.haveG })}
              </>
            ),
          })),
      ]}
    />
  );
}
