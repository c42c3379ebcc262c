'use client';
/** Trim plan: the bulk cut and the steps after it, each previewed on the animal, with what falls and what is worth keeping. */
import Box from '@mui/material/Box';
import Slider from '@mui/material/Slider';
import Typography from '@mui/material/Typography';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { wayOf } from '@/core/coat/ways';
import type { Area } from '@/core/piece/schema';
import { setView, useDesk } from '@/desk/store';
import { FactList } from '@/ui/parts/FactList';
import { SmallTable } from '@/ui/parts/SmallTable';
import { useUnits } from '@/ui/parts/useUnits';
import { Sentence } from '@/ui/parts/Figures';

export function TrimRoom({ area, doc }: { area: AreaPlan; doc: Area }) {
  const step = useDesk((s) => s.view.trimStep);
  const { q } = useUnits();
  const trim = area.fur?.trim ?? null;
  if (!area.fur) return <Typography sx={{ my: 1.5 }}>This area is left bare: there is nothing to trim.</Typography>;
  if (!trim) {
    return (
      <Typography sx={{ my: 1.5 }}>
        {wayOf(area.fur.method).untrimmed ?? 'What is laid this way is not trimmed.'}
      </Typography>
    );
  }
  const last = trim.steps.length;
  const at = Math.min(last, step ?? last);
  const mm = (value: number) => q({ kind: 'length', value });
  const strip = area.fur.strip;
  const lengths = doc.coat.method === 'none' ? [] : (wayOf(doc.coat.method).lengths?.(doc.coat) ?? []);
  return (
    <>
      <Sentence>
        Laid <b>{mm(trim.laidMm)}</b> long, trimmed to <b>{mm(trim.finishedMm)}</b> in {last}{' '}
        {last === 1 ? 'cut' : 'cuts'}. <b>{q({ kind: 'mass', value: trim.wasteG })}</b> fall
        {trim.keepG > 0.05 ? (
          <>
            , <b>{q({ kind: 'mass', value: trim.keepG })}</b> of it long enough for a core
          </>
        ) : null}
        .
      </Sentence>
      <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
        It cannot be put back: until the last cut {mm(trim.marginMm)} are left to forgive a slip. Tease the fur out,
        snip up into it and not straight across, comb it down and look again. Bag the other colours first.
      </Typography>
      {lengths.length > 0 && (
        <FactList
          label="Profile"
          list={lengths.map(([what, value]) => ({ what: `Finished ${what}`, value: mm(value) }))}
        />
      )}
      {strip && (strip.leftShare < 1 || strip.rightShare < 1) && (
        <Typography sx={{ fontSize: 13, mt: 0.5 }}>
          Left to {Math.round(strip.leftShare * 100)} %, right to {Math.round(strip.rightShare * 100)} % of the length;
          compare the two sides after every cut.
        </Typography>
      )}
      <Box sx={{ px: 1, mt: 1 }}>
        <Slider
          aria-label="Cuts taken"
          value={at}
          min={0}
          max={last}
          step={1}
          marks
          getAriaValueText={(v) => (v === 0 ? 'as laid' : `after cut ${v}`)}
          onChange={(_e, v) => setView({ trimStep: v === last ? null : (v as number), overlay: 'fur' })}
        />
      </Box>
      <SmallTable
        label="Trim plan"
        head={['Cut', 'takes', 'leaves', 'falls']}
        marked={at - 1}
        rows={trim.steps.map((s, i) => [
          `${i + 1} ${s.kind}`,
          mm(s.takesMm),
          mm(s.leavesMm),
          `${q({ kind: 'mass', value: s.wasteG })}${s.keep ? ', keep' : ''}`,
        ])}
      />
    </>
  );
}
