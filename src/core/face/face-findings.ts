/** Judgement of the face: what is too small, meets, comes out, is not seen, vanishes or is not level, with what would help. */
import { VANISHES } from '@/core/shade/words';
import { rimFor } from '@/core/shade/judge';
import type { CorePlan } from '@/core/form/core';
import type { FormWork } from '@/core/form/form';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Face } from '@/core/piece/face';
import type { Piece } from '@/core/piece/schema';
import type { Finding, Remedy } from '@/core/stage';
import { count, degrees, fine, rowMm, say, share, type Text } from '@/core/text';
import { EYE_SPECS } from './eye-kinds';
import { apart } from './eye-place';
import { styleOf } from './eyes';
import type { FacePlan } from './face';
import { noseApart } from './face-work';
import { DARK_LINE, FINEST_LINE, SMALLEST_DOT } from './ladder';
import { STEM_ROOM, type StemChoice } from './stems';

export interface Judging {
  readonly piece: Piece;
  readonly face: Face;
  readonly cupboard: Cupboard;
  readonly plan: FacePlan;
  readonly core: CorePlan;
  readonly form: FormWork;
}

type Put = (f: Omit<Finding, 'stage' | 'about'> & { readonly about?: string | null }) => void;

/** What a finding is about: a feature of the face. */
export type Feature = 'nose' | 'mouth' | 'eyes' | 'ears' | 'brows' | 'whiskers';

/** Of its disc: a hunter that looks up to 70 degrees aside still meets the eye, a grazer from 63 on. Ours. */
const HUNTER_LEAST = 0.35;
const GRAZER_MOST = 0.45;
/** Thread so many times too thick or thin is seen. Ours. */
const THREAD_OFF = 2.5;

const set = (path: readonly (string | number)[], value: unknown) => ({ path: ['face', ...path], value });
const half = (x: number): number => Math.round(2 * x) / 2;

export function faceFindings(j: Judging): Finding[] {
  const out: Finding[] = [];
  const put: Put = (f) => out.push({ about: null, ...f, stage: 'face' });
  ofNose(j, put);
  ofEyeSize(j, put);
  ofSetting(j, put);
  ofStems(j, put);
  ofLayers(j, put);
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
      severity: 'note',
      about: 'nose',
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
      severity: 'caution',
      about: 'mouth',
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
      severity: 'caution',
      about: 'mouth',
      says: say`The mouth finds no way over the skin.`,
      why: say`It begins where the skin turns straight back; move the nose up or leave less under it.`,
      remedies: [],
    });
  }
}

