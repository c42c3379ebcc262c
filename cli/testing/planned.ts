/**
 * Finished plans shared by all tests: worked out once, kept in a file named by what they were made from, read by every test
 * that looks at a plan and not at planning. Tests of planning call `makePlan` themselves.
 */
import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { deserialize, serialize } from 'node:v8';
import { plansDir } from './plans-dir.mjs';
import { Memo } from '../../src/core/memo';
import type { Cupboard } from '../../src/core/piece/cupboard';
import { defaultHand, type Hand } from '../../src/core/piece/hand';
import type { Piece } from '../../src/core/piece/schema';
import { makePlan, type Plan, type PlanOptions } from '../../src/core/plan';
import { planOptions } from '../../src/desk/settings';
import { alpacaCria, brownHare, cupboard as demoCupboard, kingfisher, pineMarten } from '../../demo/load';

/** Fine enough for most of what is tested; the browser tests see the same. */
export const COARSELY: PlanOptions = planOptions({ shape: 'coarse' });

const dir = plansDir();
const read = new Map<string, Plan>();
const memos = new Map<string, Memo>();
const DEMOS = new Set([pineMarten, alpacaCria, kingfisher, brownHare]);

/** Puts a file in place whole: who reads it meanwhile sees none or all of it. */
export function putWhole(file: string, value: unknown): void {
  mkdirSync(join(file, '..'), { recursive: true });
  const part = `${file}.${process.pid}`;
  writeFileSync(part, serialize(value));
  renameSync(part, file);
}

/** @returns what a file holds, or undefined where there is none */
export function whole(file: string): unknown {
  try {
    return deserialize(readFileSync(file));
  } catch (e) {
    if ((e as NodeJS.ErrnoException).code === 'ENOENT') return undefined;
    throw e;
  }
}

/** What was remembered of planning this animal on this grid by any test of this shard. */
export function memoOf(piece: Piece, options: PlanOptions): Memo {
  const key = `${piece.id}@${options.edgeShare ?? ''}`;
  const held = memos.get(key) ?? new Memo();
  memos.set(key, held);
  return held;
}

/**
 * The plan of a piece: of a demo as it is from its file, of any other with what is remembered of the same animal (a test of its
 * own holds the two equal). It is shared: nobody changes it.
 */
export function planned(
  piece: Piece,
  cupboard: Cupboard = demoCupboard,
  hand: Hand = defaultHand,
  options: PlanOptions = planOptions({ shape: 'fine' }),
): Plan {
  const make = () => makePlan(piece, cupboard, hand, memoOf(piece, options), options);
  if (!DEMOS.has(piece) || cupboard !== demoCupboard || hand !== defaultHand) return make();
  const key = createHash('sha256')
    .update(JSON.stringify([piece, cupboard, hand, options]))
    .digest('hex')
    .slice(0, 24);
  const held = read.get(key);
  if (held) return held;
  const file = join(dir, `${key}.bin`);
  let plan = whole(file) as Plan | undefined;
  if (!plan) {
    plan = make();
    putWhole(file, plan);
  }
  read.set(key, plan);
  return plan;
}
