/** The small picture a piece is known by on the shelf: drawn while nothing else is, once for each plan. */
import { likenessLens } from '@/core/picture/viewpoints';
import type { Plan } from '@/core/plan';
import { demoLikeness, demoPieces } from './demo';
import { keepLikeness, keptLikenesses } from './kept-plans';
import { refine } from './refining';
import { useDesk } from './store';

/** The plan drawn last. */
let drawn: Plan | null = null;

export function drawLikeness(): void {
  const { piece, plan } = useDesk.getState();
  if (!piece || !plan || drawn === plan) return;
  drawn = plan;
  const { id } = piece;
  refine(
    likenessLens(piece, plan),
    ({ picture }) => {
      const canvas = document.createElement('canvas');
      canvas.width = picture.width;
      canvas.height = picture.height;
      canvas.getContext('2d')?.drawImage(picture, 0, 0);
      picture.close();
      canvas.toBlob((blob) => blob && void keepLikeness({ id, picture: blob }), 'image/webp', 0.9);
    },
    { after: true },
  );
}

/** Those the demos ship with, asked for once in a window; null where one cannot be had. */
const shipped = new Map<string, Promise<string | null>>();

function held(path: string): Promise<string | null> {
  const had = shipped.get(path);
  if (had) return had;
  const made = fetch(path)
    .then((r) => (r.ok ? r.blob() : null))
    .then((b) => b && URL.createObjectURL(b))
    .catch(() => null);
  shipped.set(path, made);
  return made;
}

/** Where the likeness of every piece is that has one: as it was drawn last, of a demo not yet opened as it ships. @returns and what lets them go */
export async function likenesses(): Promise<{ readonly of: ReadonlyMap<string, string>; readonly free: () => void }> {
  const of = new Map<string, string>();
  const ships = await Promise.all(demoPieces.map(async (p) => [p.id, await held(demoLikeness(p))] as const));
  for (const [id, at] of ships) if (at) of.set(id, at);
  const kept = (await keptLikenesses()).map(({ id, picture }) => [id, URL.createObjectURL(picture)] as const);
  for (const [id, at] of kept) of.set(id, at);
  return { of, free: () => kept.forEach(([, url]) => URL.revokeObjectURL(url)) };
}
