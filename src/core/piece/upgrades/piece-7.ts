/** From version 6 to 7: what a part is to the animal is said of it and no longer read from its name; rows keep their place. */
type Doc = Record<string, unknown>;

/** By the words that were looked for in its name before. */
function roleOf(part: Doc): string {
  const words = `${String(part.id)} ${String(part.name)}`;
  if (/skull|head/i.test(words)) return 'head';
  if (/beak|bill/i.test(words)) return 'beak';
  if (/muzzle/i.test(words)) return 'muzzle';
  return /(^|-|\b)ear(\b|-|$)/i.test(words) ? 'ear' : 'other';
}

/** Glue is tried once, not once a set of whiskers. */
const renamed = (id: unknown): unknown => (/^face-trial-/.test(String(id)) ? 'face-trial' : id);

export function toPiece7(old: Doc): Doc {
  const form = old.form as Doc;
  const parts = (form.parts as Doc[]).map((p) => ({ ...p, role: roleOf(p) }));
  // Where rows were laid was not kept; they go by their number.
  const log = ((old.log ?? []) as Doc[]).map((e) =>
    e.kind === 'row' ? { ...e, up: null } : 'operation' in e ? { ...e, operation: renamed(e.operation) } : e,
  );
  return { ...old, form: { ...form, parts }, log };
}
