/**
 * Work of the face: nose before eyes, both eyes together, dry fit before glue, ears tacked before either is fixed, lids and
 * brows after, whiskers last of all. What of the coat has to wait for it, and the other way round.
 */
import type { CorePlan } from '@/core/form/core';
import type { Face } from '@/core/piece/face';
import type { Piece } from '@/core/piece/schema';
import type { Operation, TieChoice } from '@/core/stage';
import { grams, fine, say, type Text } from '@/core/text';
import { add, scale, type Vec3 } from '@/core/geometry/vec';
import { atFace, NEEDLE_CAUTION, step, type FaceWorkInput, type StepOfFace } from './face-step';
import { whiskerWork } from './whisker-work';
import { EYE_SPECS } from './eye-kinds';

export interface FaceTie {
  readonly operationId: string;
  readonly after: Operation['after'][number];
}

/** Whether that part is joined to another one, so that the nose can be made before it is. */
export const noseApart = (piece: Piece, face: Face, core: CorePlan): boolean =>
  piece.form.parts.some((p) => p.id === face.nose.at.part && p.on !== null) &&
  core.parts.some((p) => p.id === face.nose.at.part);

const NOSE_WORDS: Readonly<Record<Face['nose']['kind'], string>> = {
  ball: 'Roll and felt a ball for the nose',
  'shaped pad': 'Shape a pad for the nose',
  'gathered disc': 'Gather a felt disc round its edge for the nose and sew it on',
  stitched: 'Stitch the nose',
  wool: 'Felt the nose straight on',
  beak: 'Felt the beak firm and close its seam',
};

/** Fur that comes so near the edge of an eye is laid round it, mm. Ours. */
const ROUND = 5;
/** Lids are felted down so far outside the edge of the eye, mm. Ours. */
const EDGE_MM = 1.5;

/** Minutes (ours). */
const NOSE_MINUTES = { ball: 10, 'shaped pad': 12, 'gathered disc': 18, stitched: 20, wool: 8, beak: 12 } as const;

/** Where the ears come in the order is a school; this is the other one. */
const earsChoice = (instead: Face['ears']['when']): TieChoice => ({
  school: say`${instead === 'before the coat' ? 'ears after the coat' : 'ears before the coat'}`,
  instead: {
    label: say`Seat the ears ${instead}`,
    effect: say`${instead === 'before the coat' ? 'the face is seen early' : 'they are not crushed while fur is laid'}`,
    changes: [{ path: ['face', 'ears', 'when'], value: instead }],
  },
});

