/** Every formula the plan uses, once. The docket, the handbook and the printed sheets read it. */
import { overlap, rowCover, tuftedCover } from '@/core/coat/cover/cover';
import { bowMass, bowMinutes, fanStep } from '@/core/coat/techniques/bows/bows';
import { layeredCover } from '@/core/coat/cover/cover-layer';
import { slantedCover } from '@/core/coat/cover/cover-slant';
import { standingCovers } from '@/core/coat/cover/cover-standing';
import { feltMinutes, layerAreal, layerCount, layerLoft, layerWaste, layerWool } from '@/core/coat/techniques/felted';
import {
  lockCount,
  lockCover,
  lockLength,
  lockMass,
  lockMinutes,
  tipWaste,
} from '@/core/coat/techniques/locks/lock-methods';
import { spotDiameter, stripeWidth } from '@/core/coat/techniques/standing/sandwich';
import { sheetAcross, sheetAlong } from '@/core/coat/techniques/sheet/sheet';
import {
  bandWool,
  groundWool,
  plushWaste,
  standingCut,
  standingMinutes,
} from '@/core/coat/techniques/standing/standing-methods';
import {
  anchorMass,
  stripCover,
  stripMass,
  stripMinutes,
  stripWaste,
} from '@/core/coat/techniques/strip/strip-methods';
import { blendPart } from '@/core/coat/blended';
import { lineWool } from '@/core/face/face-wool';
import { arealMass, fibresPerMm, layerMass } from '@/core/wool/fibre';
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
} from '@/core/coat/techniques/fold-over/fold-over-methods';
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
import { feltMass, patternScale, showsThrough } from '@/core/build/flat-parts';
import { scaleOfLife } from '@/core/form/form';
import { blendFriele, blendStearns, layerMinutes, layerOfColour, veilSeen } from '@/core/shade/shade-methods';
import { veilLayers } from '@/core/shade/layers/veil';
import { needleMarks, safeStroke, stabTime, strokeDepth } from '@/core/needle/needle-methods';
import { lotCost } from '@/core/stock/stock';
import type { Method } from '@/core/method/define';

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
  slantedCover,
  standingCut,
  blendPart,
  bandWool,
  groundWool,
  standingMinutes,
  standingCovers,
  plushWaste,
  stripeWidth,
  spotDiameter,
  bowMass,
  bowMinutes,
  fanStep,
  stripMass,
  stripWaste,
  stripMinutes,
  stripCover,
  anchorMass,
  lockCount,
  lockLength,
  lockMass,
  tipWaste,
  lockMinutes,
  lockCover,
  layerWool,
  layerWaste,
  layerCount,
  layerAreal,
  layerLoft,
  layeredCover,
  feltMinutes,
  sheetAcross,
  sheetAlong,
  blendStearns,
  blendFriele,
  veilLayers,
  veilSeen,
  layerOfColour,
  layerMinutes,
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
