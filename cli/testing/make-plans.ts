/**
 * Works out the plans that many tests look at, before the tests: of every demo as it is, and on a coarser grid. Those of the
 * demos are also written down with what they were made from, as the browser tests put them into a browser's store.
 */
import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../demo/load';
import { packed, packedName } from './packed';
import { memoOf, planned } from './planned';
import { defaultHand } from '../../src/core/piece/hand';
import { makePlan } from '../../src/core/plan';
import { inputsOf } from '../../src/desk/kept-plans';
import { planOptions } from '../../src/desk/settings';
import { PLANS, plansDir } from './plans-dir.mjs';

const dir = plansDir();
mkdirSync(dir, { recursive: true });
for (const old of readdirSync(PLANS)) if (old !== basename(dir)) rmSync(join(PLANS, old), { recursive: true });

// Most browser tests look at an animal worked out coarsely; those of the whole picture, of the order and of paper at the marten in full.
const asked = [
  ...[pineMarten, alpacaCria, kingfisher, brownHare].map((piece) => ({ piece, shape: 'coarse' as const })),
  { piece: pineMarten, shape: 'fine' as const },
];
for (const { piece, shape } of asked) {
  const file = join(dir, packedName(piece.id, shape));
  if (existsSync(file)) continue;
  const options = planOptions({ shape });
  const inputs = inputsOf(piece, cupboard, defaultHand, options);
  const plan = planned(piece, cupboard, defaultHand, options);
  // Nothing is remembered of a plan that was read from its file.
  const memo = memoOf(piece, options);
  if (memo.made.size === 0) makePlan(piece, cupboard, defaultHand, memo, options);
  writeFileSync(`${file}.part`, packed({ piece, cupboard, hand: defaultHand, plan, inputs, memory: memo.lasting() }));
  renameSync(`${file}.part`, file);
}
process.stdout.write(`Plans of the demos: ${dir}\n`);
