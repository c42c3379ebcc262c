'use client';
/** Everything decided about one layer: its wool, how much, where in the area. Used for layers of areas and of markings. */
import Box from '@mui/material/Box';
import { placeRound } from '@/core/form/places';
import { layerSchema, layerWhereSchema, type Layer, type LayerWhere } from '@/core/piece/shade';
import type { Place } from '@/core/piece/schema';
import { AMOUNTS, amountOf, arealOf, type Amount } from '@/core/shade/layers/amount';
import { isMixed, mixed } from '@/core/wool/recipe';
import { setView, useDesk } from '@/desk/store';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { KindFields } from '@/ui/parts/Fields';
import { useUnits } from '@/ui/parts/useUnits';
import { ThinPicture } from '@/ui/pictures/ThinPicture';
import { wispsOn } from '@/core/shade/shade-methods';
import type { LayerPlan } from '@/core/shade/layers/area-shade';
import { PlaceFields } from './PlaceFields';
import { RecipeField } from './RecipeField';
import { EditButton } from '@/ui/parts/Editable';
import { Ruled } from '@/ui/parts/Panel';

interface LayerControlsProps {
  readonly layer: Layer;
  readonly onChange: (layer: Layer) => void;
  /** As it is planned, and the colour below it; null until it is. */
  readonly plan: LayerPlan | null;
  readonly groundHex: string;
  /** Where within the area it may lie; a marking says that by its shape. */
  readonly places?: boolean;
}

export function LayerControls({ layer, onChange, plan, groundHex, places = true }: LayerControlsProps) {
  const lots = useDesk((s) => s.cupboard.lots);
  const coatLot = useDesk((s) => {
    const c = s.piece?.areas.find((a) => a.id === s.view.areaId)?.coat;
    return c && c.method !== 'none' ? c.lotId : null;
  });
  if (layer.kind === 'coat') {
    return (
      <>
        {layer.blend === null ? (
          <EditButton
            disabled={coatLot === null || lots.length < 2}
            onClick={() => {
              const other = lots.find((l) => l.id !== coatLot)!;
              onChange({
                ...layer,
                blend: [
                  { lotId: coatLot!, parts: 1 },
                  { lotId: other.id, parts: 1 },
                ],
              });
            }}
          >
            Lay the coat from a blend
          </EditButton>
        ) : (
          <>
            <RecipeField
              label="Blend of the coat"
              recipe={layer.blend}
              even={layer.even}
              onChange={(blend, even) => onChange({ ...layer, blend, even })}
            />
            <EditButton onClick={() => onChange({ ...layer, blend: null, even: 1 })} sx={{ mt: 0.5 }}>
              Back to one wool
            </EditButton>
          </>
        )}
      </>
    );
  }
  const set = (change: object) => onChange({ ...layer, ...change });
  return (
    <>
      {layer.kind === 'veil' && (
        <>
          <RecipeField
            label="Wool of the veil"
            recipe={layer.recipe}
            even={layer.even}
            onChange={(recipe, even) => set({ recipe, even })}
          />
          <AmountInWords layer={layer} onChange={set} />
        </>
      )}
      <KindFields key={layer.kind} of={layerSchema} value={layer} except={['even']} onChange={onChange} />
      {plan && <HowThin plan={plan} groundHex={groundHex} />}
      {places && <WhereField where={layer.where} onChange={(where) => onChange({ ...layer, where })} />}
    </>
  );
}

/** The amount as a maker lays it: in how many wisps, and how thin that is. */
function HowThin({ plan, groundHex }: { plan: LayerPlan; groundHex: string }) {
  const lots = useDesk((s) => s.cupboard.lots);
  const { q } = useUnits();
  const lot = lots.find((l) => l.id === plan.parts[0]?.lotId);
  if (plan.wispMm === null || !lot || plan.areaMm2 <= 0) return null;
  const n = wispsOn(plan.areaMm2);
  return (
    <Box sx={{ display: 'flex', gap: 1.25, my: 0.75, fontSize: 13, alignItems: 'center' }}>
      <ThinPicture
        arealMgCm2={plan.arealMgCm2}
        finenessUm={lot.finenessUm}
        finenessCv={lot.finenessCv}
        hex={plan.ownHex}
        groundHex={groundHex}
        says={`${q({ kind: 'areal', value: plan.arealMgCm2 })} of ${plan.wool}`}
      />
      <Box>
        Divide it into <b>{n}</b> {n === 1 ? 'wisp' : 'wisps'}, {q({ kind: 'length', value: plan.wispMm })} long, for{' '}
        {q({ kind: 'area', value: plan.areaMm2 })}. Half a centimetre of it, drawn large.
      </Box>
    </Box>
  );
}

