'use client';
/** The maker's units, and quantities put in them. */
import { useMemo } from 'react';
import type { Quantity, Text } from '@/core/text';
import { useDesk } from '@/desk/store';
import { format, words, type Units } from '@/units/units';

interface Speaker {
  readonly units: Units;
  readonly q: (quantity: Quantity) => string;
  readonly t: (text: Text) => string;
}

export function useUnits(): Speaker {
  const { length, mass, currency } = useDesk((s) => s.settings);
  return useMemo(() => {
    const units: Units = { length, mass, currency };
    return { units, q: (x) => format(x, units), t: (x) => words(x, units) };
  }, [length, mass, currency]);
}
