'use client';
/** The few controls of an area: way of laying with what it is good for, wool, measures, marking, how rows run. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { WayTo } from '@/ui/frame/WayTo';
import { blendOf } from '@/core/coat/blend-of';
import { boundsOf } from '@/core/coat/coat-field';
import { coatBy } from '@/core/coat/compare-ways';
import { wayOf, WAYS } from '@/core/coat/ways';
import { firstCoat } from '@/core/new-piece';
import type { Coat, Laid } from '@/core/piece/coat';
import type { Area } from '@/core/piece/schema';
import { recipeWords } from '@/core/wool/recipe';
import { changePiece, editPiece, useDesk } from '@/desk/store';
import { CheckField } from '@/ui/parts/CheckField';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { MeasureField } from '@/ui/parts/MeasureField';
import { PickField } from '@/ui/parts/PickField';
import { MarkingControls } from './MarkingControls';
import { WoolField } from '@/ui/parts/WoolField';

const WAY_OPTIONS = [
  ...WAYS.map((w) => ({ value: w.method as string, says: w.title })),
  { value: 'none', says: 'Left bare' },
];

/** Changes the coat of an area where it still has the way it was shown with. */
function changeCoat(areaId: string, method: Coat['method'], set: Readonly<Record<string, unknown>>): void {
  editPiece((d) => {
    const a = d.areas.find((x) => x.id === areaId);
    if (a && a.coat.method === method) Object.assign(a.coat, set);
  });
}

export function CoatControls({ area }: { area: Area }) {
  const piece = useDesk((s) => s.piece);
  const cupboard = useDesk((s) => s.cupboard);
  const hand = useDesk((s) => s.hand);
  const coat = area.coat;
  const choose = (method: Coat['method']) =>
    changePiece((p) => {
      const index = p.areas.findIndex((a) => a.id === area.id);
      if (index < 0) return p;
      const next: Coat =
        method === 'none'
          ? { method: 'none' }
          : (coatBy(method, p, index, cupboard, hand) ?? firstCoat(undefined, p.form.finishedLengthMm, cupboard, hand));
      return { ...p, areas: p.areas.map((a, i) => (i === index ? { ...a, coat: next } : a)) };
    });
  return (
    <Box role="group" aria-label={`How ${area.name} is laid`} sx={{ mt: 1 }}>
      <PickField
        label="Way of laying"
        value={coat.method}
        options={WAY_OPTIONS}
        onChange={(v) => choose(v as Coat['method'])}
      />
      {coat.method !== 'none' && piece && <Chosen area={area} coat={coat} />}
    </Box>
  );
}

