'use client';
/** Other colours in a natural wool, each with its share; what the wool comes out as pulled apart. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { hexOfCurve } from '@/core/colour/reflectance';
import { mottleSchema, type Lot } from '@/core/piece/cupboard';
import { newMottle } from '@/core/piece/new-stock';
import { woolCurve } from '@/core/wool/wool-colour';
import { Patch } from '@/ui/parts/Patch';
import { Fields } from '@/ui/parts/Fields';
import { SetIn } from '@/ui/parts/Panel';

const MOST = 0.98;

export function MottleFields({ lot, set }: { lot: Lot; set: (recipe: (l: Lot) => void) => void }) {
  const rest = (i: number) => MOST - lot.mottle.reduce((s, m, k) => s + (k === i ? 0 : m.share), 0);
  return (
    <Box role="group" aria-label="Mottled wool" sx={{ my: 1 }}>
      {lot.mottle.map((m, i) => (
        <SetIn key={i} aria-label={`Colour ${i + 2}`}>
          <Fields
            schema={mottleSchema}
            value={m}
            keys={['colour', 'share']}
            within={{ share: { most: rest(i) } }}
            onChange={(change) => set((l) => void Object.assign(l.mottle[i]!, change))}
          />
          <Button aria-label={`Take colour ${i + 2} out`} onClick={() => set((l) => void l.mottle.splice(i, 1))}>
            Take out
          </Button>
        </SetIn>
      ))}
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', fontSize: 13 }}>
        <Button
          disabled={lot.mottle.length >= 4 || rest(-1) < 0.05}
          onClick={() => set((l) => void l.mottle.push(newMottle(rest(-1))))}
        >
          Another colour in it
        </Button>
        {(lot.mottle.length > 0 || lot.tipColour !== null) && (
          <>
            <Patch hex={hexOfCurve(woolCurve(lot))} /> pulled apart
          </>
        )}
      </Box>
    </Box>
  );
}
