'use client';
/** What locks have beside other wool: wave, tips of another colour, and the piles they are sorted onto. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { lotSchema, pileSchema, type Lot, type Pile } from '@/core/piece/cupboard';
import { newPile } from '@/core/piece/new-stock';
import { editCupboard } from '@/desk/store';
import { Fields } from '@/ui/parts/Fields';
import { Ruled } from '@/ui/parts/Panel';

export function LockFields({ lot }: { lot: Lot }) {
  const set = (recipe: (l: Lot) => void) =>
    editCupboard((d) => {
      const l = d.lots.find((x) => x.id === lot.id);
      if (l) recipe(l);
    });
  const locks = lot.form === 'locks' || lot.form === 'raw fleece';
  return (
    <Ruled>
      <Fields
        schema={lotSchema}
        value={lot}
        keys={['crimpMm', 'crimpDepthMm', 'tipColour', ...(lot.tipColour === null ? [] : (['tipShare'] as const))]}
        onChange={(change) => set((l) => void Object.assign(l, change))}
      />
      {locks && <Piles piles={lot.piles} onChange={(recipe) => set((l) => recipe(l.piles))} />}
    </Ruled>
  );
}

function Piles({ piles, onChange }: { piles: readonly Pile[]; onChange: (recipe: (p: Pile[]) => void) => void }) {
  return (
    <Box component="section" aria-label="Sorted locks" sx={{ mt: 1 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center' }}>
        <Box component="h3" sx={{ fontSize: 15, m: 0 }}>
          Sorted locks
        </Box>
        <Button disabled={piles.length >= 40} onClick={() => onChange((p) => void p.push(newPile()))}>
          Add a pile
        </Button>
      </Box>
      {piles.length === 0 && (
        <Box sx={{ fontSize: 13, color: 'text.secondary' }}>
          Sort the locks by length and by how good they are and count each pile: the best then go where they are most
          seen, small tight ones where the body is thin.
        </Box>
      )}
      {piles.map((pile, i) => (
        <Ruled key={i} aria-label={`Pile ${i + 1}`}>
          <Fields
            schema={pileSchema}
            value={pile}
            keys={['lengthMm', 'widthMm', 'count', 'grade']}
            onChange={(change) => onChange((p) => void Object.assign(p[i]!, change))}
          />
          <Button
            variant="text"
            aria-label={`Remove pile ${i + 1}`}
            onClick={() => onChange((p) => void p.splice(i, 1))}
          >
            Remove
          </Button>
        </Ruled>
      ))}
    </Box>
  );
}