/** How much of a veil, in words; in mg below it. */
function AmountInWords(p: {
  layer: Extract<Layer, { kind: 'veil' }>;
  onChange: (change: { arealMgCm2: number }) => void;
}) {
  const cupboard = useDesk((s) => s.cupboard);
  const hand = useDesk((s) => s.hand);
  const m = mixed(p.layer.recipe, p.layer.even, cupboard, hand);
  if (!isMixed(m)) return null;
  return (
    <ChoiceRow<Amount>
      label="Amount in words"
      value={amountOf((m.kappa * p.layer.arealMgCm2) / m.m1)}
      options={AMOUNTS.map((a) => ({ value: a, says: a }))}
      onChange={(a) => p.onChange({ arealMgCm2: arealOf(a, m.m1, m.kappa) })}
    />
  );
}

const WHERE_WORDS = {
  all: 'all over',
  fade: 'fading',
  edge: 'along the border',
  line: 'along a line',
} as const;

function WhereField({ where, onChange }: { where: LayerWhere; onChange: (w: LayerWhere) => void }) {
  const brush = useDesk((s) => s.view.brush);
  const part = useDesk((s) => {
    const area = s.piece?.areas.find((a) => a.id === s.view.areaId);
    return area?.where[0]?.parts[0] ?? s.piece!.form.parts[0]!.id;
  });
  const place = (along: number, round: number): Place => placeRound(part, along, round);
  const begin = (kind: LayerWhere['kind']): LayerWhere => {
    if (kind === 'fade') return { kind, from: null, to: null, least: 0 };
    if (kind === 'edge') return { kind, widthMm: 4 };
    if (kind === 'line') return { kind, places: [place(0.3, 60), place(0.7, 60)], widthMm: 2, mirrored: true };
    return { kind: 'all' };
  };
  return (
    <Ruled aria-label="Where the layer lies">
      <ChoiceRow
        label="Where"
        value={where.kind}
        options={(Object.keys(WHERE_WORDS) as LayerWhere['kind'][]).map((k) => ({ value: k, says: WHERE_WORDS[k] }))}
        onChange={(k) => k !== where.kind && onChange(begin(k))}
      />
      <KindFields key={where.kind} of={layerWhereSchema} value={where} onChange={onChange} />
      {where.kind === 'line' && (
        <>
          <EditButton
            aria-pressed={brush === 'line'}
            variant={brush === 'line' ? 'contained' : 'outlined'}
            onClick={() => setView({ brush: brush === 'line' ? 'off' : 'line' })}
          >
            Draw the line on the animal
          </EditButton>
          <Ends places={where.places} onChange={(places) => onChange({ ...where, places })} />
        </>
      )}
      {where.kind === 'fade' && (
        <>
          {(
            [
              ['from', 'Full at', 'the hem'],
              ['to', 'Fading to', 'the top'],
            ] as const
          ).map(([key, label, end]) => (
            <Box key={key} role="group" aria-label={label}>
              <ChoiceRow
                label={label}
                value={where[key] === null ? 'end' : 'place'}
                options={[
                  { value: 'end', says: `${label.toLowerCase()} ${end}` },
                  { value: 'place', says: 'a place' },
                ]}
                onChange={(v) =>
                  onChange({ ...where, [key]: v === 'end' ? null : place(key === 'from' ? 0.2 : 0.8, 90) })
                }
              />
              {where[key] !== null && (
                <PlaceFields label={label} place={where[key]} onChange={(p) => onChange({ ...where, [key]: p })} />
              )}
            </Box>
          ))}
        </>
      )}
    </Ruled>
  );
}

/** First and last place of a line; those between are drawn. */
export function Ends({ places, onChange }: { places: readonly Place[]; onChange: (places: Place[]) => void }) {
  const set = (i: number, p: Place) => onChange(places.map((x, k) => (k === i ? p : x)));
  return (
    <>
      <PlaceFields label="Start" place={places[0]!} onChange={(p) => set(0, p)} />
      {places.length > 1 && (
        <PlaceFields label="End" place={places[places.length - 1]!} onChange={(p) => set(places.length - 1, p)} />
      )}
    </>
  );
}
