/** Judgement of the whiskers: what their threads run into, whether there is enough thread, its thickness, what holds them. */
import { ref } from '@/core/ref';
import { count, fine, mm, rowMm, say, share } from '@/core/text';
import { set, type Judging, type Put } from '@/core/face/judging';

/** Thread so many times too thick or thin is seen. Ours. */
const THREAD_OFF = 2.5;
/** Whiskers against the length of the head: what is usual, and what is seen to be too long. Ours. */
const USUAL = 0.6;
const LONGEST = 1.1;

export function ofWhiskers({ face, plan, cupboard }: Judging, put: Put): void {
  plan.whiskers.forEach((w, i) => {
    const path = ['whiskers', i] as const;
    const bad = w.ways.filter((t) => !t.clear).length;
    if (bad > 0) {
      put({
        id: `face-whisker-way-${w.id}`,
        code: 'face-whisker-way',
        severity: 'caution',
        about: ref('whiskers', w.id),
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
        code: 'face-whisker-thread',
        severity: 'note',
        about: ref('whiskers', w.id),
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
        code: 'face-whisker-short',
        severity: 'stop',
        about: ref('whiskers', w.id),
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
        code: 'face-whisker-gauge',
        severity: 'note',
        about: ref('whiskers', w.id),
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
    tooLong(plan, w, path, put);
    const passes = face.whiskers[i]!.passes;
    if (face.whiskers[i]!.glue === 'none' && passes < 3) {
      put({
        id: `face-whisker-passes-${w.id}`,
        code: 'face-whisker-passes',
        severity: 'caution',
        about: ref('whiskers', w.id),
        says: say`${w.name} pull out with ${count(passes)} passes and no glue.`,
        why: say`Three to five passes at different angles hold a thread.`,
        remedies: [
          { label: say`Make it 4 passes`, effect: say`holds without glue`, changes: [set([...path, 'passes'], 4)] },
        ],
      });
    }
  });
}

/** Whiskers that show more than a head of that length bears. */
function tooLong(
  plan: Judging['plan'],
  w: Judging['plan']['whiskers'][number],
  path: readonly ['whiskers', number],
  put: Put,
): void {
  const most = LONGEST * plan.headLengthMm;
  if (w.shows.mostMm > most) {
    const usual = Math.max(3, Math.round(2 * USUAL * plan.headLengthMm) / 2);
    put({
      id: `face-whisker-long-${w.id}`,
      code: 'face-whisker-long',
      severity: 'caution',
      about: ref('whiskers', w.id),
      says: say`${w.name} are long for this head: ${mm(w.shows.mostMm)} show, the head is ${mm(plan.headLengthMm)} long.`,
      why: say`Most whiskers are about ${share(USUAL)} as long as the head. Measure them on the photograph.`,
      remedies: [
        {
          label: say`Let ${mm(usual)} show`,
          effect: say`${share(USUAL)} of the head`,
          changes: [set([...path, 'longestMm'], usual)],
        },
      ],
    });
  }
}
