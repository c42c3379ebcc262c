/**
 * What a step was decided by, as a short mark for each decision: kept with the log entry when it is done, so that a decision
 * changed afterwards is seen and named.
 */
import type { MadeBy } from '@/core/piece/log-entry';
import type { Piece } from '@/core/piece/schema';
import type { Operation } from '@/core/stage';

/** A short name for a value: the same value, the same name (FNV-1a, twice). */
export function markOf(value: unknown): string {
  const s = JSON.stringify(value) ?? '';
  let a = 0x811c9dc5;
  let b = 0x01000193;
  for (let i = 0; i < s.length; i++) {
    const c = s.charCodeAt(i);
    a = Math.imul(a ^ c, 0x01000193);
    b = Math.imul(b ^ (c >>> 3) ^ a, 0x85ebca6b);
  }
  return `${(a >>> 0).toString(36)}${(b >>> 0).toString(36)}`;
}

/** Another name for a thing changes nothing of it. */
const unnamed = (x: { readonly name: string } | undefined): unknown => (x ? { ...x, name: '' } : null);

function decided(piece: Piece, o: Operation): Record<string, unknown> {
  const { form, face } = piece;
  const size = { 'the size of the animal': form.finishedLengthMm };
  const area = piece.areas.find((a) => a.id === o.areaId);
  if (o.id === 'wire')
    return {
      ...size,
      'the wire': piece.frame,
      'the shape of the parts': form.parts.map(unnamed),
      'the pose': form.pose,
    };
  if (o.stage === 'form' && o.id.startsWith('core-')) {
    const part = form.parts.find((p) => p.id === o.areaId);
    return part
      ? {
          ...size,
          'the shape of the part': unnamed(part),
          'how firm it is': piece.core.soft.find((s) => s.part === part.id) ?? null,
        }
      : { ...size };
  }
  if (o.id.startsWith('flat-'))
    return { ...size, 'the flat part': unnamed(piece.flatParts.find((f) => f.id === o.areaId)) };
  if (o.stage === 'coat' && area) {
    const { coat } = area;
    const shape = { 'the place of the area': [area.where, area.strokes], ...size };
    if (o.kind === 'trim') return 'lengthMm' in coat ? { 'the length of the fur': coat.lengthMm } : {};
    if (coat.method === 'none') return shape;
    const { lotId, ...rest } = coat;
    if (o.kind === 'cut')
      return { 'the wool': lotId, 'the length of the fur': 'lengthMm' in coat ? coat.lengthMm : null };
    return {
      ...shape,
      'the wool': lotId,
      'the way it is laid': rest,
      'the rows': [area.evenness, area.branching, area.seam, area.awayFrom],
    };
  }
  if (o.stage === 'shade') {
    if (/^(mark|dash)-/.test(o.id)) return { 'the marking': unnamed(piece.markings.find((m) => m.id === o.areaId)) };
    const layers = area?.shade.layers ?? [];
    if (o.kind === 'blend') return { 'the blend': layers.find((l) => l.kind === 'coat') ?? null };
    if (o.id === `border-${o.areaId}`) return { 'the border': area?.shade.border ?? null };
    const layer = layers.find((l) => o.id === `shade-${o.areaId}-${l.id}`);
    return layer ? { 'the layer of colour': layer } : {};
  }
  if (o.stage === 'face' && face) {
    if (o.id === 'face-nose') return { 'the nose': face.nose };
    if (o.id === 'face-mouth') return { 'the mouth': face.mouth };
    if (o.id === 'face-lids')
      return { 'the lids': face.eyes.lids, 'the place of the eyes': [face.eyes.at, face.eyes.other] };
    if (o.id.startsWith('face-eyes')) {
      const { lids: _, at, other, ...eyes } = face.eyes;
      // Eyes can be made before anyone knows where they sit.
      return o.id === 'face-eyes-make'
        ? { 'the eyes': eyes }
        : { 'the eyes': eyes, 'the place of the eyes': [at, other] };
    }
    if (o.id.startsWith('face-ears')) return { 'the ears': face.ears };
    if (o.id === 'face-brows') return { 'the brows': face.brows };
    const whiskers = face.whiskers.find((w) => o.id.endsWith(`-${w.id}`));
    if (whiskers) return { 'the whiskers': unnamed(whiskers) };
  }
  return {};
}

export const madeBy = (piece: Piece, o: Operation): MadeBy =>
  Object.fromEntries(Object.entries(decided(piece, o)).map(([what, value]) => [what, markOf(value)]));

/** Decisions that have changed since a step was done; empty where nothing was kept of them. */
export const changedSince = (piece: Piece, o: Operation, made: MadeBy): string[] => {
  const now = madeBy(piece, o);
  return Object.keys(made).filter((what) => now[what] !== undefined && now[what] !== made[what]);
};
