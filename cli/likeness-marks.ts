/** What the shipped likenesses of the demos were drawn from, so that one of an animal that has changed since is found out. */
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { cupboard } from '../demo/load';
import type { Piece } from '../src/core/piece/schema';

export const LIKENESSES = join(import.meta.dirname, '../public/demo/likeness');

/** All that a demo's look is made of, as a short mark: the piece without its log and the wools it may draw on. */
export const lookOf = (piece: Piece): string =>
  createHash('sha256')
    .update(JSON.stringify([{ ...piece, log: [], known: [], note: '' }, cupboard.lots.map(({ haveG: _, ...l }) => l)]))
    .digest('hex')
    .slice(0, 16);
