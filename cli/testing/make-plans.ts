/**
 * Works out the plans that many tests look at, before the tests: of every demo as it is, and on a coarser grid. Those of the
 * demos are also written down with what they were made from, as the browser tests put them into a browser's store.
 */
import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../demo/load';
import { packed } from './packed';
import { memoOf, NINETIETH, planned } from './planned';
import { defaultHand } from '../../src/core/piece/hand';
import { makePlan } from '../../src/core/plan';
import { inputsOf } from '../../src/desk/kept-plans';
import { PLANS, plansDir } from './plans-dir.mjs';

const dir = plansDir();
mkdirSync(dir, { recursive: true });
for (const old of readdirSync(PLANS)) if (old !== basename(dir)) rmSync(join(PLANS, old), { recursive: true });

for (const piece of [pineMarten, alpacaCria, kingfisher, brownHare]) {
  const file = join(dir, `${piece.id}.packed`);
  if (existsSync(file)) continue;
  const plan = planned(piece);
  const inputs = inputsOf(piece, cupboard, defaultHand);
  // Nothing is remembered of a plan that was read from its file.
  const memo = memoOf(piece, {});
  if (memo.made.size === 0) makePlan(piece, cupboard, defaultHand, memo);
  writeFileSync(`${file}.part`, packed({ piece, cupboard, hand: defaultHand, plan, inputs, memory: memo.lasting() }));
  renameSync(`${file}.part`, file);
}
for (const piece of [pineMarten, alpacaCria, kingfisher]) planned(piece, cupboard, defaultHand, NINETIETH);
process.stdout.write(`Plans of the demos: ${dir}\n`);
