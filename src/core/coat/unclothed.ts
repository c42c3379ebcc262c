/** Parts of the animal that no area covers: nobody decided that they stay bare, so it is said. */
import { plainArea } from '@/core/form/area-edits';
import { nearestParts, type FormWork } from '@/core/form/form';
import { vertexAreas } from '@/core/geometry/mesh';
import type { Piece } from '@/core/piece/schema';
import { ref } from '@/core/ref';
import type { Finding } from '@/core/stage';
import { say, share } from '@/core/text';

/** A part is unclothed when more of its skin than this lies in no area. Ours. */
const BARE = 0.8;

/** @param owner which area has each vertex of the skin, -1 for none */
export function unclothed(piece: Piece, form: FormWork, owner: Int32Array): Finding[] {
  const part = nearestParts(form);
  const all = new Float64Array(form.body.parts.length);
  const bare = new Float64Array(form.body.parts.length);
  vertexAreas(form.skin).forEach((mm2, v) => {
    all[part[v]!]! += mm2;
    if (owner[v]! < 0) bare[part[v]!]! += mm2;
  });
  return form.body.parts.flatMap(({ part: p }, i): Finding[] => {
    // A board and a beak have no coat; their own work is said elsewhere.
    if (p.shape === 'board' || p.role === 'beak' || all[i] === 0 || bare[i]! / all[i]! <= BARE) return [];
    let id = p.id;
    for (let k = 2; piece.areas.some((a) => a.id === id); k++) id = `${p.id}-${k}`.slice(0, 64);
    return [
      {
        id: `coat-unclothed-${p.id}`,
        code: 'coat-unclothed',
        stage: 'coat',
        severity: 'note',
        about: ref('part', p.id),
        says: say`No area covers ${p.name}: ${share(bare[i]! / all[i]!)} of it stays bare core.`,
        why: say`Nothing says how it is laid, of which wool, or that it is bare on purpose.`,
        remedies:
          piece.areas.length < 60
            ? [
                {
                  label: say`Make an area of ${p.name}`,
                  effect: say`it is listed, and laid or left bare as you say`,
                  changes: [{ path: ['areas'], value: [...piece.areas, plainArea(id, p.name, [{ parts: [p.id] }])] }],
                },
              ]
            : [],
      },
    ];
  });
}
