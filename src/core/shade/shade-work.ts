/**
 * Work of the shade stage: under-colours before the coat, veils and markings after it, the reverse needle when its colour lies
 * underneath; borders softened, stray fibres picked. Why each stands where it stands is said; putting it in order is left to
 * the order.
 */
import type { ShadeSteps, ShadeWorkInput } from './shade-step';
import { areaLayerSteps } from './steps/area-layers';
import { borderSteps } from './steps/borders';
import { markingSteps } from './steps/markings';

export function shadeWork(x: ShadeWorkInput): ShadeSteps {
  const layers = areaLayerSteps(x);
  const made = [layers, markingSteps(x, layers.operations), borderSteps(x)];
  return { operations: made.flatMap((m) => m.operations), ties: made.flatMap((m) => m.ties) };
}
