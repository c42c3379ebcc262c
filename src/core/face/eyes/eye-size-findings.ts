/** Judgement of the eye's size: against life, against what is at hand, and what comes off. */
import { ref } from '@/core/ref';
import type { Remedy } from '@/core/stage';
import { count, fine, say, share } from '@/core/text';
import { EYE_SPECS } from './eye-kinds';
import { styleOf } from './eyes';
import { withStockEye } from '@/core/face/face-edits';
import { half, set, type Judging, type Put } from '@/core/face/judging';

/** The eye's size against life. */
export function ofEyeSize({ plan }: Judging, put: Put): void {
  const { eyes } = plan;
  if (eyes.factor === null) {
    put({
      id: 'face-eye-life',
      code: 'face-eye-life',
      severity: 'note',
      about: ref('feature', 'eyes'),
      says: say`How wide the eye is in life is not known.`,
      why: say`Enter it, or pin the eye and the head on a photograph: then you see whether it is life-like, softened or cute.`,
      remedies: [],
    });
  } else if (eyes.style === 'cute' || eyes.style === 'smaller than life') {
    const life = eyes.lifeMm!;
    put({
      id: 'face-eye-style',
      code: 'face-eye-style',
      severity: 'note',
      about: ref('feature', 'eyes'),
      says:
        eyes.style === 'cute'
          ? say`The eye is ${count(Math.round(eyes.factor.value * 10) / 10)} times life size: it reads as cute.`
          : say`The eye is smaller than life, ${share(eyes.factor.value)} of it.`,
      why: say`Life size is ${fine(life)} on this piece; up to about 1.4 times reads as softened. It is a choice, not a mistake.`,
      remedies: [
        {
          label: say`Make it ${fine(half(life))}`,
          effect: say`life size`,
          changes: [set(['eyes', 'sizeMm'], Math.max(0.8, half(life)))],
        },
      ],
    });
  }
}

/** Bought eyes: whether they are there, enough, and of the size planned. */
export function ofBoughtEyes({ face, plan }: Judging, put: Put): void {
  const { eyes } = plan;
  if (EYE_SPECS[face.eyes.kind].made !== 'bought') return;
  const needed = eyes.places.length;
  const best = eyes.sizes.find((s) => s.enough);
  const take = (s: NonNullable<typeof best>): Remedy => ({
    label: say`Use ${s.eye.name}`,
    effect:
      s.factor === null ? say`${fine(s.eye.diameterMm)} across` : say`${fine(s.eye.diameterMm)}, ${styleOf(s.factor)}`,
    changes: [set(['eyes'], withStockEye(face.eyes, s.eye))],
  });
  if (!eyes.stock) {
    put({
      id: 'face-eye-stock',
      code: 'face-eye-stock',
      severity: 'caution',
      about: ref('feature', 'eyes'),
      says: say`No eyes are chosen from the cupboard.`,
      why: best
        ? say`The nearest you own are ${best.eye.name}.`
        : say`The cupboard has no pair of this kind. Enter yours there, or take another kind of eye.`,
      remedies: eyes.sizes
        .filter((s) => s.enough)
        .slice(0, 3)
        .map(take),
    });
    return;
  }
  if (eyes.stock.count < needed) {
    put({
      id: 'face-eye-count',
      code: 'face-eye-count',
      severity: 'stop',
      about: ref('feature', 'eyes'),
      says: say`Only ${count(eyes.stock.count)} of ${eyes.stock.name} at hand, ${count(needed)} are needed.`,
      why: say`A pair must be alike.`,
      remedies: eyes.sizes
        .filter((s) => s.enough && s.eye.id !== eyes.stock!.id)
        .slice(0, 2)
        .map(take),
    });
  }
  if (Math.abs(eyes.stock.diameterMm - face.eyes.sizeMm) > 0.05) {
    put({
      id: 'face-eye-differs',
      code: 'face-eye-differs',
      severity: 'caution',
      about: ref('feature', 'eyes'),
      says: say`${eyes.stock.name} are ${fine(eyes.stock.diameterMm)}, the face is planned for ${fine(face.eyes.sizeMm)}.`,
      why: say`Sockets and lids are worked out for the planned size.`,
      remedies: [
        {
          label: say`Plan for ${fine(eyes.stock.diameterMm)}`,
          effect: say`sockets and lids follow`,
          changes: [set(['eyes', 'sizeMm'], eyes.stock.diameterMm)],
        },
      ],
    });
  }
}

/** What comes off and can be swallowed. */
export function ofSmallParts({ face, plan }: Judging, put: Put): void {
  if (EYE_SPECS[face.eyes.kind].made !== 'bought' || !plan.eyes.stock) return;
  // 16 CFR 1501.4: what fits the cylinder, 31.7 mm across and 25.4 to 57.1 mm deep, is a small part.
  if (face.eyes.sizeMm < 31.7) {
    put({
      id: 'face-small-part',
      code: 'face-small-part',
      severity: 'note',
      about: ref('feature', 'eyes'),
      says: say`The eyes are small parts: a display piece, not a toy for a small child.`,
      why: say`Whatever fits a cylinder ${fine(31.7)} across can be swallowed if it comes off. Say so on the owner’s card; the toy rules where it is sold decide the rest.`,
      remedies: [],
    });
  }
}
