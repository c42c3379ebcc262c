'use client';
/**
 * Match: a colour typed, taken from a lot, a place in a photograph or its palette; the recipes of the cupboard that come
 * nearest, as a blend or as a veil over what is there; what is missing when none does.
 */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { labOf } from '@/core/colour/lab';
import type { Area } from '@/core/piece/schema';
import type { Answer, MatchResult } from '@/core/shade/matching/ask';
import { addLayer } from '@/core/shade/shade-edits';
import { ARMS_LENGTH, colourName, comparedTo } from '@/core/shade/words';
import { recipesFor } from '@/desk/planner';
import { loadPicture } from '@/desk/storage';
import { changePiece, editPiece, say, setView, useDesk } from '@/desk/store';
import { figures } from '@/ui/frame/theme';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { ColourField } from '@/ui/parts/ColourField';
import { Patch } from '@/ui/parts/Patch';
import { PickField } from '@/ui/parts/PickField';
import { useUnits } from '@/ui/parts/useUnits';
import { editShade } from './shade-store';
import { PhotoColour } from './PhotoColour';
import { PhotoPicker } from './PhotoPicker';
import { loadPixels, type Loaded } from './picture-file';
import { EditButton } from '@/ui/parts/Editable';
import { Sentence } from '@/ui/parts/Figures';
import { BarNote } from '@/ui/parts/Panel';

export function MatchRoom({ doc }: { doc: Area }) {
  const target = useDesk((s) => s.view.target);
  const cupboard = useDesk((s) => s.cupboard);
  const plan = useDesk((s) => s.plan);
  const hand = useDesk((s) => s.hand);
  const [parts, setParts] = useState<'8' | '16'>('8');
  const [result, setResult] = useState<MatchResult | null>(null);
  useEffect(() => {
    let gone = false;
    // A colour being slid is waited for.
    const wait = setTimeout(() => {
      const q = { target, parts: Number(parts) as 8 | 16, areaId: doc.id };
      void recipesFor(q, (r) => !gone && setResult(r)).then((r) => !gone && r && setResult(r));
    }, 120);
    return () => {
      gone = true;
      clearTimeout(wait);
    };
  }, [target, parts, doc.id, cupboard, plan, hand]);
  const set = (hex: string) => setView({ target: hex });
  const best = result?.blends[0];
  return (
    <>
      <Sentence>
        {cupboard.lots.length === 0
          ? 'There is no wool in the cupboard to match with.'
          : best
            ? `The nearest is ${best.wool.map((w) => (best.wool.length > 1 ? `${w.parts} ${w.name}` : w.name)).join(' : ')}, ${comparedTo('wanted', best.words)}.`
            : 'Looking through the cupboard…'}
      </Sentence>
      <Box role="group" aria-label="Colour to match">
        <ColourField label="Match" value={target} onChange={set} />
        <PickField
          label="or a wool"
          value=""
          empty="Take it from the cupboard"
          options={cupboard.lots.map((l) => ({ value: l.id, says: l.name }))}
          onChange={(id) => set(cupboard.lots.find((l) => l.id === id)!.colour)}
        />
        <References onPick={set} />
        <PhotoColour onPick={set} />
        <EditButton onClick={() => editShade(doc.id, (x) => ({ ...x, wanted: target }))}>
          Want this colour on {doc.name}
        </EditButton>
      </Box>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, mt: 1.5, fontSize: 13 }}>
        Counted in
        <ChoiceRow
          label="Parts"
          value={parts}
          options={[
            { value: '8', says: '8 parts' },
            { value: '16', says: '16 parts' },
          ]}
          onChange={setParts}
        />
        {result?.refining && <span role="status">Looking further…</span>}
      </Box>
      {result && (
        <>
          <Answers title="Blends" list={result.blends} target={target} doc={doc} />
          {result.veils.length > 0 && <Answers title="Veils over it" list={result.veils} target={target} doc={doc} />}
          {result.inTheWay && (
            <BarNote of="warning">
              <b>The layer of {result.inTheWay.wool} is in the way:</b> it stands in front of{' '}
              {Math.round(result.inTheWay.hides * 100)} % of the coat, so no coat brings {doc.name} to this colour. Lay
              less of it, or another one.
            </BarNote>
          )}
          {result.short && (
            <BarNote of="warning">
              <b>
                <Box component="span" sx={{ color: 'warning.main' }}>
                  Missing
                </Box>{' '}
                a wool that is {result.short.words.slice(0, 2).join(' and ')}.
              </b>{' '}
              <Patch hex={result.short.hex} wide={22} high={14} /> A lot of about this {result.short.name}, half and
              half with the nearest, would come{' '}
              {result.short.left < ARMS_LENGTH
                ? 'so near that nobody sees it at arm’s length'
                : `to a difference of ${result.short.left.toFixed(1)}`}
              .
            </BarNote>
          )}
        </>
      )}
    </>
  );
}

