/** Every formula the plan uses, once. The docket, the handbook and the printed sheets read it. */
import { overlap, rowCover, tuftedCover } from '@/core/coat/cover';
import { arealMass, fibresPerMm, layerMass } from '@/core/coat/fibre';
import {
  foldedCut,
  furLoft,
  layMass,
  layMinutes,
  longestForStaple,
  overLength,
  pinchCount,
  rowCount,
  rowTotal,
  trimWaste,
} from '@/core/coat/fold-over-methods';
import {
  collarMass,
  coreMass,
  coreMinutes,
  fringeLength,
  limbLength,
  looseVolume,
  tippingAngle,
  weightLow,
  wireLength,
  wireRoom,
} from '@/core/form/core-methods';
import { deviation, pictureScale } from '@/core/form/compare';
import { feltMass, patternScale, showsThrough } from '@/core/form/flat-parts';
import { scaleOfLife } from '@/core/form/form';
import { lotCost } from '@/core/stock/stock';
import type { Method } from './define';

export const methods: readonly Method[] = [
  scaleOfLife,
  pictureScale,
  deviation,
  patternScale,
  feltMass,
  showsThrough,
  coreMass,
  looseVolume,
  coreMinutes,
  limbLength,
  fringeLength,
  collarMass,
  wireLength,
  wireRoom,
  tippingAngle,
  weightLow,
  rowCount,
  rowTotal,
  foldedCut,
  overLength,
  longestForStaple,
  pinchCount,
  layMass,
  trimWaste,
  layMinutes,
  layerMass,
  fibresPerMm,
  arealMass,
  overlap,
  rowCover,
  tuftedCover,
  furLoft,
  lotCost,
];

const byId = new Map(methods.map((m) => [m.id, m]));

/** @throws when no method has this id */
export function methodOf(id: string): Method {
  const m = byId.get(id);
  if (!m) throw new Error(`no method is called ${id}`);
  return m;
}
