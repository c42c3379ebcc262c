'use client';
/** The maker's units, and quantities put in them. */
import { useMemo } from 'react';
import type { Quantity, QuantityKind, Text } from '@/core/text';
import { useDesk } from '@/desk/store';
import { between, betweenWords, format, masses, words, type Units } from '@/units/units';
import { weighed } from '@/units/wool-words';

interface Speaker {
  readonly units: Units;
  readonly q: (quantity: Quantity) => string;
  readonly t: (text: Text) => string;
  /** What a figure may come to. */
  readonly span: (s: { readonly low: number; readonly high: number }, kind: QuantityKind) => string;
  readonly spanWords: Speaker['span'];
  /** Masses that belong together, and each with how so little is measured where the scales do not show it. */
  readonly masses: (grams: readonly number[]) => string[];
  readonly weighed: (grams: readonly number[]) => string[];
}

export function useUnits(): Speaker {
  const { length, mass, currency } = useDesk((s) => s.settings);
  const hand = useDesk((s) => s.hand);
  return useMemo(() => {
    const units: Units = { length, mass, currency };
    return {
      units,
      q: (x) => format(x, units),
      t: (x) => words(x, units),
      span: (s, kind) => between(s, kind, units),
      spanWords: (s, kind) => betweenWords(s, kind, units),
      masses: (x) => masses(x, units),
      weighed: (x) => weighed(x, hand, units),
    };
  }, [length, mass, currency, hand]);
}
