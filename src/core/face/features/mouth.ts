/** Nose and mouth on the skin: underside of the nose, philtrum, the two halves of the mouth from the middle outward, chin. */
import { add, scale, sub, unit, type Vec3 } from '@/core/geometry/vec';
import type { FormWork } from '@/core/form/form';
import { ontoSkin } from '@/core/form/places';
import { outwardAt, walk } from '@/core/form/surface';
import type { Face } from '@/core/piece/face';
import type { HeadFrame } from '@/core/face/head/head';

export interface NosePlace {
  readonly tip: Vec3;
  readonly outward: Vec3;
  /** Middle of its underside, where the philtrum begins. */
  readonly under: Vec3;
  /** Tilted with the nose: to its top, unit. */
  readonly up: Vec3;
}

export interface MouthPlace {
  /** From the nose down to the mouth. */
  readonly philtrum: readonly Vec3[];
  /** Left half and right half, from the middle outward. */
  readonly halves: readonly (readonly Vec3[])[];
  /** Thickness along a half at its start, middle and end, mm. */
  readonly thickMm: readonly [number, number, number];
  readonly corners: readonly Vec3[];
  readonly chin: Vec3;
}

export function nosePlace(form: FormWork, frame: HeadFrame, face: Pick<Face, 'nose'>): NosePlace {
  const tip = ontoSkin(form.body, frame.origin);
  const outward = outwardAt(form, tip);
  const t = (face.nose.tiltDeg * Math.PI) / 180;
  const up = unit(sub(scale(frame.y, Math.cos(t)), scale(frame.z, Math.sin(t))));
  const down = walk(form, tip, () => scale(frame.y, -1), face.nose.highMm / 2);
  return { tip, outward, under: down[down.length - 1]!, up };
}

/** How far up the mouth runs toward the ear, as a share of how far back. Ours. */
const RISE = 0.22;

export function mouthPlace(
  form: FormWork,
  frame: HeadFrame,
  face: Pick<Face, 'nose' | 'mouth'>,
  nose: NosePlace,
): MouthPlace | null {
  const { mouth } = face;
  if (mouth.kind === 'none') return null;
  const philtrum = walk(form, nose.under, () => scale(frame.y, -1), face.nose.philtrumMm);
  const middle = philtrum[philtrum.length - 1]!;
  const half = (sign: 1 | -1): Vec3[] =>
    walk(
      form,
      middle,
      (s) => {
        // Straight out at first, then back along the cheek; the corner lifted the more the nearer to it.
        const t = s / mouth.sideMm;
        const out = 1 - 0.75 * t;
        const back = 0.35 + t;
        const lift = (2 * t * mouth.liftMm) / mouth.sideMm + RISE * t;
        return add(add(scale(frame.x, sign * out), scale(frame.z, -back)), scale(frame.y, lift));
      },
      mouth.sideMm,
    );
  const halves = form.body.board ? [half(1)] : [half(1), half(-1)];
  const down = walk(
    form,
    middle,
    () => scale(add(scale(frame.y, 1), scale(frame.z, 0.3)), -1),
    Math.max(1, mouth.chinMm || mouth.thickMm * 2),
  );
  return {
    philtrum,
    halves,
    thickMm: [mouth.thickMm, (mouth.thickMm + mouth.endMm) / 2, mouth.endMm],
    corners: halves.map((h) => h[h.length - 1]!),
    chin: down[down.length - 1]!,
  };
}
