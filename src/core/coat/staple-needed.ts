/** How long the fibres of a wool must be for an area: as long as they are cut for it. Feathers are cut out of felt, whose fibres may be any length. mm */
import type { AreaPlan } from './coat-plan';
import { wayOf } from './ways';

export const stapleNeeded = ({ fur }: Pick<AreaPlan, 'fur'>): number =>
  fur && wayOf(fur.method).takes !== 'feathers' ? (fur.figures.cutLength?.value ?? 0) : 0;
