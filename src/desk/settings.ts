/** What the maker chose about the program itself. */
import { z } from 'zod';
import { COARSE_SHARE, EDGE_SHARE } from '@/core/form/fineness';
import type { Piece } from '@/core/piece/schema';
import type { PlanOptions } from '@/core/plan';
import type { SheetOptions } from '@/sheets/paper';
import { benchSettingsSchema } from './bench-settings';

/** Where a newcomer is told how it works, once each. */
export const HINTS = ['form', 'coat', 'bench'] as const;
export type HintAt = (typeof HINTS)[number];

export const settingsSchema = z.object({
  length: z.enum(['mm', 'in']).default('mm'),
  mass: z.enum(['g', 'oz']).default('g'),
  currency: z.string().max(4, 'The sign for money must not be longer than 4 letters').default(''),
  paper: z.enum(['a4', 'letter']).default('a4'),
  /** How the animal is drawn: with all its fur, or with few strands for a machine that draws slowly. */
  picture: z.enum(['whole', 'plain']).catch('whole').default('whole'),
  /** How finely the shape of the animal is worked out, on screen and on paper alike: coarsely for a slow machine. */
  shape: z.enum(['fine', 'coarse']).catch('fine').default('fine'),
  /** Contrast of the interface: as the system asks for, or more whatever it asks for. */
  contrast: z.enum(['system', 'more']).catch('system').default('system'),
  /** How many times as large this screen shows a millimetre as style sheets say: set by holding a card to it. */
  screen: z.number().min(0.4).max(3).catch(1).default(1),
  bench: benchSettingsSchema.prefault({}),
  /** Hints that were read and put away. */
  hinted: z.array(z.enum(HINTS)).catch([]).default([]),
});

export type Settings = z.infer<typeof settingsSchema>;

/** What the settings ask of planning. */
export const planOptions = ({ shape }: Pick<Settings, 'shape'>): PlanOptions => ({
  edgeShare: shape === 'coarse' ? COARSE_SHARE : EDGE_SHARE,
});

/** A day here, and the instant it began. */
export function dayOf(now: Date): NonNullable<PlanOptions['today']> {
  const two = (n: number) => String(n).padStart(2, '0');
  const began = new Date(now.getFullYear(), now.getMonth(), now.getDate());
  return {
    date: `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`,
    beganAt: began.toISOString(),
  };
}

/** The same of a piece: one whose first day is set goes by today as well. */
export const optionsFor = (
  { work }: Pick<Piece, 'work'>,
  settings: Pick<Settings, 'shape'>,
  now = new Date(),
): PlanOptions => ({ ...planOptions(settings), ...(work.beginOn === null ? {} : { today: dayOf(now) }) });

/** How sheets are to be made, as the settings ask. */
export const sheetOptions = ({ length, mass, currency, paper }: Settings): Pick<SheetOptions, 'units' | 'paper'> => ({
  units: { length, mass, currency },
  paper,
});

export const defaultSettings: Settings = settingsSchema.parse({});
