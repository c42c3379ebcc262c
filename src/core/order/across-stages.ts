/** What has to wait for what across the stages: photographs before proportion, the core before the coat, what one stage asks of another. */
import { sameRef } from '@/core/ref';
import type { Operation } from '@/core/stage';
import { say } from '@/core/text';

/** The core is built and firm before anything is laid on it, or the shape moves (common practice). */
export const afterCore = (coat: readonly Operation[]): Operation[] =>
  coat.map((o) =>
    o.after.every((a) => !coat.some((x) => x.id === a.id && sameRef(x.about, o.about)))
      ? {
          ...o,
          after: [...o.after, { id: 'core-join', why: say`The core is built and firm first.`, strength: Infinity }],
        }
      : o,
  );

/** Photographs come before proportion. */
export const afterPhotographs = (operations: readonly Operation[]): Operation[] =>
  operations.map((o) =>
    o.stage === 'form' && o.about.kind !== 'photographs'
      ? {
          ...o,
          after: [
            ...o.after,
            {
              id: 'form-photos',
              why: say`Photographs come first: memory drifts, and wrong proportion cannot be rescued by a coat.`,
              strength: Infinity,
              orderOnly: true,
            },
          ],
        }
      : o,
  );

/** Operations with what one stage asks another's to wait for. */
export const tied = (
  operations: readonly Operation[],
  ties: readonly { readonly operationId: string; readonly after: Operation['after'][number] }[],
): Operation[] =>
  operations.map((o) => {
    const more = ties.filter((t) => t.operationId === o.id).map((t) => t.after);
    return more.length > 0 ? { ...o, after: [...o.after, ...more] } : o;
  });
