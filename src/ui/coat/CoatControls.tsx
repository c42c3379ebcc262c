'use client';
/** The few controls of an area: way of laying with what it is good for, wool, measures, marking, how rows run. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { WayTo } from '@/ui/frame/WayTo';
import { blendOf } from '@/core/coat/blend-of';
import { coatBy } from '@/core/coat/compare-ways';
import type { Stop } from '@/core/coat/cover/stops';
import { wayOf, WAYS } from '@/core/coat/ways';
import { firstCoat } from '@/core/new-piece';
import { coatSchema, type Coat, type Laid } from '@/core/piece/coat';
import { areaSchema, type Area } from '@/core/piece/schema';
import { recipeWords } from '@/core/wool/recipe';
import { changePiece, editPiece, useDesk } from '@/desk/store';
import { Fields, KindFields } from '@/ui/parts/Fields';
import { PickField } from '@/ui/parts/PickField';
import { MarkingControls } from './MarkingControls';

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
  const way = wayOf(coat.method);
  const pieceId = useDesk((s) => s.piece?.id ?? '');
  const stops = useDesk((s) => s.plan?.coat.areas.find((a) => a.id === area.id)?.fur?.stops);
  const recipe = blendOf(area)?.recipe ?? [];
  const blended = recipe.length > 1 ? recipe : null;
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
      {blended && (
        <Box sx={{ fontSize: 13, my: 0.75 }}>
          Wool: <b>{recipeWords(blended, lots)}</b>, blended.{' '}
          <Button component={WayTo} href={`/piece/${pieceId}/shade`} sx={{ minHeight: 28 }}>
            Change the blend in Shade
          </Button>
        </Box>
      )}
      <KindFields
        key={`${area.id}-${coat.method}`}
        of={coatSchema}
        value={coat}
        except={blended ? ['lotId'] : []}
        stops={stopsIn(stops ?? [])}
        onChange={set}
      />
      {coat.method === 'standing' && (
        <MarkingControls marking={coat.marking} lots={lots} onChange={(marking) => set({ marking })} />
      )}
      <RowChoices area={area} />
    </>
  );
}

const WHY: Record<Stop['by'], string> = { wool: 'by the wool', area: 'before it hangs over', cover: 'to cover' };

/** The stops of a coat by the field they belong to. */
const stopsIn = (stops: readonly Stop[]) =>
  Object.fromEntries(
    stops.map((s) => [
      s.key,
      stops.filter((x) => x.key === s.key).map((x) => ({ at: x.at, bound: x.bound, why: WHY[x.by] })),
    ]),
  );

const SUITS = { well: 'well', possible: 'fairly', badly: 'badly' } as const;
const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);
const lower = (s: string): string => s.charAt(0).toLowerCase() + s.slice(1);

/** How the rows of an area run: half rows, seam. */
function RowChoices({ area }: { area: Area }) {
  return (
    <Fields
      schema={areaSchema}
      value={area}
      keys={['branching', 'seam']}
      onChange={(change) =>
        editPiece((d) => {
          const a = d.areas.find((x) => x.id === area.id);
          if (a) Object.assign(a, change);
        })
      }
    />
  );
}
