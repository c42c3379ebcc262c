'use client';
/**
 * A new piece on one page: its kind, the measure the maker knows, how large, in what wool; beside it the animal, which grows as one types.
 * It ends on a first docket.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useMemo, useState, type ReactNode } from 'react';
import { firstWools } from '@/core/first-wools';
import { beginReference } from '@/core/form/begin-reference';
import { BODY_PLANS, bodyPlan } from '@/core/form/plans/plans';
import { SCAN_FILES } from '@/core/form/scan-limits';
import { measuresOf, statedShare } from '@/core/form/shape';
import { newPiece } from '@/core/new-piece';
import { boundsOf, saysOf } from '@/core/piece/fields';
import { pieceSchema } from '@/core/piece/schema';
import { freshId } from '@/desk/files';
import { bringScan } from '@/desk/brought';
import { beginView } from '@/desk/session';
import { savePicture, savePiece } from '@/desk/storage';
import { editCupboard, useDesk } from '@/desk/store';
import { forField, format, readField } from '@/units/units';
import { ColourField } from '@/ui/parts/ColourField';
import { FileButton } from '@/ui/parts/FileButton';
import { shapeOfPicture } from '@/ui/parts/picture-size';
import { useUnits } from '@/ui/parts/useUnits';
import { go } from '@/ui/frame/way';
import { PieceOutline } from './PieceOutline';
import { Patch } from '@/ui/parts/Patch';

const FORM = pieceSchema.shape.form.shape;
const BOUNDS = { finished: boundsOf(FORM.finishedLengthMm), life: boundsOf(FORM.lifeLengthMm) };
const WOOL_IDS = () => [freshId('coat-to-buy'), freshId('core-to-buy'), freshId('nose-to-buy')] as const;

export function NewPieceDialog({ onClose }: { onClose: () => void }) {
  const { units, q } = useUnits();
  const narrow = useMediaQuery('(max-width: 599px)');
  const cupboard = useDesk((s) => s.cupboard);
  const hand = useDesk((s) => s.hand);
  const [name, setName] = useState('');
  const [planId, setPlanId] = useState('standing-quadruped');
  const [by, setBy] = useState('length');
  const [colour, setColour] = useState<string | null>(null);
  const plan = useMemo(() => bodyPlan(planId), [planId]);
  const [finished, setFinished] = useState(() => forField('length', plan.finishedLengthMm, units));
  const [life, setLife] = useState(() => forField('length', plan.lifeLengthMm, units));
  const [tried, setTried] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [woolIds] = useState(WOOL_IDS);
  const [photo, setPhoto] = useState<{ readonly file: File; readonly aspect: number } | null>(null);
  const [scan, setScan] = useState<File | null>(null);
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

  const lengthProblem = (text: string, label: string, b: { least: number; most: number }): string | null => {
    const r = readField(text, 'length', units);
    if (!r.ok) return r.says;
    if (r.value / share < b.least - 1e-9 || r.value / share > b.most + 1e-9) {
      const say = (v: number) => format({ kind: 'length', value: v * share }, units);
      return `${label} must be between ${say(b.least)} and ${say(b.most)}`;
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
    finished: lengthProblem(finished, `Finished ${measure.says}`, BOUNDS.finished),
    life: lengthProblem(life, `${measure.says}, in life`, BOUNDS.life),
  };
  const lengthOf = (text: string): number | null => {
    const r = readField(text, 'length', units);
    return r.ok && r.value > 0 ? r.value / share : null;
  };
  const finishedMm = problems.finished === null ? lengthOf(finished) : null;
  const wools = useMemo(
    () => firstWools(cupboard, plan.parts, finishedMm ?? plan.finishedLengthMm, colour, woolIds, hand),
    [cupboard, plan, finishedMm, colour, woolIds, hand],
  );

  const make = async () => {
    setTried(true);
    if (problems.name || problems.finished || problems.life) return;
    const piece = newPiece(
      {
        id: freshId(name),
        name: name.trim(),
        plan: planId,
        finishedLengthMm: lengthOf(finished)!,
        lifeLengthMm: lengthOf(life)!,
        seed: crypto.getRandomValues(new Uint32Array(1))[0]! >>> 1,
        wools,
      },
      cupboard,
      hand,
    );
    piece.form = { ...piece.form, measuredBy: by };
    try {
      if (photo) {
        const id = freshId('photo');
        await savePicture(piece.id, id, photo.file);
        piece.references = [beginReference(piece, { id, name: photo.file.name, aspect: photo.aspect })];
      }
      await savePiece(piece);
      bringScan(scan);
      if (wools.toBuy.length > 0) editCupboard((d) => void d.lots.push(...wools.toBuy.map((l) => structuredClone(l))));
      if (photo && !scan) await beginView(piece.id, { room: 'compare' });
      go(`/piece/${piece.id}/form`);
    } catch (e) {
      setTrouble(`The piece could not be kept in this browser: ${e instanceof Error ? e.message : String(e)}`);
    }
  };
  const show = (p: string | null, always: boolean) => (p && (tried || always) ? p : undefined);
  return (
    <Dialog open onClose={onClose} aria-labelledby="new-title" fullWidth maxWidth="md" fullScreen={narrow}>
      <Box
        component="form"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          void make();
        }}
        sx={{ display: 'contents' }}
      >
        <DialogTitle id="new-title">New piece</DialogTitle>
        <DialogContent
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: 'minmax(0, 1fr) 300px' },
            columnGap: 3,
            rowGap: 2,
            alignItems: 'start',
            pt: '8px !important',
          }}
        >
          <Box sx={{ display: 'grid', gap: 2, minWidth: 0 }}>
            <TextField
              label={saysOf(pieceSchema.shape.name)!.label}
              autoFocus
              value={name}
              onChange={(e) => setName(e.target.value)}
              error={!!show(problems.name, false)}
              helperText={show(problems.name, false)}
            />
            <Bodies value={planId} onChange={chooseBody} />
            <Step title="How large">
              <TextField
                label="Measure you know"
                select
                value={by}
                onChange={(e) => chooseMeasure(e.target.value)}
                helperText="It is marked on the animal; everything else follows from it. With its fur on."
              >
                {measures.map((m) => (
                  <MenuItem key={m.id} value={m.id}>
                    {m.says}
                  </MenuItem>
                ))}
              </TextField>
              <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 2 }}>
                <TextField
                  label={`Finished (${units.length})`}
                  value={finished}
                  onChange={(e) => {
                    setFinished(e.target.value);
                    setTyped((t) => ({ ...t, finished: true }));
                  }}
                  error={!!show(problems.finished, true)}
                  helperText={show(problems.finished, true) ?? `${measure.says}, of the piece`}
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
                  helperText={show(problems.life, true) ?? 'of the animal, for the scale of eyes and whiskers'}
                  slotProps={{ htmlInput: { inputMode: 'decimal' } }}
                />
              </Box>
            </Step>
            <Step title="What you have of it">
              <Brought
                says="A photograph from its side"
                accept="image/*"
                name={photo?.file.name ?? null}
                then="It is laid behind the animal, in Compare."
                onFile={(file) =>
                  file === null
                    ? setPhoto(null)
                    : void shapeOfPicture(file).then((aspect) => aspect !== null && setPhoto({ file, aspect }))
                }
              />
              <Brought
                says="A scan of your own base"
                accept={SCAN_FILES}
                name={scan?.name ?? null}
                then="It takes the place of the body above, once you have looked at it."
                onFile={setScan}
              />
            </Step>
            {trouble && <Box role="alert">{trouble}</Box>}
          </Box>
          <Box sx={{ display: 'grid', gap: 1.5, minWidth: 0 }}>
            <PieceOutline
              form={plan}
              mark={by}
              lengthMm={finishedMm ?? plan.finishedLengthMm}
              colour={wools.coat.colour}
            />
            <Typography variant="body2" sx={{ mt: 1 }}>
              {plan.says}
            </Typography>
            <Step title="In what wool">
              <ColourField label="Mostly" value={colour ?? wools.coat.colour} onChange={setColour} />
              <Box component="ul" aria-label="Wools to begin with" sx={{ listStyle: 'none', m: 0, p: 0, fontSize: 13 }}>
                {(
                  [
                    ['Coat', wools.coat],
                    ['Core', wools.core],
                    [plan.parts.some((p) => p.role === 'beak') ? 'Beak' : 'Nose', wools.nose],
                  ] as const
                ).map(([what, lot]) => (
                  <Box component="li" key={what} sx={{ display: 'flex', gap: 1, alignItems: 'center', py: 0.25 }}>
                    <Box component="span" sx={{ width: 44 }}>
                      {what}
                    </Box>
                    <Patch hex={lot.colour} wide={18} high={18} label={null} />
                    <span>
                      {lot.name}
                      {lot.haveG > 0 ? `, ${q({ kind: 'mass', value: lot.haveG })} at hand` : ''}
                    </span>
                  </Box>
                ))}
              </Box>
              <Typography variant="body2" sx={{ color: 'text.secondary' }}>
                {wools.toBuy.length === 0
                  ? 'From your cupboard, by colour and form. Any of it can be changed later.'
                  : 'Plan first, buy after: what is not in the cupboard is planned with and listed as missing, with its grams.'}
              </Typography>
            </Step>
          </Box>
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

interface BroughtProps {
  readonly says: string;
  readonly accept: string;
  /** Null while none is chosen. */
  readonly name: string | null;
  /** What becomes of it. */
  readonly then: string;
  readonly onFile: (file: File | null) => void;
}

