/** What forms of wool are good for besides being laid as a coat (common practice). */
import type { Lot } from '@/core/piece/cupboard';

/** How well a form of wool serves for something. */
export type Suits = 'well' | 'possible' | 'badly';

/** Pulled out thin: veils, wisps, rims. */
export const thinForm = (form: Lot['form']): Suits =>
  form === 'combed top' ? 'well' : form === 'carded batt' ? 'possible' : 'badly';

/** Built up and felted firm: carded wool grips at once, combed top has to be pulled about first, curls stay loose. */
export const coreForm = (form: Lot['form']): Suits =>
  form === 'carded batt' ? 'well' : form === 'combed top' ? 'possible' : 'badly';