function Chosen({ area, coat }: { area: Area; coat: Laid }) {
  const lots = useDesk((s) => s.cupboard.lots);
  const parts = useDesk((s) => s.piece?.form.parts ?? []);
  const way = wayOf(coat.method);
  const pieceId = useDesk((s) => s.piece?.id ?? '');
  const blend = blendOf(area);
  const lot = lots.find((l) => l.id === coat.lotId);
  const set = (change: Readonly<Record<string, unknown>>) => changeCoat(area.id, coat.method, change);
  return (
    <>
      <Typography component="p" sx={{ fontSize: 13, color: 'text.secondary', my: 0.5 }}>
        {way.goodFor} {way.costs}
        {lot
          ? ` ${capital(lot.form)} suits it ${SUITS[way.suits[lot.form].suits]}: ${lower(way.suits[lot.form].why)}`
          : ''}
      </Typography>
      {blend && blend.recipe.length > 1 ? (
        <Box sx={{ fontSize: 13, my: 0.75 }}>
          Wool: <b>{recipeWords(blend.recipe, lots)}</b>, blended.{' '}
          <Button component={WayTo} href={`/piece/${pieceId}/shade`} sx={{ minHeight: 28 }}>
            Change the blend in Shade
          </Button>
        </Box>
      ) : (
        <WoolField label="Wool" value={coat.lotId} onChange={(id) => id !== null && set({ lotId: id })} />
      )}
      {coat.method === 'strip' && (
        <WoolField
          label="Anchor"
          value={coat.anchorLotId}
          none="No anchor"
          onChange={(id) => set({ anchorLotId: id })}
        />
      )}
      {way.fields.map((f) => (
        <MeasureField
          key={`${area.id}-${coat.method}-${f.key}`}
          label={f.label}
          kind={f.kind}
          value={(coat as unknown as Record<string, number>)[f.key]!}
          {...boundsOf(coat.method, f.key)}
          slide={f.slide}
          onChange={(v) => set({ [f.key]: f.key === 'layers' ? Math.round(v) : v })}
        />
      ))}
      {coat.method === 'fold-over' && <FromHemToTop area={area} coat={coat} />}
      {coat.method === 'locks' && (
        <>
          <CheckField label="locks opened" value={coat.opened} onChange={(opened) => set({ opened })} />
          <PickField
            label="Set by"
            value={coat.root}
            options={[
              { value: 'cut end', says: 'the cut end, teased thin' },
              { value: 'felted middle', says: 'the middle, felted and folded' },
            ]}
            onChange={(root) => set({ root })}
          />
          <PickField
            label="Tips"
            value={coat.tips}
            options={[
              { value: 'kept', says: 'kept' },
              { value: 'opened', says: 'opened' },
              { value: 'cut', says: 'cut off' },
            ]}
            onChange={(tips) => set({ tips })}
          />
        </>
      )}
      {coat.method === 'sheet' && (
        <PickField
          label="Slit for"
          value={coat.slit ?? 'no-part'}
          options={[{ value: 'no-part', says: 'no part' }, ...parts.map((p) => ({ value: p.id, says: p.name }))]}
          onChange={(v) => set({ slit: v === 'no-part' ? null : v })}
        />
      )}
      {coat.method === 'standing' && (
        <MarkingControls marking={coat.marking} lots={lots} onChange={(marking) => set({ marking })} />
      )}
      <RowChoices area={area} />
    </>
  );
}

const SUITS = { well: 'well', possible: 'fairly', badly: 'badly' } as const;
const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);
const lower = (s: string): string => s.charAt(0).toLowerCase() + s.slice(1);

/** Length and spacing that change from the hem to the top of the area. */
function FromHemToTop({ area, coat }: { area: Area; coat: Extract<Laid, { method: 'fold-over' }> }) {
  const set = (change: Readonly<Record<string, unknown>>) => changeCoat(area.id, 'fold-over', change);
  const varied = coat.topLengthMm !== null || coat.topSpacingMm !== null;
  return (
    <>
      <CheckField
        label="changes from hem to top"
        value={varied}
        onChange={(on) => set({ topLengthMm: on ? coat.lengthMm : null, topSpacingMm: on ? coat.spacingMm : null })}
      />
      {coat.topLengthMm !== null && (
        <MeasureField
          label="Length at top"
          kind="length"
          value={coat.topLengthMm}
          {...boundsOf('fold-over', 'topLengthMm')}
          slide={{ min: 3, max: 60, step: 0.5 }}
          onChange={(v) => set({ topLengthMm: v })}
        />
      )}
      {coat.topSpacingMm !== null && (
        <MeasureField
          label="Spacing at top"
          kind="length"
          value={coat.topSpacingMm}
          {...boundsOf('fold-over', 'topSpacingMm')}
          slide={{ min: 1, max: 20, step: 0.5 }}
          onChange={(v) => set({ topSpacingMm: v })}
        />
      )}
    </>
  );
}

/** How the rows of an area run: half rows, seam. */
function RowChoices({ area }: { area: Area }) {
  const edit = (change: Partial<Pick<Area, 'branching' | 'seam'>>) =>
    editPiece((d) => {
      const a = d.areas.find((x) => x.id === area.id);
      if (a) Object.assign(a, change);
    });
  return (
    <>
      <CheckField
        label="half rows where they gape, fewer where they crowd"
        value={area.branching}
        onChange={(branching) => edit({ branching })}
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: '92px 1fr', gap: 1.5, alignItems: 'center', fontSize: 13 }}>
        <span>Seam</span>
        <ChoiceRow
          label="Seam where rows end"
          value={area.seam}
          options={[
            { value: 'none', says: 'none' },
            { value: 'under', says: 'underneath' },
            { value: 'top', says: 'on top' },
          ]}
          onChange={(seam) => edit({ seam })}
        />
      </Box>
    </>
  );
}