/** A file that comes with the new piece; it can be left out again. */
function Brought({ says, accept, name, then, onFile }: BroughtProps) {
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap', fontSize: 13 }}>
      <FileButton says={says} label={says} accept={accept} onFile={onFile} />
      {name !== null && (
        <>
          <span>
            <b>{name}</b>. {then}
          </span>
          <Button variant="text" onClick={() => onFile(null)} aria-label={`Leave out ${name}`}>
            Leave out
          </Button>
        </>
      )}
    </Box>
  );
}

function Step({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="section" aria-label={title} sx={{ display: 'grid', gap: 1.5 }}>
      <Typography variant="h3">{title}</Typography>
      {children}
    </Box>
  );
}

/** The kinds of animal, each as it is drawn. */
function Bodies({ value, onChange }: { value: string; onChange: (id: string) => void }) {
  const move = (from: number, by: number) => {
    const n = BODY_PLANS.length;
    onChange(BODY_PLANS[(from + by + n) % n]!.id);
  };
  return (
    <Box
      role="radiogroup"
      aria-label="Body plan"
      sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(104px, 1fr))', gap: 1 }}
    >
      {BODY_PLANS.map((p, i) => {
        const on = p.id === value;
        return (
          <ButtonBase
            key={p.id}
            role="radio"
            aria-checked={on}
            tabIndex={on ? 0 : -1}
            ref={(el) => {
              if (on && el?.parentElement?.contains(document.activeElement)) el.focus();
            }}
            onClick={() => onChange(p.id)}
            onKeyDown={(e) => {
              const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[e.key];
              if (by === undefined) return;
              e.preventDefault();
              move(i, by);
            }}
            sx={{
              display: 'grid',
              justifyItems: 'stretch',
              gap: 0.5,
              p: 0.75,
              border: on ? 2 : 1,
              m: on ? 0 : '1px',
              borderColor: on ? 'primary.main' : 'divider',
              borderRadius: '3px',
              fontFamily: 'inherit',
              fontSize: 13,
              fontWeight: on ? 700 : 400,
              lineHeight: 1.2,
              alignContent: 'start',
            }}
          >
            <Box sx={{ height: 52 }}>
              <PieceOutline form={p} />
            </Box>
            {p.name}
          </ButtonBase>
        );
      })}
    </Box>
  );
}
