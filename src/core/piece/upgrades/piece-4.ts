/** From version 3 to 4: layers that make the colour of an area, markings, small parts, grey cards on photographs. */
import { plainShade } from '../shade';

type Doc = Record<string, unknown>;

export const toPiece4 = (old: Doc): Doc => ({
  ...old,
  references: (old.references as Doc[]).map((r) => ({ ...r, grey: null })),
  areas: (old.areas as Doc[]).map((a) => ({ ...a, shade: plainShade() })),
  markings: [],
  smallParts: [],
  // On a flat picture a mistake is covered; on a figure it can be pulled off (common practice).
  correction: ((old.form as Doc).parts as Doc[]).some((p) => p.shape === 'board') ? 'cover' : 'take off',
});
