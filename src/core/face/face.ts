/**
 * The face stage: nose, mouth, eyes, ears, brows and whiskers on the head's own skin; their measures for callipers and
 * thread; what does not come out as meant; the work; and whether the real face is level.
 */
import type { CoatPlan } from '@/core/coat/coat-plan';
import type { CorePlan } from '@/core/build/core-plan';
import type { FormPlan, FormWork } from '@/core/form/form';
import type { FramePlan } from '@/core/build/frame';
import type { Vec3 } from '@/core/geometry/vec';
import { figure } from '@/core/method/define';
import type { FaceMark } from '@/core/piece/face';
import type { ShadePlan } from '@/core/shade/shade-plan';
import type { Context, Finding, Stage } from '@/core/stage';
import { browPlaces } from '@/core/face/features/brows';
import { planEars, type EarPlan } from '@/core/face/features/ears';
import { corner } from '@/core/face/eyes/eye-place';
import { planEyes, stemRoom, type EyePlan } from '@/core/face/eyes/eyes';
import { faceDraws } from './face-wool';
import { faceFindings } from './face-findings';
import type { FacePlan, Zone } from './face-plan';
import { tolerance } from './face-methods';
import { faceWork } from './face-work';
import { headOf, outOfHead, type Head } from '@/core/face/head/head';
import { levelOf } from '@/core/face/level/level';
import { measureMarks, type Mark } from '@/core/face/head/marks';
import { mouthPlace, nosePlace, type MouthPlace, type NosePlace } from '@/core/face/features/mouth';
import { STEM_ZONE } from '@/core/face/stems/stems';
import { planWhiskers, type Obstacles } from '@/core/face/features/whiskers';

export type { FacePlan } from './face-plan';

/** Left free beyond the edge of the eye, mm. Ours. */
const CLEAR_ROUND = 1;

interface BeforeFace {
  readonly work: FormWork;
  readonly form: FormPlan;
  readonly core: CorePlan;
  readonly frame: FramePlan;
  readonly coat: CoatPlan;
  readonly shade: ShadePlan;
  /** Ids of the work of coat and shade. */
  readonly coatWork: readonly string[];
}

const NOTHING: Stage<FacePlan | null> = { result: null, findings: [], operations: [], ties: [] };

export function planFace(x: Context, before: BeforeFace): Stage<FacePlan | null> {
  const { piece, cupboard, hand, memo } = x;
  const { work: form, core, coat, shade } = before;
  const scaleOfLife = before.form.scale.value;
  const { face } = piece;
  if (!face) return NOTHING;
  const head = memo.keep('head', [form, face.head, face.nose.at], headOf);
  if (!head) return { ...NOTHING, findings: [faceNowhere] };
  const { frame } = head;
  const nose = nosePlace(form, frame, face);
  const mouth = mouthPlace(form, frame, face, nose);
  const setting = {
    form,
    frame,
    face,
    piece,
    cupboard,
    hand,
    scaleOfLife,
    core,
    wire: before.frame,
    coat,
    shade,
    memo,
  };
  const eyes = planEyes(setting);
  const ears = planEars(form, piece, face, coat);
  const marks = marksOf(head, nose, mouth, eyes, ears);
  // Marks on the skin hardly ever move: their ways over the skin are kept.
  const measured = memo.keep('face-measures', [head, marks], measureMarks);
  const { zones, obstacles } = inTheWay(setting, eyes);
  const whiskers = face.whiskers.map((w) =>
    memo.keep(`whiskers:${w.id}`, [form, frame, w, obstacles, scaleOfLife, cupboard.threads], planWhiskers),
  );
  const brows = face.brows ? browPlaces(form, face.brows, eyes.places, eyes.discMm) : [];
  const work = faceWork({
    brows,
    piece,
    face,
    cupboard,
    hand,
    coat,
    core,
    nose,
    mouth,
    eyes,
    ears,
    whiskers,
    coatWork: before.coatWork,
  });
  const result: FacePlan = {
    frame,
    headWidthMm: head.widthMm,
    headLengthMm: head.lengthMm,
    headHeightMm: head.heightMm,
    front: head.front,
    profile: head.profile,
    above: head.above,
    oneSided: form.body.board,
    measured,
    nose,
    mouth,
    eyes,
    ears,
    brows,
    whiskers,
    zones,
    clearMm: eyes.discMm / 2 + CLEAR_ROUND,
    tolerance: figure(tolerance, { head: head.widthMm }),
    levels: face.checks.map((c) => levelOf(c, measured, eyes.places, head)),
    minutes: work.operations.reduce((s, o) => s + o.minutes, 0),
    draws: faceDraws(work.operations),
  };
  return {
    result,
    findings: faceFindings({ piece, face, cupboard, plan: result, core, form }),
    operations: work.operations,
    ties: work.ties,
  };
}

