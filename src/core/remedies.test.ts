/**
 * Every remedy of every finding does what it says: pressed, it clears its finding or makes it weigh less, and brings no stop that was not
 * there. Held over the demos and over pieces changed at random. A property of the product itself.
 */
import { produce } from 'immer';
import { describe, expect, it } from 'vitest';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../demo/load';
import { partLength, unitMm } from './form/shape';
import { measureOf } from './known-findings';
import { Memo } from './memo';
import { defaultHand as hand } from './piece/hand';
import { readCupboard, readPiece } from './piece/read';
import type { Piece } from './piece/schema';
import { makePlan, type Plan } from './plan';
import { remedied } from './remedied';
import { RANK, type Finding } from './stage';

const ROUGH = { edgeShare: 1 / 45 };
/** Whether a finding is gone or weighs less. */
function eased(f: Finding, now: Plan): boolean {
  const is = now.findings.find((x) => x.id === f.id);
  if (!is) return true;
  if (RANK[is.severity] > RANK[f.severity]) return true;
  const [was, left] = [measureOf(f), measureOf(is)];
  if (was !== null && left !== null) return was !== left;
  // What is said in words alone is weaker when the words are.
  const figures = (x: Finding) => x.says.some((t) => typeof t !== 'string');
  return !figures(f) && JSON.stringify(is.says) !== JSON.stringify(f.says);
}

/** What a remedy may bring that its stage cannot know of, and why: it is found at once when it is planned, with a remedy of its own. */
const AFTERWARDS: Readonly<Record<string, string>> = {
  'needle-shut': 'longer fur leaves less core, and no needle may reach its middle any more',
  'form-falls':
    'more core in one part moves the weight; whether it still stands is known when it is settled on its feet',
};

/** Found before as less, and more now by no more than a grid as rough as this one can tell: it has come over the line that makes a stop of it. */
const TOLD = 0.1;
function crossed(was: Plan, s: Finding): boolean {
  const before = was.findings.find((f) => f.id === s.id);
  const [a, b] = [before ? measureOf(before) : null, measureOf(s)];
  return a !== null && b !== null && Math.abs(a - b) < TOLD;
}

/** Parts shorter than so many edges of this rough grid have a handful of corners: what share of them is swallowed it cannot tell. */
const EDGES = 5;
function tooSmall({ form }: Piece, s: Finding): boolean {
  const part = s.code === 'form-swallowed' && form.parts.find((p) => p.id === s.about?.id);
  return !!part && partLength(part) * unitMm(form) < EDGES * ROUGH.edgeShare * form.finishedLengthMm;
}

type Of = 'mass' | 'time' | 'share';
/** A change a remedy states: more or less of something, "about the same" as none. */
function stated(text: readonly unknown[], kind: Of): number | null {
  const i = text.findIndex((t) => typeof t === 'object' && (t as { kind: string }).kind === kind);
  if (i < 0) return text.some((t) => typeof t === 'string' && /about the same|no more/.test(t)) ? 0 : null;
  const { value } = text[i] as { value: number };
  return /−$/.test(String(text[i - 1] ?? '')) ? -value : value;
}

/** What a remedy of an area says it does to wool, time and cover, where what came is another thing than could be read off it. */
function otherwise(f: Finding, was: Plan, now: Plan, effect: Finding['says']): string[] {
  const of = (p: Plan) => p.coat.areas.find((a) => a.id === f.about?.id)?.fur;
  const [a, b] = [of(was), of(now)];
  if (f.about?.kind !== 'area' || !a || !b || !effect.some((t) => typeof t === 'string' && t.includes('base hidden')))
    return [];
  const out: string[] = [];
  const mass = (x: NonNullable<typeof a>) => x.draws.reduce((s, d) => s + (d.for === 'coat' ? d.massG : 0), 0);
  const compare = (what: string, says: number | null, came: number, off: number) => {
    if (says !== null && Math.abs(says - came) > off)
      out.push(`${what}: says ${says.toFixed(3)}, came ${came.toFixed(3)}`);
  };
  // Said before rows are laid out anew: by the square cm, to a tenth of what is laid, and to a row, for rows are whole.
  const about = 0.1 + 1 / Math.max(1, a.rows.rows.length);
  compare('wool', stated(effect, 'mass'), mass(b) - mass(a), 0.05 + about * Math.max(mass(a), mass(b)));
  compare(
    'time',
    stated(effect, 'time'),
    b.figures.minutes.value - a.figures.minutes.value,
    5 + about * Math.max(a.figures.minutes.value, b.figures.minutes.value),
  );
  compare('cover', stated(effect, 'share'), b.figures.cover.value, 0.01);
  return out;
}

describe('remedies', () => {
  for (const [name, piece] of [
    ['kingfisher', kingfisher],
    ['marten', pineMarten],
    ['hare', brownHare],
    ['cria', alpacaCria],
  ] as const) {
    it(`of ${name}`, () => {
      const memo = new Memo();
      const plan = (p: Piece) => makePlan(p, cupboard, hand, memo, ROUGH);
      const wrong: string[] = [];
      let pressed = 0;
      /** What was pressed on the piece as it is, or on another changed one, is not pressed again: only its figures differ. */
      const known = new Set<string>();
      const look = (p: Piece, what: string) => {
        const was = plan(p);
        const stops = new Set(was.findings.filter((f) => f.severity === 'stop').map((f) => f.id));
        for (const f of was.findings)
          for (const r of f.remedies) {
            const kind = `${f.id}: ${JSON.stringify(r.label.filter((t) => typeof t === 'string'))}`;
            if (known.has(kind)) continue;
            known.add(kind);
            pressed++;
            const next = remedied({ piece: p, cupboard }, r);
            const read = [readPiece(next.piece), readCupboard(next.cupboard)].find((x) => !x.ok);
            const label = `${what}: ${f.code} ${JSON.stringify(f.about)}: ${r.label.map((x) => (typeof x === 'string' ? x : x.value)).join('')}`;
            if (read && !read.ok) {
              wrong.push(`${label}: not valid: ${read.problems[0]!.says}`);
              continue;
            }
            const now = makePlan(next.piece, next.cupboard, hand, memo, ROUGH);
            if (!eased(f, now)) wrong.push(`${label}: still there`);
            for (const x of otherwise(f, was, now, r.effect)) wrong.push(`${label}: ${x}`);
            for (const s of now.findings)
              if (
                s.severity === 'stop' &&
                !stops.has(s.id) &&
                !(s.code in AFTERWARDS) &&
                !crossed(was, s) &&
                !tooSmall(p, s)
              )
                wrong.push(`${label}: brings ${s.code}`);
          }
      };
      look(piece, 'as it is');
      look(
        produce(piece, (d) => d.areas.forEach((a) => 'spacingMm' in a.coat && (a.coat.spacingMm *= 1.8))),
        'rows far apart',
      );
      look(
        produce(piece, (d) => d.areas.forEach((a) => 'layMgCm' in a.coat && (a.coat.layMgCm *= 3))),
        'laid thick',
      );
      look(
        produce(piece, (d) =>
          d.areas.forEach((a) => 'lengthMm' in a.coat && (a.coat.lengthMm = Math.min(120, a.coat.lengthMm * 2.2))),
        ),
        'long fur',
      );
      look(
        produce(piece, (d) => void (d.form.finishedLengthMm *= 2)),
        'twice as large',
      );
      expect(pressed).toBeGreaterThan(5);
      expect([...new Set(wrong)]).toEqual([]);
    }, 600_000);
  }
});