export function faceWork(x: FaceWorkInput): { readonly operations: Operation[]; readonly ties: FaceTie[] } {
  const { face, eyes, ears, coat, piece } = x;
  const operations: Operation[] = [];
  const ties: FaceTie[] = [];
  const joined = { id: 'core-join', why: say`The head is joined and firm first.`, strength: Infinity };
  const put = (o: StepOfFace) => void operations.push(step(x, o));
  const small = (kind: string) => piece.smallParts.find((s) => s.kind === kind);
  const at = (
    kind: Parameters<typeof atFace>[1],
    places: readonly Vec3[],
    minutes: number,
    layerMm: number,
    lotId: string | null,
  ) => atFace(x, kind, places, minutes, layerMm, lotId);
  const eyesAt = eyes.places.map((e) => e.at);

  // Nose: the guide for the eyes; easier before the muzzle is joined.
  const apart = face.nose.beforeJoin && noseApart(piece, face, x.core);
  const noseLot = small(face.nose.kind === 'beak' ? 'beak' : 'nose')?.recipe[0]?.lotId ?? null;
  const noseG =
    face.nose.kind === 'beak' || face.nose.kind === 'stitched'
      ? 0
      : (((Math.PI / 6) * face.nose.widthMm * face.nose.highMm * Math.min(face.nose.widthMm, face.nose.highMm)) /
          1000) *
        (x.hand.coreDensityMgCm3['flat felt'].usual / 1000);
  put({
    id: 'face-nose',
    does: say`${NOSE_WORDS[face.nose.kind]}, ${fine(face.nose.widthMm)} wide and ${fine(face.nose.highMm)} high; leave ${fine(face.nose.philtrumMm)} under it for the mouth`,
    passes:
      face.nose.nostrils === 'none'
        ? null
        : say`lower edge first, then the nostrils, ${fine(face.nose.nostrilsApartMm)} apart, then the join`,
    lotId: noseLot,
    massG: noseG,
    needlework:
      face.nose.kind === 'stitched' ? null : at('surface', [x.nose.tip], NOSE_MINUTES[face.nose.kind], 2, noseLot),
    minutes: NOSE_MINUTES[face.nose.kind],
    after: [
      apart ? { id: `core-${face.nose.at.part}`, why: say`The muzzle is felted first.`, strength: Infinity } : joined,
    ],
    caution:
      face.nose.kind === 'stitched' || face.nose.kind === 'gathered disc'
        ? say`Push the sewing needle against cork, not a finger.`
        : NEEDLE_CAUTION,
  });
  if (apart) {
    ties.push({
      operationId: 'core-join',
      after: {
        id: 'face-nose',
        why: say`The nose is easier before the muzzle is joined.`,
        strength: 1e6,
        choice: {
          school: say`make the nose before the muzzle is joined`,
          instead: {
            label: say`Make the nose after joining`,
            effect: say`it is made on the finished head`,
            changes: [{ path: ['face', 'nose', 'beforeJoin'], value: false }],
          },
        },
      },
    });
  }
  const nose = { id: 'face-nose', why: say`The nose comes first: it is the guide for the eyes.`, strength: Infinity };

  if (x.mouth) {
    put({
      id: 'face-mouth',
      does: say`Felt the mouth from the middle, one side then the other, ${fine(face.mouth.sideMm)} each over the skin, ${fine(face.mouth.thickMm)} thick in the middle tapering to ${fine(face.mouth.endMm)}`,
      passes:
        face.mouth.kind === 'lips'
          ? say`lower lip first, then the line, then the upper lip; corners lifted ${fine(face.mouth.liftMm)}`
          : say`corners lifted ${fine(face.mouth.liftMm)}; measure both halves with a thread`,
      lotId: face.mouth.lotId,
      needlework: at(
        'line',
        x.mouth.halves.flatMap((h) => [h[0]!, h[Math.floor(h.length / 2)]!]),
        8,
        0.8,
        face.mouth.lotId,
      ),
      minutes: face.mouth.kind === 'lips' ? 14 : 8,
      after: [joined, { ...nose, why: say`The mouth hangs from the nose.` }],
      caution: NEEDLE_CAUTION,
    });
  }

  // Eyes: both together at every step.
  const spec = EYE_SPECS[face.eyes.kind];
  const mass = 2 * (eyes.wool?.each.value ?? 0) * (eyes.places.length / 2);
  for (const s of eyes.steps) {
    const id = `face-eyes-${s.what}`;
    put({
      id,
      does: s.says,
      kind: s.what === 'make' ? 'make' : 'set',
      lotId: s.what === 'set' || s.what === 'make' ? (eyes.wool?.lotId ?? null) : null,
      massG: s.what === (spec.make && spec.made === 'wool' ? 'make' : 'set') ? mass : 0,
      needlework: spec.made === 'bought' ? null : at('surface', eyesAt, s.minutes, 1, eyes.wool?.lotId ?? null),
      minutes: s.minutes,
      ...(s.what === 'set' && face.eyes.kind === 'stem'
        ? {
            whole: true,
            wait: { minutes: x.hand.glueMinutes, says: say`The glue of the eyes sets; leave the head alone.` },
          }
        : s.what === 'make' && face.eyes.kind === 'rolled'
          ? { wait: { minutes: x.hand.dryMinutes, says: say`The wet-rolled eyes dry.` } }
          : {}),
      after:
        s.what === 'make'
          ? []
          : s.what === 'seat'
            ? [joined, nose]
            : [
                {
                  id: 'face-eyes-seat',
                  why:
                    face.eyes.kind === 'stem'
                      ? say`A dry fit before the glue.`
                      : say`The sockets are pressed in first.`,
                  strength: Infinity,
                },
                ...(spec.make
                  ? [{ id: 'face-eyes-make', why: say`Both eyes are made first.`, strength: Infinity }]
                  : []),
              ],
      caution: spec.caution,
    });
  }
  const two = eyes.places.length > 1;
  const set = (why: Text) => ({ id: 'face-eyes-set', why, strength: Infinity });
  const { lids } = face.eyes;
  if (face.eyes.kind !== 'closed' && lids.upper + lids.lower + lids.darkMm > 0) {
    put({
      id: 'face-lids',
      does: say`Draw a little wool over ${two ? 'both eyes' : 'the eye'} from above${lids.lower > 0 ? ' and below' : ''}${lids.darkMm > 0 ? say`, with a dark line of ${fine(lids.darkMm)} beneath` : ''}; edges only, no fibre pointing into the eye`,
      passes:
        Math.abs(lids.innerMm) + Math.abs(lids.outerMm) > 0
          ? say`inner upper corner ${lids.innerMm >= 0 ? 'up' : 'down'} ${fine(Math.abs(lids.innerMm))}, outer lower corner ${lids.outerMm >= 0 ? 'down' : 'up'} ${fine(Math.abs(lids.outerMm))}`
          : null,
      lotId: lids.lotId,
      needlework: at(
        'surface',
        // Along the edge of the eye, never over it.
        eyes.places.flatMap((e) => [1, -1].map((k) => add(e.at, scale(e.up, k * (face.eyes.sizeMm / 2 + EDGE_MM))))),
        10,
        0.6,
        lids.lotId,
      ),
      minutes: 10,
      after: [set(say`Lids close over eyes that are set.`)],
      caution:
        spec.made === 'bought'
          ? say`Slant the needle past the eye: one that meets glass or a stem breaks. ${NEEDLE_CAUTION}`
          : NEEDLE_CAUTION,
    });
  }
  // Fur round the eyes is laid once they are in.
  const around = new Set([
    ...(eyes.around ? [eyes.around.areaId] : []),
    ...eyes.fur.filter((f) => f.fibreMm < eyes.discMm / 2 + ROUND).map((f) => f.areaId),
  ]);
  for (const a of coat.areas) {
    if (!a.fur || !around.has(a.id)) continue;
    ties.push({
      operationId: `lay-${a.id}`,
      after: { id: 'face-eyes-set', why: say`The eyes are in before fur is laid round them.`, strength: 1e5 },
    });
  }
  const laid = (id: string, why: Text) => ({ id: `lay-${id}`, why, strength: Infinity });

  if (ears) {
    const earsAt = ears.places.map((p) => p.at);
    const before = face.ears.when === 'before the coat';
    const flat = ears.flatId
      ? [{ id: `flat-${ears.flatId}`, why: say`The ears are felted flat first.`, strength: Infinity }]
      : [];
    put({
      id: 'face-ears-tack',
      does: say`Place the first ear, fringe spread by ${fine(ears.fringe.value)}, and tack it; place the second by callipers from nose and eye, and tack it`,
      needlework: at('join', earsAt, 4 * ears.places.length, 1, null),
      minutes: 4 * ears.places.length,
      after: [
        joined,
        { ...nose, why: say`Ears are placed by nose and eyes.` },
        set(say`Ears are placed by the eyes.`),
        ...flat,
        ...(before
          ? []
          : ears.near.map((n) => ({
              ...laid(n.areaId, say`Ears after the coat, so that they are not crushed.`),
              choice: earsChoice('before the coat'),
            }))),
      ],
      caution: NEEDLE_CAUTION,
    });
    put({
      id: 'face-ears-fix',
      does: say`Fix both ears and cover each joint with a collar of ${grams(ears.collar.value)} that smooths out`,
      needlework: at('join', earsAt, 5 * ears.places.length, 1.5, x.core.lotId),
      massG: ears.places.length * ears.collar.value,
      lotId: x.core.lotId,
      minutes: 5 * ears.places.length,
      after: [{ id: 'face-ears-tack', why: say`Both are tacked before either is fixed.`, strength: Infinity }],
      caution: say`A deep needle goes through a thin ear: hold it by its tip. ${NEEDLE_CAUTION}`,
    });
    if (before) {
      for (const n of ears.near) {
        ties.push({
          operationId: `lay-${n.areaId}`,
          after: {
            id: 'face-ears-fix',
            why: say`Ears before the coat, to see the face.`,
            strength: 1e5,
            choice: earsChoice('after the coat'),
          },
        });
      }
    }
  }
  if (face.brows) {
    const over =
      eyes.around && coat.areas.find((a) => a.id === eyes.around!.areaId)?.fur
        ? [laid(eyes.around.areaId, say`Brows lie on the finished ground.`)]
        : [];
    put({
      id: 'face-brows',
      does: say`${two ? 'Felt both brows' : 'Felt the brow'}, ${fine(face.brows.lengthMm)} long, ${fine(face.brows.inMm)} thick inside and ${fine(face.brows.outMm)} outside, ${fine(face.brows.aboveMm)} above the eye`,
      lotId: face.brows.lotId,
      needlework: at(
        'line',
        x.brows.map((b) => b.line[Math.floor(b.line.length / 2)]!),
        4,
        0.6,
        face.brows.lotId,
      ),
      minutes: 4 * Math.max(1, eyes.places.length),
      after: [set(say`Brows are set by the eyes.`), ...over],
      caution: NEEDLE_CAUTION,
    });
  }
  operations.push(
    ...whiskerWork(
      x,
      operations.map((o) => o.id),
      [nose, set(say`Whiskers come after the eyes.`)],
    ),
  );
  return { operations, ties };
}
