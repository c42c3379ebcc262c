/** Every formula the plan uses, once; ways of laying bring their own. The docket, the handbook and the printed sheets read it. */
import { blendPart } from '@/core/coat/blended';
import { lineWool } from '@/core/face/face-wool';
import { arealMass, fibresPerMm, layerMass } from '@/core/wool/fibre';
import { furLoft, furTightness } from '@/core/coat/loft';
import { rowCount, rowTotal } from '@/core/coat/techniques/fold-over/fold-over-methods';
import {
  collarMass,
  coreMass,
  footGives,
  fringeLength,
  limbLength,
  looseVolume,
  tippingAngle,
  wrapMass,
  weightLow,
  wireLength,
  wireRoom,
} from '@/core/build/core-methods';
import {
  beforeFelting,
  discWool,
  eyeFactor,
  eyeFromPicture,
  eyeWool,
  seenDisc,
  standsOut,
  stemGap,
  stemsTouch,
  threadNeed,
  tolerance,
} from '@/core/face/face-methods';
import { deviation, pictureScale } from '@/core/form/compare';
import {
  bandLength,
  frameBar,
  knotLength,
  loopLength,
  scarfLength,
  wallWidth,
  woodMass,
} from '@/core/build/things/thing-methods';
import { feltMass, patternScale, showsThrough } from '@/core/build/flat-parts';
import { scaleOfLife } from '@/core/form/form';
import { blendFriele, blendStearns, layerOfColour, veilSeen } from '@/core/shade/shade-methods';
import { veilLayers } from '@/core/shade/layers/veil';
import { needleMarks, safeStroke, stabTime, strokeDepth } from '@/core/needle/needle-methods';
import { lotCost } from '@/core/stock/stock';
import { workTime } from '@/core/time/work-time';
import type { Method } from '@/core/method/define';
import { WAYS } from '@/core/coat/ways';

export const methods: readonly Method[] = [
  scaleOfLife,
  pictureScale,
  deviation,
  patternScale,
  feltMass,
  showsThrough,
  bandLength,
  scarfLength,
  loopLength,
  knotLength,
  wallWidth,
  woodMass,
  frameBar,
  coreMass,
  footGives,
  wrapMass,
  looseVolume,
  workTime,
  limbLength,
  fringeLength,
  collarMass,
  wireLength,
  wireRoom,
  tippingAngle,
  weightLow,
  rowCount,
  rowTotal,
  layerMass,
  fibresPerMm,
  arealMass,
  furLoft,
  furTightness,
  ...new Set(WAYS.flatMap((w) => w.methods)),
  blendPart,
  blendStearns,
  blendFriele,
  veilLayers,
  veilSeen,
  layerOfColour,
  eyeFactor,
  eyeFromPicture,
  seenDisc,
  standsOut,
  lineWool,
  stemGap,
  stemsTouch,
  eyeWool,
  discWool,
  beforeFelting,
  threadNeed,
  tolerance,
  strokeDepth,
  safeStroke,
  needleMarks,
  stabTime,
  lotCost,
];

const byId = new Map(methods.map((m) => [m.id, m]));

/** @throws when no method has this id */
export function methodOf(id: string): Method {
  const m = byId.get(id);
  if (!m) throw new Error(`no method is called ${id}`);
  return m;
}