function Answers({ title, list, target, doc }: { title: string; list: readonly Answer[]; target: string; doc: Area }) {
  const { q, weighed } = useUnits();
  const lots = useDesk((s) => s.cupboard.lots);
  const hand = useDesk((s) => s.hand);
  const accept = (a: Answer) => {
    let id = 'coat';
    changePiece((p) => {
      const lot = lots.find((l) => l.id === a.recipe[0]!.lotId)!;
      const made =
        a.as === 'veil' ? addLayer(p, doc.id, 'veil', { lot, hand, recipe: a.recipe }) : { piece: p, id: 'coat' };
      id = made.id;
      return {
        ...made.piece,
        areas: made.piece.areas.map((x) =>
          x.id !== doc.id
            ? x
            : {
                ...x,
                shade: {
                  ...x.shade,
                  wanted: target,
                  layers: x.shade.layers.map((l) => {
                    if (a.as === 'blend' && l.kind === 'coat') {
                      id = l.id;
                      return { ...l, blend: [...a.recipe], even: 1 };
                    }
                    if (l.id === id && l.kind === 'veil' && a.arealMgCm2 !== null)
                      return { ...l, arealMgCm2: Math.max(0.1, Math.min(60, a.arealMgCm2)) };
                    return l;
                  }),
                },
              },
        ),
      };
    });
    setView({ shadeRoom: 'stack', layerId: id });
  };
  const bare = doc.coat.method === 'none';
  return (
    <Box component="section" aria-label={title} sx={{ mt: 1 }}>
      <Typography variant="h3">{title}</Typography>
      {list.length === 0 && <Box sx={{ fontSize: 13 }}>No wool in the cupboard is enough for it.</Box>}
      <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {list.map((a, i) => (
          <Box
            component="li"
            key={i}
            sx={{
              display: 'grid',
              gridTemplateColumns: '52px minmax(0, 1fr) auto',
              gap: 1,
              py: 0.6,
              borderBottom: 1,
              borderColor: 'divider',
              fontSize: 13,
              alignItems: 'center',
            }}
          >
            <Box
              sx={{ display: 'flex' }}
              role="img"
              aria-label={`wanted ${colourName(labOf(target))}, comes out ${colourName(labOf(a.hex))}`}
            >
              <Box sx={{ width: 26, height: 34, bgcolor: target }} />
              <Box sx={{ width: 26, height: 34, bgcolor: a.hex }} />
            </Box>
            <Box sx={{ minWidth: 0 }}>
              {a.wool.map((w, i) => (
                <Box key={w.name}>
                  {a.wool.length > 1 ? `${w.parts} ` : ''}
                  {w.name}
                  {w.massG !== null && (
                    <Box component="span" sx={{ ...figures, color: 'text.secondary', ml: 0.75 }}>
                      {weighed(a.wool.map((x) => x.massG ?? 0))[i]}
                    </Box>
                  )}
                </Box>
              ))}
              <Box sx={{ color: 'text.secondary' }}>
                {a.arealMgCm2 !== null ? `${q({ kind: 'areal', value: a.arealMgCm2 })}, ` : ''}
                {a.words} ({a.difference.toFixed(1)})
              </Box>
            </Box>
            <EditButton
              disabled={a.as === 'blend' && bare}
              aria-label={`Use ${a.as} ${i + 1}`}
              onClick={() => accept(a)}
              sx={{ minWidth: 0, px: 1 }}
            >
              Use
            </EditButton>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** The photographs of the piece: a place picked, or the palette they are reduced to. */
function References({ onPick }: { onPick: (hex: string) => void }) {
  const piece = useDesk((s) => s.piece)!;
  const [id, setId] = useState<string | null>(null);
  const [loaded, setLoaded] = useState<Loaded | null>(null);
  const reference = piece.references.find((r) => r.id === id) ?? null;
  useEffect(() => {
    if (!id) return;
    let gone = false;
    let url: string | null = null;
    void loadPicture(piece.id, id).then(async (blob) => {
      if (gone) return;
      if (!blob) return say('The picture itself is not in this browser. Add the same file again under Form, Compare.');
      try {
        const l = await loadPixels(blob);
        url = l.url;
        if (gone) URL.revokeObjectURL(l.url);
        else setLoaded(l);
      } catch (e) {
        say((e as Error).message);
      }
    });
    return () => {
      gone = true;
      if (url) URL.revokeObjectURL(url);
      setLoaded(null);
    };
  }, [id, piece.id]);
  const grey = reference?.grey ?? null;
  if (piece.references.length === 0) return null;
  return (
    <>
      <PickField
        label="or a photo"
        value={id ?? ''}
        empty="Of this piece"
        options={piece.references.map((r) => ({ value: r.id, says: r.name }))}
        onChange={setId}
      />
      {loaded && reference && (
        <>
          <PhotoPicker
            loaded={loaded}
            name={reference.name}
            card={grey}
            onCard={(card) =>
              editPiece((d) => {
                const r = d.references.find((x) => x.id === reference.id);
                if (r) r.grey = card && { at: [card.at[0], card.at[1]], colour: card.colour };
              })
            }
            onPick={onPick}
          />
        </>
      )}
    </>
  );
}
