'use client';
/** What locks have beside other wool: wave, tips of another colour, and the piles they are sorted onto. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { LOCK_GRADES, lotSchema, pileSchema, type Lot, type Pile } from '@/core/piece/cupboard';
import { editCupboard } from '@/desk/store';
import { CheckField } from '@/ui/parts/CheckField';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { MeasureField } from '@/ui/parts/MeasureField';

const range = (b: { minValue?: number | null; maxValue?: number | null }) => ({
  min: b.minValue ?? 0,
  max: b.maxValue ?? 1e6,
});

export function LockFields({ lot }: { lot: Lot }) {
  const set = (recipe: (l: Lot) => void) =>
    editCupboard((d) => {
      const l = d.lots.find((x) => x.id === lot.id);
      if (l) recipe(l);
    });
  const locks = lot.form === 'locks' || lot.form === 'raw fleece';
  return (
    <Box sx={{ mt: 1, borderTop: 1, borderColor: 'divider', pt: 1 }}>
      <MeasureField
        label="Crimp, crest to crest"
        kind="length"
        value={lot.crimpMm}
        {...range(lotSchema.shape.crimpMm)}
        onChange={(v) => set((l) => void (l.crimpMm = v))}
      />
      <MeasureField
        label="Depth of the crimp"
        kind="length"
        value={lot.crimpDepthMm}
        {...range(lotSchema.shape.crimpDepthMm)}
        onChange={(v) => set((l) => void (l.crimpDepthMm = v))}
      />
      <CheckField
        label="tips of another colour"
        value={lot.tipColour !== null}
        onChange={(on) => set((l) => void (l.tipColour = on ? l.colour : null))}
      />
      {lot.tipColour !== null && (
        <>
          <Box
            sx={{ display: 'grid', gridTemplateColumns: '1fr auto', alignItems: 'center', minHeight: 38, fontSize: 13 }}
          >
            <label htmlFor="tip-colour">Colour of the tips</label>
            <input
              id="tip-colour"
              type="color"
              value={lot.tipColour}
              onChange={(e) => set((l) => void (l.tipColour = e.target.value.toLowerCase()))}
              style={{ width: 104, height: 30 }}
            />
          </Box>
          <MeasureField
            label="Share of the fibre that is tip"
            kind="number"
            value={lot.tipShare}
            {...range(lotSchema.shape.tipShare)}
            onChange={(v) => set((l) => void (l.tipShare = v))}
          />
        </>
      )}
      {locks && <Piles piles={lot.piles} onChange={(recipe) => set((l) => recipe(l.piles))} />}
    </Box>
  );
}

const MEASURES = [
  { key: 'lengthMm', label: 'Length', kind: 'length' },
  { key: 'widthMm', label: 'Width', kind: 'length' },
  { key: 'count', label: 'Locks', kind: 'count' },
] as const;

function Piles({ piles, onChange }: { piles: readonly Pile[]; onChange: (recipe: (p: Pile[]) => void) => void }) {
  return (
    <Box component="section" aria-label="Sorted locks" sx={{ mt: 1 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center' }}>
        <Box component="h3" sx={{ fontSize: 15, m: 0 }}>
          Sorted locks
        </Box>
        <Button
          disabled={piles.length >= 40}
          onClick={() => onChange((p) => void p.push({ lengthMm: 40, widthMm: 3, grade: 'good', count: 50 }))}
        >
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
        <Box
          key={i}
          role="group"
          aria-label={`Pile ${i + 1}`}
          sx={{ borderTop: i > 0 ? 1 : 0, borderColor: 'divider', py: 0.5 }}
        >
          {MEASURES.map((m) => (
            <MeasureField
              key={m.key}
              label={m.label}
              kind={m.kind}
              value={pile[m.key]}
              {...range(pileSchema.shape[m.key])}
              onChange={(v) => onChange((p) => void (p[i]![m.key] = m.key === 'count' ? Math.round(v) : v))}
            />
          ))}
          <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center' }}>
            <ChoiceRow
              label={`Grade of pile ${i + 1}`}
              value={pile.grade}
              options={LOCK_GRADES.map((g) => ({ value: g, says: g }))}
              onChange={(grade) => onChange((p) => void (p[i]!.grade = grade))}
            />
            <Button
              variant="text"
              aria-label={`Remove pile ${i + 1}`}
              onClick={() => onChange((p) => void p.splice(i, 1))}
            >
              Remove
            </Button>
          </Box>
        </Box>
      ))}
    </Box>
  );
}
