'use client';
/**
 * Blend card: two to four wools by parts, the colour they come out in by both schools, grams for the area; and the colour a
 * blend really came out in, from which this hand learns.
 */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { labOf } from '@/core/colour/lab';
import { hexOfCurve, labOfCurve } from '@/core/colour/reflectance';
import { saysOf } from '@/core/piece/fields';
import { handSchema } from '@/core/piece/hand';
import type { Area } from '@/core/piece/schema';
import { veilSchema, type Recipe } from '@/core/piece/shade';
import { blendCurve, type BlendModel } from '@/core/wool/blend';
import { blendHow, fitBlend } from '@/core/wool/learnt-blend';
import { recipeWords } from '@/core/wool/recipe';
import { woolFor } from '@/core/shade/shade-methods';
import { addLayer } from '@/core/shade/shade-edits';
import { woolCurve } from '@/core/wool/wool-colour';
import { colourName, comparedTo, inWords } from '@/core/shade/words';
import { freshId } from '@/desk/files';
import { changePiece, editCupboard, setView, useDesk } from '@/desk/store';
import { figures } from '@/ui/frame/theme';
import { ColourField } from '@/ui/parts/ColourField';
import { Patch } from '@/ui/parts/Patch';
import { FactList } from '@/ui/parts/FactList';
import { Fields } from '@/ui/parts/Fields';
import { useUnits } from '@/ui/parts/useUnits';
import { PhotoColour } from './PhotoColour';
import { RecipeField } from './RecipeField';
import { EditButton } from '@/ui/parts/Editable';
import { Ruled } from '@/ui/parts/Panel';

/** Laid as any layer is. */
const LAID = veilSchema.pick({ arealMgCm2: true });

export function BlendRoom({ doc, areaMm2 }: { doc: Area; areaMm2: number }) {
  const cupboard = useDesk((s) => s.cupboard);
  const hand = useDesk((s) => s.hand);
  const { weighed } = useUnits();
  const { lots } = cupboard;
  const [recipe, setRecipe] = useState<Recipe>(() => {
    // Begun from what the coat is laid from.
    const coat = doc.shade.layers.find((l) => l.kind === 'coat');
    if (coat?.kind === 'coat' && coat.blend && coat.blend.length > 1) return coat.blend;
    const own =
      doc.coat.method === 'none' ? undefined : lots.find((l) => 'lotId' in doc.coat && l.id === doc.coat.lotId);
    const first = own ?? lots[0];
    const other = lots.find((l) => l.id !== first?.id);
    return [first, other].filter((l) => l !== undefined).map((l) => ({ lotId: l.id, parts: 1 }));
  });
  const [even, setEven] = useState(1);
  const [areal, setAreal] = useState(2);
  const used = recipe.map((r) => ({ lot: lots.find((l) => l.id === r.lotId), parts: r.parts }));
  if (lots.length < 2 || used.some((u) => !u.lot)) {
    return <Typography sx={{ my: 1 }}>A blend needs two wools in the cupboard.</Typography>;
  }
  const list = used.map((u) => ({ curve: woolCurve(u.lot!), parts: u.parts }));
  const how = blendHow(cupboard, used[0]!.lot!.form, hand, even);
  const by = (model: BlendModel) => blendCurve(list, { ...how, model });
  const words = saysOf(handSchema.shape.blendModel)!.words!;
  const schools = (['stearns-noechel', 'friele'] as const).map((model) => ({
    model,
    name: words[model]!,
    curve: by(model),
  }));
  const mainCurve = schools.find((s) => s.model === hand.blendModel)!.curve;
  const massG = woolFor(areal, areaMm2, hand);
  const whole = recipe.reduce((s, r) => s + r.parts, 0);
  const grams = weighed(used.map((u) => (massG * u.parts) / whole));
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1.5, my: 1 }} role="group" aria-label="Predicted colour">
        {schools.map((s) => (
          <Box key={s.model} sx={{ flex: 1, fontSize: 13 }}>
            <Patch
              hex={hexOfCurve(s.curve)}
              wide={150}
              high={64}
              label={`${s.name}: ${colourName(labOfCurve(s.curve))}`}
            />
            <Box>{s.model === hand.blendModel ? <b>{s.name}</b> : s.name}</Box>
            <Box sx={{ color: 'text.secondary' }}>
              {colourName(labOfCurve(s.curve))}{' '}
              <Box component="span" sx={figures}>
                {hexOfCurve(s.curve)}
              </Box>
            </Box>
          </Box>
        ))}
      </Box>
      <Box sx={{ fontSize: 13, color: 'text.secondary' }}>
        As seen by daylight at a window.{' '}
        {how.blends > 0
          ? `Fitted to ${how.blends} of your blends of ${used[0]!.lot!.form}.`
          : 'How far the darker wool wins is a first value: write down a blend you made and it is fitted to your hand.'}
      </Box>
      <RecipeField
        label="Blend"
        recipe={recipe}
        even={even}
        onChange={(r, e) => {
          setRecipe(r);
          setEven(e);
        }}
      />
      <Fields
        schema={LAID}
        value={{ arealMgCm2: areal }}
        keys={['arealMgCm2']}
        onChange={(c) => setAreal(c.arealMgCm2 ?? areal)}
      />
      <FactList label={`Wool for ${doc.name}`} list={used.map((u, i) => ({ what: u.lot!.name, value: grams[i] }))} />
      <Box sx={{ display: 'flex', gap: 0.75, flexWrap: 'wrap' }}>
        <EditButton
          disabled={doc.coat.method === 'none'}
          onClick={() => {
            changePiece((p) => ({
              ...p,
              areas: p.areas.map((a) =>
                a.id === doc.id
                  ? {
                      ...a,
                      shade: {
                        ...a.shade,
                        layers: a.shade.layers.map((l) => (l.kind === 'coat' ? { ...l, blend: recipe, even } : l)),
                      },
                    }
                  : a,
              ),
            }));
            setView({ shadeRoom: 'stack', layerId: 'coat' });
          }}
        >
          Lay the coat of {doc.name} from it
        </EditButton>
        <EditButton
          onClick={() => {
            let id = '';
            changePiece((p) => {
              const made = addLayer(p, doc.id, 'veil', { lot: used[0]!.lot!, hand, recipe });
              id = made.id;
              return {
                ...made.piece,
                areas: made.piece.areas.map((a) =>
                  a.id === doc.id
                    ? {
                        ...a,
                        shade: {
                          ...a.shade,
                          layers: a.shade.layers.map((l) =>
                            l.id === id && l.kind === 'veil' ? { ...l, even, arealMgCm2: areal } : l,
                          ),
                        },
                      }
                    : a,
                ),
              };
            });
            setView({ shadeRoom: 'stack', layerId: id });
          }}
        >
          Lay it as a veil
        </EditButton>
      </Box>
      <Learn recipe={recipe} even={even} predicted={hexOfCurve(mainCurve)} m={how.m} />
      <Made />
    </>
  );
}

