/** Building blocks of the schemas: every bound says its field, its range and its unit in the maker's words. */
import { z } from 'zod';

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

/** A short name: not empty, not longer than a label can show. */
export const name = (what: string, most = 80) =>
  z
    .string({ error: `${what} must be text` })
    .trim()
    .min(1, `${what} must not be empty`)
    .max(most, `${what} must not be longer than ${most} letters`);

export const id = (what: string) =>
  z
    .string({ error: `${what} must be text` })
    .regex(/^[a-z0-9][a-z0-9-]{0,63}$/, `${what} must be small letters, digits and dashes`);

export const colour = (what: string) =>
  z
    .string({ error: `${what} must be a colour such as #b0622a` })
    .regex(/^#[0-9a-f]{6}$/, `${what} must be a colour such as #b0622a`);
