/** Judgement of the face: what is too small, meets, comes out, is not seen, vanishes or is not level, with what would help. */
import { ref } from '@/core/ref';
import type { Finding } from '@/core/stage';
import { fine, say } from '@/core/text';
import { ofContrast, ofDepth, ofFur, ofLayers, ofLids, ofLooking, ofPair } from '@/core/face/eyes/eye-findings';
import { apart } from '@/core/face/eyes/eye-place';
import { ofBoughtEyes, ofEyeSize, ofSmallParts } from '@/core/face/eyes/eye-size-findings';
import { noseApart } from './steps/nose';
import { half, set, type Judging, type Put } from './judging';
import { ofStems } from '@/core/face/stems/stem-findings';
import { ofWhiskers } from '@/core/face/features/whisker-findings';

export function faceFindings(j: Judging): Finding[] {
  const out: Finding[] = [];
  const put: Put = (f) => out.push({ about: null, ...f, stage: 'face' });
  ofNose(j, put);
  ofEyeSize(j, put);
  ofBoughtEyes(j, put);
  ofSmallParts(j, put);
  ofDepth(j, put);
  ofLooking(j, put);
  ofPair(j, put);
  ofStems(j, put);
  ofLayers(j, put);
  ofLids(j, put);
  ofContrast(j, put);
  ofFur(j, put);
  ofEars(j, put);
  ofWhiskers(j, put);
  ofLevel(j, put);
  return out;
}

function ofNose({ piece, face, plan, core, form }: Judging, put: Put): void {
  if (!face.nose.beforeJoin && noseApart(piece, face, core)) {
    put({
      id: 'face-nose-join',
      code: 'face-nose-join',
      severity: 'note',
      about: ref('feature', 'nose'),
      says: say`The nose is made after the muzzle is joined.`,
      why: say`It is easier before: the muzzle can be turned and felted from every side.`,
      remedies: [
        {
          label: say`Make it before the muzzle is joined`,
          effect: say`the head is joined after the nose`,
          changes: [set(['nose', 'beforeJoin'], true)],
        },
      ],
    });
  }
  if (!plan.mouth) return;
  const under = plan.nose.under;
  // From under the nose to the underside of the muzzle there is only so much skin.
  const room = apart(under, plan.mouth.chin);
  const wanted = face.nose.philtrumMm + face.mouth.thickMm;
  const part = form.body.parts.find((p) => p.part.id === face.nose.at.part);
  const tip = part && (part.part.root === 'start' ? part.left[part.left.length - 1]!.rb : part.left[0]!.ra);
  if (tip && wanted > 1.2 * tip) {
    put({
      id: 'face-mouth-room',
      code: 'face-mouth-room',
      severity: 'caution',
      about: ref('feature', 'mouth'),
      says: say`There is no room for the mouth under the nose.`,
      why: say`Philtrum and mouth take ${fine(wanted)}; the muzzle ends ${fine(Math.min(room, 1.2 * tip))} below the nose.`,
      remedies: [
        {
          label: say`Leave ${fine(half(0.5 * tip))} under the nose`,
          effect: say`the mouth moves up under the nose`,
          changes: [set(['nose', 'philtrumMm'], half(0.5 * tip))],
        },
      ],
    });
  }
  const [l, r] = plan.mouth.halves.map((h) => h.length);
  if (l !== undefined && (l < 3 || (r ?? 3) < 3)) {
    put({
      id: 'face-mouth-short',
      code: 'face-mouth-short',
      severity: 'caution',
      about: ref('feature', 'mouth'),
      says: say`The mouth finds no way over the skin.`,
      why: say`It begins where the skin turns straight back; move the nose up or leave less under it.`,
      remedies: [],
    });
  }
}

function ofEars({ face, plan }: Judging, put: Put): void {
  const { ears } = plan;
  if (!ears || ears.near.length === 0) return;
  const names = ears.near.map((n) => n.name).join(', ');
  const after = face.ears.when === 'after the coat';
  put({
    // Each order is a matter of its own: choosing the other one settles this one.
    id: `face-ears-when-${after ? 'after' : 'before'}`,
    code: 'face-ears-when',
    severity: 'note',
    about: ref('feature', 'ears'),
    says: after ? say`The ears go into finished fur: ${names}.` : say`Fur is laid round the ears: ${names}.`,
    why: after
      ? say`Part the fur where they sit; the collar presses down ${fine(ears.acrossMm / 2 + ears.fringe.value)} round the seat, tease it up again.`
      : say`Fold them away while you lay; felting past them can crush them.`,
    remedies: [
      after
        ? {
            label: say`Ears before the coat`,
            effect: say`the face comes into focus earlier`,
            changes: [set(['ears', 'when'], 'before the coat')],
          }
        : {
            label: say`Ears after the coat`,
            effect: say`they are not crushed`,
            changes: [set(['ears', 'when'], 'after the coat')],
          },
    ],
  });
}

function ofLevel({ plan }: Judging, put: Put): void {
  const last = plan.levels[plan.levels.length - 1];
  if (!last) return;
  const off = last.pairs.filter((p) => p.move !== null);
  if (off.length === 0) return;
  put({
    id: `face-level-${last.id}`,
    code: 'face-level',
    severity: 'caution',
    about: null,
    says: say`The last measure is not level: ${off.map((p) => p.move!).reduce((a, b) => say`${a}; ${b}`)}.`,
    why: say`More than ${fine(last.tolerance.value)} between the sides is seen.`,
    remedies: [],
  });
}
