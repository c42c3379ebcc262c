/** Judgement of the eyes as they sit: depth, where they look, layers too small to felt, what they vanish in, fur that reaches them. */
import { ref } from '@/core/ref';
import { samePlace } from '@/core/form/places';
import { rimFor } from '@/core/shade/judging/judge';
import { VANISHES } from '@/core/shade/words';
import { degrees, fine, say, share } from '@/core/text';
import { half, set, type Judging, type Put } from '@/core/face/judging';
import { DARK_LINE, FINEST_LINE, SMALLEST_DOT } from './ladder';
import { lightHidden } from './lid-edges';

/** Of its disc: a hunter that looks up to 70 degrees aside still meets the eye, a grazer from 63 on. Ours. */
const HUNTER_LEAST = 0.35;
const GRAZER_MOST = 0.45;

/** How deep the eye sits. */
export function ofDepth({ face, plan }: Judging, put: Put): void {
  const { eyes } = plan;
  const { sizeMm, socketMm } = face.eyes;
  if (eyes.out) {
    if (eyes.outMm <= 0) {
      put({
        id: 'face-eye-sunk',
        code: 'face-eye-sunk',
        severity: 'stop',
        about: ref('feature', 'eyes'),
        says: say`The socket is deeper than the eye: it sinks below its rim.`,
        why: say`A socket of ${fine(socketMm)} swallows an eye of ${fine(sizeMm)}.`,
        remedies: [
          {
            label: say`Make the socket ${fine(half(0.6 * sizeMm))}`,
            effect: say`the eye stands out ${fine(sizeMm - half(0.6 * sizeMm))}`,
            changes: [set(['eyes', 'socketMm'], half(0.6 * sizeMm))],
          },
        ],
      });
    } else if (eyes.outMm > 0.75 * sizeMm) {
      put({
        id: 'face-eye-bulges',
        code: 'face-eye-bulges',
        severity: 'caution',
        about: ref('feature', 'eyes'),
        says: say`The eye stands out ${fine(eyes.outMm)}, most of its width.`,
        why: say`It looks stuck on and comes off easily. Sink it to about half.`,
        remedies: [
          {
            label: say`Make the socket ${fine(Math.max(0.5, half(0.5 * sizeMm)))}`,
            effect: say`half of the eye stands out`,
            changes: [set(['eyes', 'socketMm'], Math.max(0.5, half(0.5 * sizeMm)))],
          },
        ],
      });
    } else if (eyes.discMm < 0.9 * sizeMm) {
      put({
        id: 'face-eye-hidden',
        code: 'face-eye-hidden',
        severity: 'note',
        about: ref('feature', 'eyes'),
        says: say`So deep in its socket the eye is seen ${fine(eyes.discMm)} wide.`,
        why: say`It is ${fine(sizeMm)} across; past its middle the rim hides it.`,
        remedies: [],
      });
    }
  }
}

/** Whether the eyes look where such an animal's do. */
export function ofLooking({ face, plan }: Judging, put: Put): void {
  const { eyes } = plan;
  if (plan.oneSided || face.eyes.kind === 'closed') return;
  const seen = Math.min(...eyes.frontShare);
  const most = Math.max(...eyes.frontShare);
  const side = eyes.places[0]!.sideDeg;
  if (face.eyes.sees === 'forward' && seen < HUNTER_LEAST) {
    const turn = Math.min(60, Math.max(-60, Math.round((face.eyes.forwardDeg + Math.max(5, side - 50)) / 5) * 5));
    put({
      id: 'face-eye-front',
      code: 'face-eye-front',
      severity: 'caution',
      about: ref('feature', 'eyes'),
      says: say`From the front only ${share(seen)} of the eye is seen.`,
      why: say`A hunter’s eyes are seen from the front: it looks ${degrees(side)} to the side. Move them forward, or turn them.`,
      remedies:
        turn === face.eyes.forwardDeg
          ? []
          : [
              {
                label: say`Turn both ${degrees(turn)} forward`,
                effect: say`they look more to the front`,
                changes: [set(['eyes', 'forwardDeg'], turn)],
              },
            ],
    });
  }
  if (face.eyes.sees === 'sideways' && most > GRAZER_MOST) {
    put({
      id: 'face-eye-side',
      code: 'face-eye-side',
      severity: 'caution',
      about: ref('feature', 'eyes'),
      says: say`From the front ${share(most)} of the eye is seen.`,
      why: say`A grazer’s eyes look sideways; so far forward it looks like a hunter. Move them back along the head.`,
      remedies: [],
    });
  }
}

