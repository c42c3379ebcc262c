'use client';
/** One of the maker's things to choose: a wool, a wire, a thread, a needle of the cupboard; a part of the animal. */
import { wiresFor } from '@/core/build/frame';
import type { Taken } from '@/core/piece/fields';
import { useDesk } from '@/desk/store';
import { PickField } from './PickField';
import { useUnits } from './useUnits';
import { WoolField } from './WoolField';

interface TakenFieldProps {
  readonly takes: Taken;
  readonly label: string;
  readonly value: string | null;
  /** A first choice that takes nothing. */
  readonly none: string | undefined;
  readonly onChange: (id: string | null) => void;
}

const NONE = '';

export function TakenField(p: TakenFieldProps) {
  const { takes, label, value, none, onChange } = p;
  const things = useThings(takes);
  if (takes === 'wool') {
    return (
      <WoolField
        label={label}
        value={value}
        {...(none === undefined ? {} : { none })}
        // Where a wool must be taken, one is only changed for another.
        onChange={(id) => (id !== null || none !== undefined) && onChange(id)}
      />
    );
  }
  return (
    <PickField
      label={label}
      value={value ?? NONE}
      empty={things.length === 0 && takes !== 'part' ? 'None in the cupboard' : (none ?? `Choose a ${takes}`)}
      disabled={things.length === 0}
      options={[...(none === undefined ? [] : [{ value: NONE, says: none }]), ...things]}
      onChange={(id) => onChange(id === NONE ? null : id)}
    />
  );
}

function useThings(takes: Taken): readonly { readonly value: string; readonly says: string }[] {
  const cupboard = useDesk((s) => s.cupboard);
  const parts = useDesk((s) => s.piece?.form.parts);
  const frame = useDesk((s) => s.piece?.frame.kind ?? 'one wire');
  const { q } = useUnits();
  if (takes === 'part') return (parts ?? []).map((x) => ({ value: x.id, says: x.name }));
  if (takes === 'needle') return cupboard.needles.map((n) => ({ value: n.id, says: n.name }));
  if (takes === 'wire')
    return wiresFor(frame, cupboard).map((w) => ({
      value: w.id,
      says: `${w.name}, ${q({ kind: 'rowLength', value: w.haveMm })}`,
    }));
  if (takes === 'thread')
    return cupboard.threads.map((x) => ({ value: x.id, says: `${x.name}, ${q({ kind: 'fine', value: x.thickMm })}` }));
  return [];
}
