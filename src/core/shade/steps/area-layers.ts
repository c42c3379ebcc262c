/** The layers of an area: under-colours before its coat, everything else on top of it, each upon the one below. */
import { decided, the } from '@/core/decision';
import { ref } from '@/core/ref';
import type { Operation, StepTie } from '@/core/stage';
import { say } from '@/core/text';
import { coatFirst, layerStep, type ShadeSteps, type ShadeWorkInput } from '@/core/shade/shade-step';

export function areaLayerSteps(x: ShadeWorkInput): ShadeSteps {
  const operations: Operation[] = [];
  const ties: StepTie[] = [];
  for (const a of x.areas) {
    const at = a.layers.findIndex((l) => l.says === 'coat');
    let last: string | null = null;
    a.layers.forEach((l, k) => {
      if (l.says === 'coat') {
        last = null;
        return;
      }
      const id = `shade-${a.id}-${l.id}`;
      const under = at >= 0 && k < at;
      const why = l.says === 'raised' ? say`What is raised lies underneath first.` : say`Layer upon layer, from below.`;
      operations.push(
        layerStep(x, {
          layer: l,
          name: a.name,
          on: ref('area', a.id),
          hostId: a.id,
          id,
          after: [...(under ? [] : coatFirst(x, a.id)), ...(last ? [{ id: last, why, strength: Infinity }] : [])],
          restsOn: [decided('the layer of colour', ['areas', the(a.id), 'shade', 'layers', the(l.layerId)])],
        }),
      );
      if (under)
        ties.push({
          operationId: `lay-${a.id}`,
          after: { id, why: say`The under-colour of ${a.name} lies below its coat.`, strength: Infinity },
        });
      last = id;
    });
  }
  return { operations, ties };
}
