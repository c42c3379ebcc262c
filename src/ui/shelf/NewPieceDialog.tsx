'use client';
/** A new piece: name, body plan, one finished measure and the same measure in life. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import { BODY_PLANS, bodyPlan } from '@/core/form/plans/plans';
import { measuresOf, statedShare } from '@/core/form/shape';
import { newPiece } from '@/core/new-piece';
import { pieceSchema } from '@/core/piece/schema';
import { freshId } from '@/desk/files';
import { savePiece } from '@/desk/storage';
import { useDesk } from '@/desk/store';
import { forField, format, readField } from '@/units/units';
import { useUnits } from '@/ui/parts/useUnits';
import { go } from '@/ui/frame/way';

const bounds = pieceSchema.shape.form.shape;

export function NewPieceDialog({ onClose }: { onClose: () => void }) {
  const { units } = useUnits();
  const [name, setName] = useState('');
  const [planId, setPlanId] = useState('standing-quadruped');
  const [by, setBy] = useState('length');
  const plan = useMemo(() => bodyPlan(planId), [planId]);
  const [finished, setFinished] = useState(() => forField('length', plan.finishedLengthMm, units));
  const [life, setLife] = useState(() => forField('length', plan.lifeLengthMm, units));
  const [tried, setTried] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  /** The stated measure as a share of nose to tail. */
  const share = statedShare(plan.parts, by);
  const measures = measuresOf(plan.parts);
  const measure = measures.find((m) => m.id === by)!;

  /** What the maker typed stays for whatever else is chosen, as long as it means the same. */
  const [typed, setTyped] = useState({ finished: false, life: false });
  const chooseBody = (id: string) => {
    const next = bodyPlan(id);
    const same = (typed.finished || typed.life) && measuresOf(next.parts).some((m) => m.id === by);
    const measuredBy = same ? by : next.measuredBy;
    const k = statedShare(next.parts, measuredBy);
    setPlanId(id);
    setBy(measuredBy);
    if (!same) setTyped({ finished: false, life: false });
    if (!same || !typed.finished) setFinished(forField('length', next.finishedLengthMm * k, units));
    if (!same || !typed.life) setLife(forField('length', next.lifeLengthMm * k, units));
  };
  /** Another measure of the same animal: what was typed is put in it. */
  const chooseMeasure = (measuredBy: string) => {
    const k = statedShare(plan.parts, measuredBy) / share;
    const inIt = (text: string): string => {
      const r = readField(text, 'length', units);
      return r.ok ? forField('length', r.value * k, units) : text;
    };
    setBy(measuredBy);
    setFinished(inIt(finished));
    setLife(inIt(life));
  };

  const lengthProblem = (
    text: string,
    label: string,
    b: { minValue: number | null; maxValue: number | null },
  ): string | null => {
    const r = readField(text, 'length', units);
    if (!r.ok) return r.says;
    if (r.value / share < b.minValue! - 1e-9 || r.value / share > b.maxValue! + 1e-9) {
      const say = (v: number) => format({ kind: 'length', value: v * share }, units);
      return `${label} must be between ${say(b.minValue!)} and ${say(b.maxValue!)}`;
    }
    return null;
  };
  const problems = {
    name:
      name.trim() === ''
        ? 'Give the piece a name'
        : name.trim().length > 80
          ? 'The name must not be longer than 80 letters'
          : null,
    finished: lengthProblem(finished, `Finished ${measure.says}`, bounds.finishedLengthMm),
    life: lengthProblem(life, `${measure.says}, in life`, bounds.lifeLengthMm),
  };
  const make = async () => {
    setTried(true);
    if (problems.name || problems.finished || problems.life) return;
    const value = (t: string) => {
      const r = readField(t, 'length', units);
      return r.ok ? r.value / share : 0;
    };
    const { cupboard, hand } = useDesk.getState();
    const piece = {
      ...newPiece(
        {
          id: freshId(name),
          name: name.trim(),
          plan: planId,
          finishedLengthMm: value(finished),
          lifeLengthMm: value(life),
          seed: crypto.getRandomValues(new Uint32Array(1))[0]! >>> 1,
        },
        cupboard,
        hand,
      ),
    };
    piece.form = { ...piece.form, measuredBy: by };
    try {
      await savePiece(piece);
      go(`/piece/${piece.id}/form`);
    } catch (e) {
      setTrouble(`The piece could not be kept in this browser: ${e instanceof Error ? e.message : String(e)}`);
    }
  };
  const show = (p: string | null, always: boolean) => (p && (tried || always) ? p : undefined);
  return (
    <Dialog open onClose={onClose} aria-labelledby="new-title" fullWidth maxWidth="xs">
      <Box
        component="form"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          void make();
        }}
      >
        <DialogTitle id="new-title">New piece</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2, pt: '8px !important' }}>
          <TextField
            label="Name of the piece"
            autoFocus
            value={name}
            onChange={(e) => setName(e.target.value)}
            error={!!show(problems.name, false)}
            helperText={show(problems.name, false)}
          />
          <TextField
            label="Body plan"
            select
            value={planId}
            onChange={(e) => chooseBody(e.target.value)}
            helperText={plan.says}
          >
            {BODY_PLANS.map((p) => (
              <MenuItem key={p.id} value={p.id}>
                {p.name}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            label="Measure you know"
            select
            value={by}
            onChange={(e) => chooseMeasure(e.target.value)}
            helperText="Everything else follows from this one"
          >
            {measures.map((m) => (
              <MenuItem key={m.id} value={m.id}>
                {m.says}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            label={`Finished ${measure.says} (${units.length})`}
            value={finished}
            onChange={(e) => {
              setFinished(e.target.value);
              setTyped((t) => ({ ...t, finished: true }));
            }}
            error={!!show(problems.finished, true)}
            helperText={show(problems.finished, true)}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          />
          <TextField
            label={`The same in life (${units.length})`}
            value={life}
            onChange={(e) => {
              setLife(e.target.value);
              setTyped((t) => ({ ...t, life: true }));
            }}
            error={!!show(problems.life, true)}
            helperText={show(problems.life, true)}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          />
          {trouble && <Box role="alert">{trouble}</Box>}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained">
            Begin
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
