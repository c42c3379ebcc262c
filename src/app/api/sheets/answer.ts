/** What the sheets' door answers, worked out away from the server's own thread. */
import { z } from 'zod';
import { readCupboard, readHand, readPiece, type Problem } from '@/core/piece/read';
import { makePlan } from '@/core/plan';
import { planOptions, settingsSchema, sheetOptions } from '@/desk/settings';
import { fontsOnDisk } from '@/sheets/fonts-on-disk';
import { makeSheet, NoSheet, type SheetKind } from '@/sheets/make-sheet';

export interface Asked {
  readonly kind: SheetKind;
  /** The body of the request as it came. */
  readonly text: string;
}

export type Answer =
  | { readonly ok: true; readonly name: string; readonly type: string; readonly body: string | Uint8Array }
  | {
      readonly ok: false;
      readonly status: number;
      readonly title: string;
      readonly detail: string;
      readonly errors?: readonly Problem[];
    };

const refuse = (status: number, title: string, detail: string, errors: readonly Problem[] = []): Answer => ({
  ok: false,
  status,
  title,
  detail,
  ...(errors.length > 0 ? { errors } : {}),
});

const bodySchema = z.strictObject({
  piece: z.unknown().optional(),
  cupboard: z.unknown().optional(),
  hand: z.unknown().optional(),
  settings: settingsSchema.default(settingsSchema.parse({})),
  /** Printed on the sheets; the same request with a date of its own makes the same file, byte for byte. */
  date: z.iso
    .datetime('date must be a time such as 2026-11-25T18:00:00Z')
    .transform((d) => new Date(d))
    .optional(),
});

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (e) {
    if (e instanceof SyntaxError) return undefined;
    throw e;
  }
}

export async function answer({ kind, text }: Asked): Promise<Answer> {
  const raw = parsed(text);
  if (raw === undefined) return refuse(400, 'Not a piece', 'The request is not readable JSON.');
  const body = bodySchema.safeParse(raw);
  if (!body.success) {
    return refuse(422, 'Not a piece', body.error.issues[0]?.message ?? 'The request is not complete.');
  }
  const piece = readPiece(body.data.piece);
  const cupboard = readCupboard(body.data.cupboard);
  const hand = readHand(body.data.hand);
  for (const [what, read] of [
    ['piece', piece],
    ['cupboard', cupboard],
    ['hand', hand],
  ] as const) {
    if (read.ok) continue;
    const first = read.problems[0]!;
    return refuse(422, `The ${what} cannot be used`, `${first.where}: ${first.says}`, read.problems);
  }
  if (!piece.ok || !cupboard.ok || !hand.ok) return refuse(422, 'Not a piece', 'The request is not complete.');
  try {
    const plan = makePlan(piece.value, cupboard.value, hand.value, undefined, planOptions(body.data.settings));
    const options = {
      ...sheetOptions(body.data.settings),
      date: body.data.date ?? new Date(),
      fonts: await fontsOnDisk(),
    };
    return { ok: true, ...(await makeSheet(kind, piece.value, plan, cupboard.value, hand.value, options)) };
  } catch (e) {
    if (e instanceof NoSheet) return refuse(422, e.title, e.message);
    return refuse(500, 'The sheets could not be made', e instanceof Error ? e.message : String(e));
  }
}
