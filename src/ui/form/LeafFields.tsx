'use client';
/** How a leaf stands: turned, leaning, cupped and curled. The same fields at the part, at its pattern and in the face. */
import type { LeafPad } from '@/core/form/leaf';
import { leaning, leanOf, withLeaf } from '@/core/form/leaf-edits';
import { leanSchema } from '@/core/piece/face';
import { leafSchema } from '@/core/piece/schema';
import { changePiece } from '@/desk/store';
import { Fields } from '@/ui/parts/Fields';

export const changeLeaf = (next: LeafPad): void => changePiece((p) => ({ ...p, form: withLeaf(p.form, next) }));

export function LeafFields({ part }: { part: LeafPad }) {
  return (
    <>
      <Fields
        schema={leafSchema}
        value={part.leaf}
        keys={['turnDeg', 'cupDeg', 'curlDeg']}
        onChange={(change) => changeLeaf({ ...part, leaf: { ...part.leaf, ...change } })}
      />
      {part.role === 'ear' && (
        <Fields
          schema={leanSchema}
          value={{ leanDeg: leanOf(part) }}
          keys={['leanDeg']}
          onChange={({ leanDeg }) => leanDeg !== undefined && changeLeaf(leaning(part, leanDeg))}
        />
      )}
    </>
  );
}
