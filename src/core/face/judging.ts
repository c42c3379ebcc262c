/** What every judgement of the face starts from, and how it says what it finds. */
import type { Ref } from '@/core/ref';
import type { CorePlan } from '@/core/build/core-plan';
import type { FormWork } from '@/core/form/form';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Face } from '@/core/piece/face';
import type { Piece } from '@/core/piece/schema';
import type { Finding, PieceChange } from '@/core/stage';
import type { FacePlan } from './face-plan';

export interface Judging {
  readonly piece: Piece;
  readonly face: Face;
  readonly cupboard: Cupboard;
  readonly plan: FacePlan;
  readonly core: CorePlan;
  readonly form: FormWork;
}

export type Put = (f: Omit<Finding, 'stage' | 'about'> & { readonly about?: Ref | null }) => void;

/** A change of the face. */
export const set = (path: readonly (string | number)[], value: unknown): PieceChange => ({
  path: ['face', ...path],
  value,
});

/** To half a millimetre, as a maker measures. */
export const half = (x: number): number => Math.round(2 * x) / 2;