const faceNowhere: Finding = {
  id: 'face-nowhere',
  code: 'face-nowhere',
  stage: 'face',
  severity: 'stop',
  about: null,
  says: ['The face lies nowhere on this animal.'],
  why: ['The tip of the nose is on a part without skin. Begin the face again.'],
  remedies: [
    {
      label: ['Take the face away'],
      effect: ['it can be begun again'],
      changes: [{ path: ['face'], value: null }],
    },
  ],
};

/** What a needle must not meet once the eyes are set, and what a thread through the head must pass by. */
function inTheWay(
  setting: Parameters<typeof planEyes>[0],
  { places, stems }: EyePlan,
): { readonly zones: Zone[]; readonly obstacles: Obstacles } {
  const { kind, sizeMm, stem } = setting.face.eyes;
  const lines = stems?.state.lines ?? [];
  const { wires } = stemRoom(setting, places);
  return {
    zones: [
      ...lines.map(({ a, b }) => ({ a, b, radiusMm: stem.thickMm / 2 + STEM_ZONE })),
      ...(kind === 'bead' || kind === 'stem'
        ? places.map((e) => ({ a: e.at, b: e.at, radiusMm: sizeMm / 2 + 1 }))
        : []),
    ],
    obstacles: {
      balls: places.map((e) => ({ at: e.at, radiusMm: sizeMm / 2 })),
      lines: [
        ...lines.map(({ a, b }) => ({ a, b, radiusMm: stem.thickMm / 2 })),
        ...wires.flatMap((w) => w.path.slice(1).map((q, i) => ({ a: w.path[i]!, b: q, radiusMm: w.thickMm / 2 }))),
      ],
    },
  };
}

const SIDE_NAMES = { left: 'left', right: 'right' } as const;

function marksOf(head: Head, nose: NosePlace, mouth: MouthPlace | null, eyes: EyePlan, ears: EarPlan | null): Mark[] {
  const twin = (mark: string, side: 'left' | 'right', two: boolean) =>
    two ? (mark.replace(side, side === 'left' ? 'right' : 'left') as FaceMark) : null;
  const both = (base: string, side: 'left' | 'right', name: string, at: Vec3, two: boolean, end = ''): Mark => {
    const mark = `${base}-${side}${end}` as FaceMark;
    return { mark, name: two ? `${name}, ${SIDE_NAMES[side]}` : name, at, twin: twin(mark, side, two) };
  };
  const crown = crownOf(head, eyes);
  const pair = eyes.places.length > 1;
  return [
    { mark: 'nose', name: 'Tip of the nose', at: nose.tip, twin: null },
    ...eyes.places.map((e) => both('eye', e.side, 'Eye', e.at, pair)),
    ...eyes.places.flatMap((e) => [
      both('eye', e.side, 'Inner corner', corner(e, 'inner', eyes.discMm), pair, '-inner'),
      both('eye', e.side, 'Outer corner', corner(e, 'outer', eyes.discMm), pair, '-outer'),
    ]),
    ...(ears?.places.map((e) => both('ear', e.side, 'Ear', e.at, ears.places.length > 1)) ?? []),
    ...(mouth?.corners.map((at, i) =>
      both('mouth', i === 0 ? 'left' : 'right', 'Corner of the mouth', at, mouth.corners.length > 1),
    ) ?? []),
    ...(mouth ? [{ mark: 'chin' as const, name: 'Chin', at: mouth.chin, twin: null }] : []),
    ...(crown ? [{ mark: 'crown' as const, name: 'Crown', at: crown, twin: null }] : []),
  ];
}

/** The top of the head on its midline, over the eyes. */
function crownOf(head: Head, eyes: EyePlan): Vec3 | null {
  const e = eyes.places[0];
  if (!e) return null;
  const { positions: p } = head.mesh;
  const d = [e.at[0] - head.frame.origin[0], e.at[1] - head.frame.origin[1], e.at[2] - head.frame.origin[2]];
  const z = d[0]! * head.frame.z[0] + d[1]! * head.frame.z[1] + d[2]! * head.frame.z[2];
  const near = 0.06 * head.widthMm;
  let best = -1;
  for (let v = 0; v < p.length; v += 3) {
    if (Math.abs(p[v]!) > near || Math.abs(p[v + 2]! - z) > 2 * near) continue;
    if (best < 0 || p[v + 1]! > p[best + 1]!) best = v;
  }
  return best < 0 ? null : outOfHead(head.frame, [0, p[best + 1]!, p[best + 2]!]);
}