/** Whether both are planned on one level, where the right one was set by itself. */
export function ofPair({ face, plan }: Judging, put: Put): void {
  const l = plan.measured.find((m) => m.mark === 'eye-left');
  const r = plan.measured.find((m) => m.mark === 'eye-right');
  if (!face.eyes.other || plan.oneSided || face.eyes.kind === 'closed' || !l || !r) return;
  const d = Math.hypot(l.inHead[0] + r.inHead[0], l.inHead[1] - r.inHead[1], l.inHead[2] - r.inHead[2]);
  if (d <= plan.tolerance.value) return;
  put({
    id: 'face-eyes-differ',
    code: 'face-eyes-differ',
    severity: 'caution',
    about: ref('feature', 'eyes'),
    says: say`The eyes are planned ${fine(d)} out of level.`,
    why: say`The right one was set by itself.`,
    remedies: [
      {
        label: say`Let the right one mirror the left`,
        effect: say`level again`,
        changes: [set(['eyes', 'other'], null)],
      },
    ],
  });
}

export function ofLayers({ face, plan }: Judging, put: Put): void {
  const { kind } = face.eyes;
  if (kind !== 'layered' && kind !== 'disc' && kind !== 'rolled' && kind !== 'wound') return;
  const { ladder } = plan.eyes;
  for (const r of ladder.rungs.filter((x) => x.tooSmall)) {
    const least = Math.min(r.widthMm, r.ring === 'rim' ? Infinity : r.highMm);
    put({
      id: `face-small-${r.ring}`,
      code: 'face-small',
      severity: r.ring === 'second' ? 'note' : 'caution',
      about: ref('feature', 'eyes'),
      says: say`${r.name} is ${fine(least)}: too small to felt.`,
      why:
        r.ring === 'rim'
          ? say`A ring thinner than ${fine(FINEST_LINE)} spreads under the needle.`
          : say`A dot under ${fine(SMALLEST_DOT)} vanishes into the eye. Make it larger, or touch it in with paint or thread.`,
      remedies:
        r.ring === 'light'
          ? [
              {
                label: say`Make the light ${fine(SMALLEST_DOT)}`,
                effect: say`the smallest that stays`,
                changes: [set(['eyes', 'layers', 'lightMm'], SMALLEST_DOT)],
              },
            ]
          : r.ring === 'second'
            ? [
                {
                  label: say`Leave the second light out`,
                  effect: say`one light`,
                  changes: [set(['eyes', 'layers', 'secondLight'], false)],
                },
              ]
            : r.ring === 'rim'
              ? [
                  {
                    label: say`Make the rim ${fine(FINEST_LINE)}`,
                    effect: say`the finest that stays`,
                    changes: [set(['eyes', 'layers', 'rimMm'], FINEST_LINE)],
                  },
                ]
              : [],
    });
  }
  if (ladder.darkLineMm !== null && ladder.darkLineMm < DARK_LINE - 1e-6) {
    put({
      id: 'face-dark-line',
      code: 'face-dark-line',
      severity: 'caution',
      about: ref('feature', 'eyes'),
      says: say`Only ${fine(Math.max(0, ladder.darkLineMm))} of dark is left beside the light.`,
      why: say`A white dot that touches a pale face runs into it; ${fine(DARK_LINE)} of dark keeps it apart.`,
      remedies: [
        {
          label: say`Keep ${fine(DARK_LINE)}`,
          effect: say`the light moves in`,
          changes: [set(['eyes', 'layers', 'darkLineMm'], DARK_LINE)],
        },
      ],
    });
  }
}

/** So little of a light under a lid is not missed. Ours. */
const LIGHT_CUT = 0.25;
/** Half hidden, a light no longer reads as one. Ours. */
const LIGHT_LOST = 0.5;