function ofEyeSize({ face, plan }: Judging, put: Put): void {
  const { eyes } = plan;
  if (eyes.factor === null) {
    put({
      id: 'face-eye-life',
      severity: 'note',
      about: 'eyes',
      says: say`How wide the eye is in life is not known.`,
      why: say`Enter it, or pin the eye and the head on a photograph: then you see whether it is life-like, softened or cute.`,
      remedies: [],
    });
  } else if (eyes.style === 'cute' || eyes.style === 'smaller than life') {
    const life = eyes.lifeMm!;
    put({
      id: 'face-eye-style',
      severity: 'note',
      about: 'eyes',
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
  const spec = EYE_SPECS[face.eyes.kind];
  if (spec.made !== 'bought') return;
  const needed = eyes.places.length;
  const best = eyes.sizes.find((s) => s.enough);
  const take = (s: NonNullable<typeof best>): Remedy => ({
    label: say`Use ${s.eye.name}`,
    effect:
      s.factor === null ? say`${fine(s.eye.diameterMm)} across` : say`${fine(s.eye.diameterMm)}, ${styleOf(s.factor)}`,
    changes: [
      set(['eyes', 'stockId'], s.eye.id),
      set(['eyes', 'sizeMm'], s.eye.diameterMm),
      ...(s.eye.kind === 'stem' ? [set(['eyes', 'stem', 'thickMm'], s.eye.stemThickMm)] : []),
    ],
  });
  if (!eyes.stock) {
    put({
      id: 'face-eye-stock',
      severity: 'caution',
      about: 'eyes',
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
      severity: 'stop',
      about: 'eyes',
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
      severity: 'caution',
      about: 'eyes',
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
  // 16 CFR 1501.4: what fits the cylinder, 31.7 mm across and 25.4 to 57.1 mm deep, is a small part.
  if (face.eyes.sizeMm < 31.7) {
    put({
      id: 'face-small-part',
      severity: 'note',
      about: 'eyes',
      says: say`The eyes are small parts: a display piece, not a toy for a small child.`,
      why: say`Whatever fits a cylinder ${fine(31.7)} across can be swallowed if it comes off. Say so on the owner’s card; the toy rules where it is sold decide the rest.`,
      remedies: [],
    });
  }
}

function ofSetting({ face, plan }: Judging, put: Put): void {
  const { eyes } = plan;
  const { sizeMm, socketMm } = face.eyes;
  if (eyes.out) {
    if (eyes.outMm <= 0) {
      put({
        id: 'face-eye-sunk',
        severity: 'stop',
        about: 'eyes',
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
        severity: 'caution',
        about: 'eyes',
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
        severity: 'note',
        about: 'eyes',
        says: say`So deep in its socket the eye is seen ${fine(eyes.discMm)} wide.`,
        why: say`It is ${fine(sizeMm)} across; past its middle the rim hides it.`,
        remedies: [],
      });
    }
  }
  if (plan.oneSided || face.eyes.kind === 'closed') return;
  const seen = Math.min(...eyes.frontShare);
  const most = Math.max(...eyes.frontShare);
  const side = eyes.places[0]!.sideDeg;
  if (face.eyes.sees === 'forward' && seen < HUNTER_LEAST) {
    const turn = Math.min(60, Math.max(-60, Math.round((face.eyes.forwardDeg + Math.max(5, side - 50)) / 5) * 5));
    put({
      id: 'face-eye-front',
      severity: 'caution',
      about: 'eyes',
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
      severity: 'caution',
      about: 'eyes',
      says: say`From the front ${share(most)} of the eye is seen.`,
      why: say`A grazer’s eyes look sideways; so far forward it looks like a hunter. Move them back along the head.`,
      remedies: [],
    });
  }
  if (face.eyes.other && !plan.oneSided) {
    const l = plan.measured.find((m) => m.mark === 'eye-left');
    const r = plan.measured.find((m) => m.mark === 'eye-right');
    if (l && r) {
      const d = Math.hypot(l.inHead[0] + r.inHead[0], l.inHead[1] - r.inHead[1], l.inHead[2] - r.inHead[2]);
      if (d > plan.tolerance.value) {
        put({
          id: 'face-eyes-differ',
          severity: 'caution',
          about: 'eyes',
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
    }
  }
}

function ofStems({ face, plan }: Judging, put: Put): void {
  const { stems } = plan.eyes;
  if (!stems || stems.state.clear) return;
  const { state, clearing } = stems;
  const meets = state.gapMm !== null && state.gapMm < STEM_ROOM;
  const out = state.beyondMm < STEM_ROOM;
  const remedies: Remedy[] = clearing
    ? [
        {
          label: clearingWords(face.eyes.stem, clearing),
          effect: say`the smallest change that clears everything`,
          changes: [
            set(['eyes', 'stem', 'lengthMm'], clearing.lengthMm),
            set(['eyes', 'stem', 'inDeg'], clearing.inDeg),
            set(['eyes', 'stem', 'downDeg'], clearing.downDeg),
          ],
        },
      ]
    : [];
  put({
    id: meets ? 'face-stems-meet' : out ? 'face-stems-out' : 'face-stems-wire',
    severity: (meets && state.gapMm! < 0) || state.beyondMm < 0 || state.wireMm < 0 ? 'stop' : 'caution',
    about: 'eyes',
    says: meets
      ? state.gapMm! < 0
        ? say`The two stems meet inside the head.`
        : say`Only ${fine(state.gapMm!)} of wool is left between the stems.`
      : out
        ? state.beyondMm < 0
          ? say`The stems come out of the head again.`
          : say`Only ${fine(state.beyondMm)} of wool is left beyond the ends of the stems.`
        : state.wireMm < 0
          ? say`A stem runs into the wire.`
          : say`A stem passes the wire by only ${fine(state.wireMm)}.`,
    why: clearing
      ? say`At least ${fine(STEM_ROOM)} is wanted to each side.`
      : say`At least ${fine(STEM_ROOM)} is wanted, and no angle or shorter stem gives it here: sew beads on instead, or make wool eyes.`,
    remedies,
  });
}

function clearingWords(now: Face['eyes']['stem'], to: StemChoice): Text {
  const drill = say`rill ${degrees(to.inDeg)} in, ${degrees(to.downDeg)} down`;
  if (to.lengthMm === now.lengthMm) return say`D${drill}`;
  const turned = to.inDeg !== now.inDeg || to.downDeg !== now.downDeg;
  return turned ? say`Cut the stems to ${fine(to.lengthMm)} and d${drill}` : say`Cut the stems to ${fine(to.lengthMm)}`;
}

function ofLayers({ face, plan }: Judging, put: Put): void {
  const { kind } = face.eyes;
  if (kind !== 'layered' && kind !== 'disc' && kind !== 'rolled' && kind !== 'wound') return;
  const { ladder } = plan.eyes;
  for (const r of ladder.rungs.filter((x) => x.tooSmall)) {
    const least = Math.min(r.widthMm, r.id === 'rim' ? Infinity : r.highMm);
    put({
      id: `face-small-${r.id}`,
      severity: r.id === 'second' ? 'note' : 'caution',
      about: 'eyes',
      says: say`${r.name} is ${fine(least)}: too small to felt.`,
      why:
        r.id === 'rim'
          ? say`A ring thinner than ${fine(FINEST_LINE)} spreads under the needle.`
          : say`A dot under ${fine(SMALLEST_DOT)} vanishes into the eye. Make it larger, or touch it in with paint or thread.`,
      remedies:
        r.id === 'light'
          ? [
              {
                label: say`Make the light ${fine(SMALLEST_DOT)}`,
                effect: say`the smallest that stays`,
                changes: [set(['eyes', 'layers', 'lightMm'], SMALLEST_DOT)],
              },
            ]
          : r.id === 'second'
            ? [
                {
                  label: say`Leave the second light out`,
                  effect: say`one light`,
                  changes: [set(['eyes', 'layers', 'secondLight'], false)],
                },
              ]
            : r.id === 'rim'
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
      severity: 'caution',
      about: 'eyes',
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

function ofContrast({ face, plan, cupboard }: Judging, put: Put): void {
  const { eyes } = plan;
  if (eyes.contrast === null || !eyes.edgeHex || !eyes.around || eyes.contrast >= VANISHES) return;
  const rim = rimFor(eyes.edgeHex, eyes.around.hex, cupboard);
  put({
    id: 'face-eye-lost',
    severity: 'caution',
    about: 'eyes',
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

function ofFur({ piece, face, plan }: Judging, put: Put): void {
  for (const f of plan.eyes.fur.filter((x) => x.into > 0.02)) {
    const i = piece.areas.findIndex((a) => a.id === f.areaId);
    const area = piece.areas[i]!;
    put({
      id: `face-fur-${f.areaId}`,
      severity: 'caution',
      about: 'eyes',
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
    const q = a.awayFrom;
    if (
      !q ||
      (q.part === face.eyes.at.part &&
        Math.hypot(q.along - face.eyes.at.along, q.up - face.eyes.at.up, q.out - face.eyes.at.out) < 0.02)
    )
      return;
    put({
      id: `face-away-${a.id}`,
      severity: 'note',
      about: 'eyes',
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

function ofEars({ face, plan }: Judging, put: Put): void {
  const { ears } = plan;
  if (!ears || ears.near.length === 0) return;
  const names = ears.near.map((n) => n.name).join(', ');
  const after = face.ears.when === 'after the coat';
  put({
    id: 'face-ears-when',
    severity: 'note',
    about: 'ears',
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

function ofWhiskers({ face, plan, cupboard }: Judging, put: Put): void {
  plan.whiskers.forEach((w, i) => {
    const path = ['whiskers', i] as const;
    const bad = w.ways.filter((t) => !t.clear).length;
    if (bad > 0) {
      put({
        id: `face-whisker-way-${w.id}`,
        severity: 'caution',
        about: 'whiskers',
        says: say`${count(bad)} threads of ${w.name} run into an eye, a stem or the wire.`,
        why: say`Even moved by ${fine(3)} they do not pass. Root them further forward or lower.`,
        remedies: [],
      });
    }
    if (!w.thread) {
      const fits = [...cupboard.threads]
        .filter((t) => t.haveMm >= w.need.value)
        .sort((a, b) => a.thickMm - b.thickMm)[0];
      put({
        id: `face-whisker-thread-${w.id}`,
        severity: 'note',
        about: 'whiskers',
        says: say`No thread is chosen for ${w.name}.`,
        why: say`${rowMm(w.need.value)} are needed, ends cut off included.`,
        remedies: fits
          ? [
              {
                label: say`Use ${fits.name}`,
                effect: say`${rowMm(fits.haveMm)} at hand`,
                changes: [set([...path, 'threadId'], fits.id)],
              },
            ]
          : [],
      });
      return;
    }
    if (w.need.value > w.thread.haveMm) {
      put({
        id: `face-whisker-short-${w.id}`,
        severity: 'stop',
        about: 'whiskers',
        says: say`Not enough ${w.thread.name}: ${rowMm(w.need.value)} needed, ${rowMm(w.thread.haveMm)} at hand.`,
        why: say`Fewer or shorter whiskers, or another thread.`,
        remedies: cupboard.threads
          .filter((t) => t.id !== w.thread!.id && t.haveMm >= w.need.value)
          .slice(0, 2)
          .map((t) => ({
            label: say`Use ${t.name}`,
            effect: say`${rowMm(t.haveMm)} at hand`,
            changes: [set([...path, 'threadId'], t.id)],
          })),
      });
    }
    if (w.thickness !== null && (w.thickness > THREAD_OFF || w.thickness < 1 / THREAD_OFF)) {
      const ideal = w.thread.thickMm / w.thickness;
      const better = cupboard.threads
        .filter((t) => t.haveMm >= w.need.value)
        .sort((a, b) => Math.abs(Math.log(a.thickMm / ideal)) - Math.abs(Math.log(b.thickMm / ideal)))[0];
      put({
        id: `face-whisker-gauge-${w.id}`,
        severity: 'note',
        about: 'whiskers',
        says: say`${w.thread.name} is ${w.thickness > 1 ? 'thicker' : 'thinner'} than a whisker at this scale, ${count(Math.round(10 * (w.thickness > 1 ? w.thickness : 1 / w.thickness)) / 10)} times.`,
        why: say`A whisker in life scaled down is a hair; the thinnest thread that stands is the nearest.`,
        remedies:
          better && better.id !== w.thread.id
            ? [
                {
                  label: say`Use ${better.name}`,
                  effect: say`nearest in thickness`,
                  changes: [set([...path, 'threadId'], better.id)],
                },
              ]
            : [],
      });
    }
    const passes = face.whiskers[i]!.passes;
    if (face.whiskers[i]!.glue === 'none' && passes < 3) {
      put({
        id: `face-whisker-passes-${w.id}`,
        severity: 'caution',
        about: 'whiskers',
        says: say`${w.name} pull out with ${count(passes)} passes and no glue.`,
        why: say`Three to five passes at different angles hold a thread.`,
        remedies: [
          { label: say`Make it 4 passes`, effect: say`holds without glue`, changes: [set([...path, 'passes'], 4)] },
        ],
      });
    }
  });
}

function ofLevel({ plan }: Judging, put: Put): void {
  const last = plan.levels[plan.levels.length - 1];
  if (!last) return;
  const off = last.pairs.filter((p) => p.move !== null);
  if (off.length === 0) return;
  put({
    id: `face-level-${last.id}`,
    severity: 'caution',
    about: null,
    says: say`The last measure is not level: ${off.map((p) => p.move!).reduce((a, b) => say`${a}; ${b}`)}.`,
    why: say`More than ${fine(last.tolerance.value)} between the sides is seen.`,
    remedies: [],
  });
}
