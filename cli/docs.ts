/**
 * Writes what the documents take from the code: the JSON Schema of the piece file and the list of methods.
 * Run with `npm run docs`.
 */
import { writeFileSync } from 'node:fs';
import { z } from 'zod';
import { methods } from '../src/core';
import { DOUBTS } from '../src/core/method/doubt';
import { doubtsIn } from '../src/core/method/span';
import { HELD } from './held';
import { pieceSchema } from '../src/core/piece/schema';
import type { QuantityKind } from '../src/core/text';

const docs = `${import.meta.dirname}/../docs`;

const schema = { title: 'Fond Badger piece', ...z.toJSONSchema(pieceSchema, { target: 'draft-2020-12' }) };
writeFileSync(`${docs}/piece.schema.json`, `${JSON.stringify(schema, null, 2)}\n`);

const UNIT: Partial<Record<QuantityKind, string>> = {
  length: 'mm',
  rowLength: 'mm',
  area: 'mm²',
  mass: 'g',
  areal: 'mg/cm²',
  linear: 'mg/cm',
  fineness: 'micron',
  time: 'min',
  share: 'share, 1 is all',
  angle: 'degrees',
  density: 'mg/cm³',
  rate: 'per min',
  perCm: 'per cm',
  price: 'per 100 g',
};

const sections = methods.map((m) => {
  const letters = [...Object.values<(typeof m.inputs)[string]>(m.inputs), m.result];
  const rows = letters.map((l) => `| \`${l.letter.replaceAll('|', '\\|')}\` | ${l.meaning} | ${UNIT[l.kind] ?? ''} |`);
  return [
    `## ${m.title}`,
    '',
    `    ${m.formula}`,
    '',
    '| letter | meaning | unit |',
    '| --- | --- | --- |',
    ...rows,
    '',
    `Basis: ${m.basis}. ${m.source}`,
    '',
  ].join('\n');
});
/** What every formula is held against. */
const heldRows = methods.map((m) => {
  const h = HELD[m.id]!;
  const by = h === 'open' ? 'nothing outside is known; the maker’s own corrects it' : `${h.against} (\`${h.test[0]}\`)`;
  const unsure = doubtsIn(m).map((d) => `${DOUBTS[d].of} (${Math.round(100 * DOUBTS[d].first)} %)`);
  return `| ${m.title} | ${m.basis} | ${by} | ${unsure.join('; ')} |`;
});

writeFileSync(
  `${docs}/method.md`,
  [
    '# How the figures are worked out',
    '',
    'Every formula of the plan, once, as the code has it; made by `npm run docs`. The last letter of each table is the result.',
    '',
    '## What each is held against',
    '',
    '| formula | basis | held against | not known for sure, before you have measured |',
    '| --- | --- | --- | --- |',
    ...heldRows,
    '',
    sections.join('\n'),
  ].join('\n'),
);
