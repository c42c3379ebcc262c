/** What a change was, in the words of the fields it changed. */
import { produce, type Draft } from 'immer';
import { describe, expect, it } from 'vitest';
import { cupboard, pineMarten } from '../../demo/load';
import { defaultHand } from '@/core/piece/hand';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import { changeWords } from './change-words';
import { plainEntry } from '../../demo/plain-entry';
import type { LogEntry } from '@/core/piece/log-entry';

const ofPiece = (recipe: (d: Draft<Piece>) => void) =>
  changeWords({ piece: { before: pineMarten, after: produce(pineMarten, recipe) } });
const ofCupboard = (recipe: (d: Draft<Cupboard>) => void) =>
  changeWords({ cupboard: { before: cupboard, after: produce(cupboard, recipe) } });
const bib = (d: Draft<Piece>) => d.areas.find((a) => a.id === 'bib')!;

describe('what a change was', () => {
  it('takes the label of the field and the name of the thing it is of', () => {
    expect(ofPiece((d) => void ((bib(d).coat as { lengthMm: number }).lengthMm += 2))).toBe('length of Throat bib');
    expect(ofPiece((d) => void (d.form.finishedLengthMm += 5))).toBe('finished length');
    expect(ofPiece((d) => void (d.frame.turnedMm += 5))).toBe('turned over at each end');
    expect(ofCupboard((d) => void (d.lots[0]!.haveG += 5))).toBe(`at hand of ${cupboard.lots[0]!.name}`);
  });

  it('names what is new, what is gone, and another order', () => {
    expect(ofPiece((d) => void d.areas.push({ ...bib(d), id: 'new', name: 'Blaze' }))).toBe('new area Blaze');
    expect(ofPiece((d) => void (d.areas = d.areas.filter((a) => a.id !== 'bib')))).toBe('Throat bib taken out');
    expect(ofPiece((d) => void d.areas.reverse())).toBe('the order of the areas');
    expect(
      ofPiece(
        (d) => void d.log.push(plainEntry({ kind: 'row', row: 1, up: null, minutes: 3, made: {} }) as Draft<LogEntry>),
      ),
    ).toBe('a row laid');
  });

  it('says another name as such, not twice', () => {
    expect(ofPiece((d) => void (d.name = 'Marten of March'))).toBe('name of the piece');
  });

  it('names two, and of more the first and how many', () => {
    expect(
      ofPiece((d) => {
        d.frame.turnedMm += 1;
        d.frame.head = !d.frame.head;
      }),
    ).toBe('into the head and turned over at each end');
    expect(
      ofPiece((d) => {
        for (const a of d.areas) a.branching = !a.branching;
      }),
    ).toMatch(/^half rows where they gape, fewer where they crowd of .* and \d+ more$/);
  });

  it('never shows a word of the file: every field of a piece, cupboard and hand that changes has words', () => {
    const seen = new Set<string>();
    const visit = (doc: object, path: string[], name: 'piece' | 'cupboard' | 'hand', whole: object) => {
      for (const [key, value] of Object.entries(doc)) {
        const at = [...path, key];
        if (value !== null && typeof value === 'object') {
          visit(value as object, at, name, whole);
          continue;
        }
        if (key === 'id' || key === 'seed' || key === 'kind' || key === 'schema' || key === 'method' || key === 'shape')
          continue;
        const after = produce(whole, (d) => {
          let x = d as Record<string, unknown>;
          for (const k of path) x = x[k] as Record<string, unknown>;
          x[key] = typeof value === 'number' ? value + 1 : typeof value === 'boolean' ? !value : 'changed';
        });
        const words = changeWords({ [name]: { before: whole, after } });
        seen.add(words);
        expect(words, at.join('.')).not.toMatch(/[a-z][A-Z]|Mm\b|undefined|^the piece$/);
      }
    };
    const small = {
      ...pineMarten,
      areas: pineMarten.areas.slice(0, 2),
      form: { ...pineMarten.form, parts: pineMarten.form.parts.slice(0, 2) },
    };
    visit(small, [], 'piece', small);
    visit(defaultHand, [], 'hand', defaultHand);
    const box = { ...cupboard, lots: cupboard.lots.slice(0, 1), needles: cupboard.needles.slice(0, 1) };
    visit(box, [], 'cupboard', box);
    expect(seen.size).toBeGreaterThan(60);
  });
});
