/**
 * Files that are damaged, made up or meant to harm: whatever is opened is read or refused in words a maker can act on; what is
 * read can be planned, in a time that makes nobody think it hangs, and no figure of it is none. Properties of the product itself.
 */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../demo/load';
import { repair, ScanError } from '@/core/geometry/repair';
import { Memo } from '@/core/memo';
import { defaultHand } from '@/core/piece/hand';
import { parsePiece, readCupboard, readHand, type Read } from '@/core/piece/read';
import { makePlan } from '@/core/plan';
import { shared } from '@/core/share';
import { readScan } from '@/worker/scan-file';
import { noNumbers } from '../testing/no-numbers';
import { cases, LONG, told } from './counts';
import { bytesLike, texts } from './mutate';

/** As coarse as an animal can be and still have all its parts. */
const ROUGH = { edgeShare: 1 / 30 };
/** Words of machines, and names of their parts, that no maker should have to read. */
const NOT_A_MAKERS = /discriminator|invalid_|undefined|\bNaN\b|\[object|TypeError|Expected|ZodError|regex|\bstack\b/;

const inWords = (read: Read<unknown>): void => {
  if (read.ok) return;
  expect(read.problems.length).toBeGreaterThan(0);
  for (const { where, says } of read.problems) {
    expect(says.length, says.slice(0, 400)).toBeLessThanOrEqual(301);
    expect(where.length, where.slice(0, 400)).toBeLessThanOrEqual(301);
    // What stands in quotes is the file's own.
    expect(says.replace(/“[^”]*”/g, '')).not.toMatch(NOT_A_MAKERS);
  }
};
const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
};

const DEMOS = { marten: pineMarten, cria: alpacaCria, kingfisher, hare: brownHare };
const counts: Record<string, number> = {};
const count = (what: string): void => void (counts[what] = (counts[what] ?? 0) + 1);

/** What it takes of the processor to do something, s: what runs beside the tests does not lengthen it by much. */
const worked = (does: () => void): number => {
  const begun = process.cpuUsage();
  does();
  const { user, system } = process.cpuUsage(begun);
  return (user + system) / 1e6;
};
/** Times the plan of its demo from which on a plan hangs. */
const HANGS = 5;

/** Plans one document after another as the worker does; in a long run beside the demo it was made from, by the clock. */
function planner(demo: (typeof DEMOS)[keyof typeof DEMOS]) {
  const memo = new Memo();
  const itself = { piece: demo, cupboard, hand: defaultHand };
  let came = itself;
  const alone = (of: typeof itself): number =>
    worked(() => makePlan(of.piece, of.cupboard, of.hand, new Memo(), ROUGH));
  const whole = worked(() => makePlan(demo, cupboard, defaultHand, memo, ROUGH));
  return (change: Partial<typeof came>): void => {
    came = shared(came, structuredClone({ ...itself, ...change }));
    let plan: unknown;
    const took = worked(() => {
      plan = makePlan(came.piece, came.cupboard, came.hand, memo, ROUGH);
    });
    expect(noNumbers(plan)).toEqual([]);
    if (!LONG) return;
    let times = took / whole;
    // A machine that held its breath once is no plan that hangs: that one hangs again, beside its demo.
    for (let again = 0; times >= HANGS && again < 2; again++) times = Math.min(times, alone(came) / alone(itself));
    const name = 'longest plan, times that of its demo';
    counts[name] = Math.max(counts[name] ?? 0, times);
    expect(times, 'times the plan of its demo').toBeLessThan(HANGS);
  };
}

describe('files that are damaged or meant to harm', { timeout: LONG ? 3_600_000 : 180_000 }, () => {
  it.each(Object.entries(DEMOS))('are a piece that can be planned, or refused in words (%s)', (_, demo) => {
    const plan = planner(demo);
    fc.assert(
      fc.property(texts(demo), (text) => {
        const read = parsePiece(text);
        inWords(read);
        count(read.ok ? 'pieces read and planned' : 'pieces refused');
        if (read.ok) plan({ piece: read.value });
      }),
      { numRuns: cases(150) },
    );
  });

  it('are a cupboard or rates that can be planned with, or refused in words', () => {
    const plan = planner(kingfisher);
    const either = fc.oneof(
      texts(cupboard).map((text) => ({ name: 'cupboard' as const, text })),
      texts(defaultHand).map((text) => ({ name: 'hand' as const, text })),
    );
    fc.assert(
      fc.property(either, ({ name, text }) => {
        const read = name === 'cupboard' ? readCupboard(parsed(text)) : readHand(parsed(text));
        inWords(read);
        count(read.ok ? `${name} read and planned with` : `${name} refused`);
        if (read.ok) plan({ [name]: read.value });
      }),
      { numRuns: cases(200) },
    );
  });

  it('are a scan made sound, or refused in words', async () => {
    const corners = [
      [0, 0, 0],
      [90, 0, 0],
      [0, 70, 0],
      [0, 0, 60],
    ];
    const faces = [
      [0, 2, 1],
      [0, 1, 3],
      [0, 3, 2],
      [1, 2, 3],
    ];
    const obj = [
      ...corners.map((c) => `v ${c.join(' ')}`),
      ...faces.map((f) => `f ${f.map((i) => i + 1).join(' ')}`),
    ].join('\n');
    const ply = [
      'ply', 'format ascii 1.0', 'element vertex 4', 'property float x', 'property float y', 'property float z',
      'element face 4', 'property list uchar int vertex_indices', 'end_header',
      ...corners.map((c) => c.join(' ')), ...faces.map((f) => `3 ${f.join(' ')}`),
    ].join('\n'); // prettier-ignore
    const stl = new Uint8Array(84 + 50 * faces.length);
    const view = new DataView(stl.buffer);
    view.setUint32(80, faces.length, true);
    faces.forEach((f, t) =>
      f.forEach((c, k) => corners[c]!.forEach((x, d) => view.setFloat32(84 + 50 * t + 12 + 12 * k + 4 * d, x, true))),
    );
    const sound = {
      'scan.obj': new TextEncoder().encode(obj),
      'scan.ply': new TextEncoder().encode(ply),
      'scan.stl': stl,
    };
    for (const [name, bytes] of Object.entries(sound)) {
      await fc.assert(
        fc.asyncProperty(bytesLike(bytes), async (harmed) => {
          try {
            const soup = await readScan(harmed, name);
            const steps = repair(soup);
            let s = steps.next();
            while (!s.done) s = steps.next();
            expect(s.value.mesh.positions.every(Number.isFinite)).toBe(true);
            count('scans made sound');
          } catch (e) {
            if (!(e instanceof ScanError)) throw e;
            expect(e.message).not.toMatch(NOT_A_MAKERS);
            count('scans refused');
          }
        }),
        { numRuns: cases(70) },
      );
    }
  });

  it('leave nothing of theirs behind', () => {
    expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
    told('mutations', counts);
  });
});