/** A lid that hides the light which brings the eye to life. */
export function ofLids({ face, plan }: Judging, put: Put): void {
  const { eyes } = plan;
  const hidden = (upper: number) =>
    Math.max(0, ...eyes.ladder.eyes.map((e) => lightHidden({ lids: { ...face.eyes.lids, upper } }, eyes.discMm, e)));
  const now = hidden(face.eyes.lids.upper);
  if (now <= LIGHT_CUT) return;
  // The furthest down the upper lid may come with the whole light seen.
  const steps = Array.from({ length: 100 }, (_, k) => (99 - k) / 100).filter((x) => x < face.eyes.lids.upper);
  const raised = steps.find((x) => hidden(x) === 0);
  put({
    id: 'face-light-hidden',
    code: 'face-light-hidden',
    severity: now > LIGHT_LOST ? 'caution' : 'note',
    about: ref('feature', 'eyes'),
    says: now >= 1 ? say`A lid hides the light of the eye.` : say`A lid hides ${share(now)} of the light of the eye.`,
    why: say`The light brings it to life; under the lid it is not seen. Set it lower, or open the eye.`,
    remedies:
      raised === undefined
        ? []
        : [
            {
              label: say`Raise the upper lid to ${share(raised)}`,
              effect: say`the whole light is seen`,
              changes: [set(['eyes', 'lids', 'upper'], raised)],
            },
          ],
  });
}

export function ofContrast({ face, plan, cupboard }: Judging, put: Put): void {
  const { eyes } = plan;
  if (eyes.contrast === null || !eyes.edgeHex || !eyes.around || eyes.contrast >= VANISHES) return;
  const rim = rimFor(eyes.edgeHex, eyes.around.hex, cupboard);
  put({
    id: 'face-eye-lost',
    code: 'face-eye-lost',
    severity: 'caution',
    about: ref('feature', 'eyes'),
    says: say`The eye vanishes in ${eyes.around.name}.`,
    why: say`At arm’s length two colours so near run into each other${rim ? say`; a thin ring of ${rim.name} or a dent round it brings it back` : '; a dent round it brings it back'}.`,
    remedies: rim
      ? [
          {
            label: say`Rim of ${rim.name}`,
            effect: say`${fine(Math.max(FINEST_LINE, face.eyes.layers.rimMm))} wide, stands apart from both`,
            changes: [
              set(['eyes', 'layers', 'rimLotId'], rim.lotId),
              set(['eyes', 'layers', 'rimMm'], Math.max(FINEST_LINE, face.eyes.layers.rimMm)),
            ],
          },
        ]
      : [],
  });
}

export function ofFur({ piece, face, plan }: Judging, put: Put): void {
  for (const f of plan.eyes.fur.filter((x) => x.into > 0.02)) {
    const i = piece.areas.findIndex((a) => a.id === f.areaId);
    const area = piece.areas[i]!;
    put({
      id: `face-fur-${f.areaId}`,
      code: 'face-fur',
      severity: 'caution',
      about: ref('feature', 'eyes'),
      says: say`Fur of ${f.name} grows into the eye.`,
      why:
        f.longestMm >= 1
          ? say`No fibre may point into an eye. Up to ${fine(f.longestMm)} long it stays out, or let it point away.`
          : say`No fibre may point into an eye. Let it point away, or leave ${fine(plan.clearMm)} clear round the eye.`,
      remedies:
        area.awayFrom === null
          ? [
              {
                label: say`Let it point away from the eye`,
                effect: say`its rows run round the eye`,
                changes: [{ path: ['areas', i, 'awayFrom'], value: face.eyes.at }],
              },
            ]
          : [],
    });
  }
  // Fur set to point away from an eye that has since moved.
  piece.areas.forEach((a, i) => {
    if (!a.awayFrom || samePlace(a.awayFrom, face.eyes.at)) return;
    put({
      id: `face-away-${a.id}`,
      code: 'face-away',
      severity: 'note',
      about: ref('feature', 'eyes'),
      says: say`${a.name} points away from another place than the eye.`,
      why: say`The eye has been moved since.`,
      remedies: [
        {
          label: say`Point away from the eye as it is`,
          effect: say`rows run round it`,
          changes: [{ path: ['areas', i, 'awayFrom'], value: face.eyes.at }],
        },
      ],
    });
  });
}
