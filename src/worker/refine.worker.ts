/**
 * The worker that makes the picture on the turntable better while it rests: first with few fibres, then with all of them. It keeps the plan it
 * draws, leaves off within a step when it is told to, and makes what is rough of all pictures before what is fine of any.
 */
import * as Comlink from 'comlink';
import { cutOut } from '@/core/picture/cut-out';
import { exposure, type Drawn, type ExposureOptions, type Prepared } from '@/core/picture/exposure';
import type { Lens } from '@/core/picture/lens';
import { LIKENESS_FIBRES, refiningFibres } from '@/core/picture/viewpoints';

export interface Refined {
  readonly picture: ImageBitmap;
  /** The finished picture; one with fewer fibres before. */
  readonly finished: boolean;
}

/** Light, how far it is trimmed, and the row pointed out. */
export type HowSeen = Pick<ExposureOptions, 'lighting' | 'trimStep' | 'lit'>;

interface Job {
  readonly id: number;
  readonly how: HowSeen;
  readonly lens: Lens;
  readonly show: (made: Refined) => void | Promise<void>;
  readonly passes: readonly number[];
  pass: number;
  /** It can wait until everything else is finished. */
  readonly after: boolean;
}

let drawn: Drawn | null = null;
let kept: Prepared | null = null;
let jobs: Job[] = [];
let working = false;

/** Whoever is told of a job is let go. */
const release = ({ show }: Job): void => (show as Partial<Comlink.ProxyMethods>)[Comlink.releaseProxy]?.();

function keepOnly(stays: (j: Job) => boolean): void {
  const gone = jobs.filter((j) => !stays(j));
  jobs = jobs.filter(stays);
  gone.forEach(release);
}

/** Lets what was sent meanwhile be heard. */
const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));

async function pictureOf(job: Job, of: Drawn): Promise<ImageBitmap | null> {
  const steps = exposure(of, job.lens, { ...job.how, fibres: job.passes[job.pass]! }, kept, (p) => (kept = p));
  for (;;) {
    const step = steps.next();
    if (step.done) {
      const { width, height } = job.lens;
      return createImageBitmap(new ImageData(cutOut(step.value) as Uint8ClampedArray<ArrayBuffer>, width, height));
    }
    await breath();
    if (!jobs.includes(job) || drawn !== of) return null;
  }
}

const turnOf = (j: Job): number => (j.after ? Infinity : j.pass);

async function work(): Promise<void> {
  if (working) return;
  working = true;
  try {
    while (jobs.length > 0 && drawn) {
      const job = jobs.reduce((a, b) => (turnOf(b) < turnOf(a) ? b : a));
      const picture = await pictureOf(job, drawn);
      if (!picture) continue;
      if (!jobs.includes(job)) {
        picture.close();
        continue;
      }
      const finished = ++job.pass === job.passes.length;
      if (finished) jobs = jobs.filter((j) => j !== job);
      // Nothing waits for it to be shown: whoever asked may be gone by then.
      const told = Promise.resolve(job.show(Comlink.transfer({ picture, finished }, [picture])));
      if (finished) void told.then(() => release(job));
    }
  } finally {
    working = false;
  }
}

const api = {
  /** What is drawn from here on; what was asked of another is let go. */
  take(piece: Drawn['piece'], plan: Drawn['plan'], cupboard: Drawn['cupboard']): void {
    drawn = { piece, plan, cupboard };
    kept = null;
    keepOnly(() => false);
  },
  refine(id: number, lens: Lens, how: HowSeen, after: boolean, show: Job['show']): void {
    const passes = after ? [LIKENESS_FIBRES] : refiningFibres(lens.width, lens.height);
    jobs.push({ id, lens, how, after, show, passes, pass: 0 });
    void work();
  },
  stop(id: number): void {
    keepOnly((j) => j.id !== id);
  },
};
export type RefineWorker = typeof api;
Comlink.expose(api);