interface LearnProps {
  readonly recipe: Recipe;
  readonly even: number;
  readonly predicted: string;
  /** How far the darker wool wins, as it was reckoned. */
  readonly m: number;
}

/** The colour this blend really came out in. */
function Learn({ recipe, even, predicted, m }: LearnProps) {
  const lots = useDesk((s) => s.cupboard.lots);
  const [made, setMade] = useState<string | null>(null);
  const colour = made ?? predicted;
  const fit = made && recipe.length > 1 ? fitBlend({ recipe, even, colour: made }, lots) : null;
  return (
    <Ruled title="Fit to my hand">
      <Box sx={{ fontSize: 13, color: 'text.secondary' }}>
        Blend a little of it, let it lie by a window, and write down the colour it came out in.
      </Box>
      <ColourField label="It came out" value={colour} onChange={setMade} />
      <PhotoColour onPick={setMade} />
      {made && (
        <Box sx={{ fontSize: 13, my: 0.5 }}>
          Predicted {comparedTo('it came out', inWords(labOf(made), labOf(predicted)))}.{' '}
          {fit === null
            ? 'No reckoning brings these wools to that colour.'
            : fit > m
              ? 'In it the darker wool wins more than reckoned.'
              : 'In it the darker wool wins less than reckoned.'}
        </Box>
      )}
      <EditButton
        disabled={made === null || recipe.length < 2}
        onClick={() => {
          editCupboard((d) => {
            d.blends.push({
              id: freshId('blend'),
              name: recipeWords(recipe, lots).slice(0, 80),
              at: new Date().toISOString(),
              recipe: [...recipe],
              even,
              colour: made!,
            });
          });
          setMade(null);
        }}
      >
        Write down the blend
      </EditButton>
    </Ruled>
  );
}

function Made() {
  const blends = useDesk((s) => s.cupboard.blends);
  if (blends.length === 0) return null;
  return (
    <Box component="ul" aria-label="Blends made" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1, fontSize: 13 }}>
      {blends.map((b) => (
        <Box component="li" key={b.id} sx={{ display: 'flex', gap: 1, alignItems: 'center', py: 0.25 }}>
          <Patch hex={b.colour} wide={26} high={18} />
          <Box sx={{ flex: 1 }}>{b.name}</Box>
          <EditButton
            aria-label={`Take away the blend ${b.name}`}
            onClick={() => editCupboard((d) => void (d.blends = d.blends.filter((x) => x.id !== b.id)))}
            sx={{ minWidth: 0, px: 1, minHeight: 24 }}
          >
            ×
          </EditButton>
        </Box>
      ))}
    </Box>
  );
}
