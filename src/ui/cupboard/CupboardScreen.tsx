'use client';
/** The cupboard: lots of wool, needles and wire, shared by all pieces. Every change is saved and can be undone. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { lotSchema, type Lot } from '@/core/piece/cupboard';
import { newLot } from '@/core/piece/new-stock';
import { freshId } from '@/desk/files';
import { editCupboard, useDesk } from '@/desk/store';
import { PlainPage } from '@/ui/frame/PlainPage';
import { useReady } from '@/ui/frame/ready';
import { UndoButtons } from '@/ui/frame/UndoButtons';
import { useUndoKeys } from '@/ui/frame/useUndoKeys';
import { TextLink } from '@/ui/frame/TextLink';
import { gradeOf, WOOL_GRADES } from '@/core/wool/wool-grades';
import { Fields } from '@/ui/parts/Fields';
import { PickField } from '@/ui/parts/PickField';
import { PhotoColour } from '@/ui/shade/PhotoColour';
import { LockFields } from './LockFields';
import { MottleFields } from './MottleFields';
import { Stocks } from './Stocks';
import { Table } from '@/ui/parts/Table';
import { useUnits } from '@/ui/parts/useUnits';
import { Patch } from '@/ui/parts/Patch';

const sheet = { bgcolor: 'background.paper', border: 1, borderColor: 'divider' } as const;

export function CupboardScreen() {
  const { ready, failed } = useReady();
  const cupboard = useDesk((s) => s.cupboard);
  const onDesk = useDesk((s) => s.piece);
  const [chosen, setChosen] = useState<string | null>(null);
  const { q } = useUnits();
  useUndoKeys();
  const lot = cupboard.lots.find((l) => l.id === chosen) ?? cupboard.lots[0];
  const addLot = () => {
    const id = freshId('wool');
    editCupboard((d) => void d.lots.push(newLot(id)));
    setChosen(id);
  };
  return (
    <PlainPage
      title="Cupboard"
      busy={!ready && !failed}
      actions={
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          <UndoButtons />
          {onDesk && <TextLink href={`/piece/${onDesk.id}/coat`}>Back to {onDesk.name}</TextLink>}
        </Box>
      }
    >
      {ready && (
        <Box sx={{ display: 'grid', gap: 3, gridTemplateColumns: { xs: '1fr', md: '1fr 380px' }, alignItems: 'start' }}>
          <Box component="section" aria-labelledby="c-lots" sx={{ ...sheet, p: 2 }}>
            <Box sx={{ display: 'flex', justifyContent: 'space-between', mb: 1 }}>
              <Typography id="c-lots" variant="h2">
                Wool
              </Typography>
              <Button variant="contained" onClick={addLot}>
                Add wool
              </Button>
            </Box>
            {cupboard.lots.length === 0 && (
              <Typography>
                The cupboard is empty. Add the wool you have: its form, colour, fineness, staple and weight.
              </Typography>
            )}
            {cupboard.lots.length > 0 && (
              <Table caption="Wool in the cupboard" head={['Name', 'Form', '=Fineness', '=Staple', '=At hand']}>
                {cupboard.lots.map((l) => (
                  <Box component="tr" key={l.id} sx={{ bgcolor: l.id === lot?.id ? 'action.selected' : undefined }}>
                    <th scope="row">
                      <Patch hex={l.colour} wide={18} high={18} label={null} sx={{ mr: 1, verticalAlign: '-4px' }} />
                      <Button
                        variant="text"
                        onClick={() => setChosen(l.id)}
                        aria-pressed={l.id === lot?.id}
                        sx={{ fontSize: 15 }}
                      >
                        {l.name}
                      </Button>
                    </th>
                    <td>{l.form}</td>
                    <td className="n">{q({ kind: 'fineness', value: l.finenessUm })}</td>
                    <td className="n">{q({ kind: 'length', value: l.stapleMm })}</td>
                    <td className="n">{q({ kind: 'mass', value: l.haveG })}</td>
                  </Box>
                ))}
              </Table>
            )}
            <Stocks />
          </Box>
          {lot && <LotForm key={lot.id} lot={lot} />}
        </Box>
      )}
    </PlainPage>
  );
}

function LotForm({ lot }: { lot: Lot }) {
  const used = useDesk((s) => s.plan?.stock.lots.find((l) => l.lotId === lot.id));
  const { q, spanWords } = useUnits();
  const set = (recipe: (l: Lot) => void) =>
    editCupboard((d) => {
      const l = d.lots.find((x) => x.id === lot.id);
      if (l) recipe(l);
    });
  const of = {
    schema: lotSchema,
    value: lot,
    onChange: (change: Partial<Lot>) => set((l) => void Object.assign(l, change)),
  };
  return (
    <Box component="section" aria-label={lot.name} sx={{ ...sheet, p: 2 }}>
      <Typography variant="h2">{lot.name}</Typography>
      {used && (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          The piece on the desk needs {q({ kind: 'mass', value: used.needG })} of it, perhaps{' '}
          {spanWords(used.span, 'mass')}.
        </Typography>
      )}
      <Fields {...of} keys={['name', 'form', 'colour']} />
      <PhotoColour onPick={(v) => set((l) => void (l.colour = v))} />
      <MottleFields lot={lot} set={set} />
      <PickField
        label="Wool grade"
        value=""
        empty={gradeOf(lot.finenessUm) ? `about ${gradeOf(lot.finenessUm)!.grade}` : 'Take the fineness from it'}
        options={WOOL_GRADES.map((g) => ({ value: g.grade, says: `${g.grade}, ${g.leastUm} to ${g.mostUm} micron` }))}
        onChange={(v) => {
          const g = WOOL_GRADES.find((x) => x.grade === v)!;
          set((l) => void (l.finenessUm = Math.round(((g.leastUm + g.mostUm) / 2) * 10) / 10));
        }}
      />
      <Fields {...of} keys={['finenessUm', 'finenessCv', 'stapleMm', 'haveG', 'pricePer100g']} />
      <LockFields lot={lot} />
      <Button sx={{ mt: 1 }} onClick={() => editCupboard((d) => void (d.lots = d.lots.filter((l) => l.id !== lot.id)))}>
        Take out of the cupboard
      </Button>
    </Box>
  );
}
