/** A step of laying with nothing to it: what the checks of the order begin from. */
import { ref } from '../src/core/ref';
import type { Operation } from '../src/core/stage';
import { say } from '../src/core/text';

export const plainStep = (id: string, after: Operation['after'] = [], change: Partial<Operation> = {}): Operation => ({
  id,
  stage: 'coat',
  about: ref('area', id),
  restsOn: [],
  materials: [],
  tools: [],
  does: say`do ${id}`,
  kind: 'lay',
  cutLengthMm: null,
  rows: 0,
  passes: null,
  needlework: null,
  work: { step: 1 },
  minutes: 1,
  after,
  lightness: 50,
  caution: null,
  ...change,
});
