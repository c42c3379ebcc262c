/** A face on a demo animal and short ways of changing it: what the checks of the face stage begin from. */
import { produce, type Draft } from 'immer';
import type { Face } from '../src/core/piece/face';
import type { Piece } from '../src/core/piece/schema';
import type { PieceChange } from '../src/core/stage';
import { plan } from './plain-marten';
import { cupboard } from './load';

/** The piece with its face changed. */
export const faced = (p: Piece, recipe: (f: Draft<Face>, p: Draft<Piece>) => void): Piece =>
  produce(p, (d) => {
    if (d.face) recipe(d.face, d);
  }) as Piece;

/** Its planned face. @throws when it has none */
export function faceOf(p: Piece, box = cupboard) {
  const f = plan(p, box).face;
  if (!f) throw new Error('no face was planned');
  return f;
}

/** What is found about its face. */
export const findingsOf = (p: Piece, box = cupboard) => plan(p, box).findings.filter((f) => f.stage === 'face');

/** A piece with the changes of a remedy made. */
export const applied = (p: Piece, changes: readonly PieceChange[]): Piece =>
  produce(p, (d) => {
    for (const c of changes) {
      let at = d as unknown as Record<string | number, unknown>;
      for (const key of c.path.slice(0, -1)) at = at[key] as Record<string | number, unknown>;
      at[c.path[c.path.length - 1]!] = c.value;
    }
  }) as Piece;
