/** Draws the small picture each demo is known by on the shelf, as the app draws it of any piece. Run with `npm run likenesses`. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten, pineMartenBegun } from '../demo/load';
import { cutOut } from '../src/core/picture/cut-out';
import { exposure } from '../src/core/picture/exposure';
import { LIKENESS_FIBRES, likenessLens } from '../src/core/picture/viewpoints';
import { defaultHand } from '../src/core/piece/hand';
import { pngOfCut } from '../src/sheets/png';
import { LIKENESSES, lookOf } from './likeness-marks';
import { planned } from './testing/planned';

mkdirSync(LIKENESSES, { recursive: true });
const marks: Record<string, string> = {};
for (const piece of [pineMarten, alpacaCria, kingfisher, brownHare, pineMartenBegun]) {
  const plan = planned({ ...piece, log: [] }, cupboard, defaultHand);
  const lens = likenessLens(piece, plan);
  const steps = exposure({ piece, plan, cupboard }, lens, {
    lighting: 'window',
    fibres: LIKENESS_FIBRES,
  });
  let step = steps.next();
  while (!step.done) step = steps.next();
  writeFileSync(join(LIKENESSES, `${piece.id}.png`), pngOfCut(lens.width, lens.height, cutOut(step.value)));
  marks[piece.id] = lookOf(piece);
  process.stdout.write(`${piece.name}\n`);
}
writeFileSync(join(LIKENESSES, 'made-from.json'), `${JSON.stringify(marks, null, 2)}\n`);
