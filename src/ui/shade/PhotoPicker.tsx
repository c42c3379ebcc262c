'use client';
/**
 * A photograph to take colours from: a press picks the place under it, by keys the crosshair is moved. A grey card in the
 * picture takes its cast out first.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useEffect, useMemo, useState } from 'react';
import { neutraliser } from '@/core/colour/adapt';
import { labOf, type Triple } from '@/core/colour/lab';
import { patchOf, type Palette } from '@/core/colour/picture';
import { hexOf, linearOf, toXyz } from '@/core/colour/rgb';
import { colourName } from '@/core/shade/words';
import { paletteOfPicture } from '@/desk/planner';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { ColourField } from '@/ui/parts/ColourField';
import { Patch } from '@/ui/parts/Patch';
import type { Loaded } from './picture-file';
import { useEditable } from '@/ui/parts/Editable';
import { INK_3D, PLAIN, USUAL_CARD } from '@/ui/pictures/colours';

/** Half the side of the patch a colour is taken from, pixels. */
const RADIUS = 5;
const CLIPPED = 0.02;

export interface Card {
  /** Shares of the picture's width and height. */
  readonly at: readonly [number, number];
  /** What it is in life. */
  readonly colour: string;
}

/** An 18 % grey card, as sold for photographs. */

interface PhotoPickerProps {
  readonly loaded: Loaded;
  readonly name: string;
  readonly card: Card | null;
  readonly onCard: (card: Card | null) => void;
  readonly onPick: (hex: string) => void;
}

/** Light of the card as the picture has it; null without one. */
function cardLight(loaded: Loaded, card: Card | null): { linear: Triple; truth: string } | null {
  if (!card) return null;
  const { width, height } = loaded.picture;
  return {
    linear: patchOf(loaded.picture, card.at[0] * width, card.at[1] * height, RADIUS).linear,
    truth: card.colour,
  };
}

export function PhotoPicker({ loaded, name, card, onCard, onPick }: PhotoPickerProps) {
  const disabled = !useEditable();
  const [what, setWhat] = useState<'colour' | 'card'>('colour');
  const [at, setAt] = useState<readonly [number, number]>([0.5, 0.5]);
  const { width, height } = loaded.picture;
  const neutral = useMemo(() => {
    const c = cardLight(loaded, card);
    return c ? neutraliser(c.linear, toXyz(linearOf(c.truth))[1]) : (x: Triple) => x;
  }, [loaded, card]);
  const here = patchOf(loaded.picture, at[0] * width, at[1] * height, RADIUS);
  const hex = hexOf(neutral(here.linear));
  const take = (p: readonly [number, number]) => {
    setAt(p);
    if (what === 'card') {
      onCard({ at: [p[0], p[1]], colour: card?.colour ?? USUAL_CARD });
      setWhat('colour');
    } else onPick(hexOf(neutral(patchOf(loaded.picture, p[0] * width, p[1] * height, RADIUS).linear)));
  };
  const clamp = (x: number) => Math.max(0, Math.min(1, x));
  return (
    <Box role="group" aria-label={`Colours of ${name}`} sx={{ my: 1 }}>
      <ChoiceRow
        label="A press picks"
        value={what}
        disabled={disabled}
        options={[
          { value: 'colour', says: 'pick a colour' },
          { value: 'card', says: 'show the grey card' },
        ]}
        onChange={setWhat}
      />
      <Box
        role="button"
        tabIndex={disabled ? -1 : 0}
        aria-label={`${name}: arrows move the crosshair, Enter takes the ${what === 'card' ? 'grey card' : 'colour'} there`}
        onKeyDown={(e) => {
          const step = { ArrowLeft: [-0.02, 0], ArrowRight: [0.02, 0], ArrowUp: [0, -0.02], ArrowDown: [0, 0.02] }[
            e.key
          ];
          if (step) {
            e.preventDefault();
            e.stopPropagation();
            setAt([clamp(at[0] + step[0]!), clamp(at[1] + step[1]!)]);
          } else if (e.key === 'Enter' && !disabled) {
            e.preventDefault();
            take(at);
          }
        }}
        onPointerDown={(e) => {
          if (disabled) return;
          const r = e.currentTarget.getBoundingClientRect();
          take([clamp((e.clientX - r.left) / r.width), clamp((e.clientY - r.top) / r.height)]);
        }}
        sx={{
          position: 'relative',
          mt: 0.75,
          cursor: 'crosshair',
          touchAction: 'none',
          aspectRatio: `${width} / ${height}`,
          maxHeight: 300,
          backgroundImage: `url(${loaded.url})`,
          backgroundSize: '100% 100%',
          border: 1,
          borderColor: 'divider',
        }}
      >
        <Mark at={at} />
        {card && <Mark at={card.at} says="grey" />}
      </Box>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', fontSize: 13, mt: 0.5 }}>
        <Patch hex={hex} />
        <Box sx={{ flex: 1 }}>
          {colourName(labOf(hex))}
          {here.clipped > CLIPPED ? '; too bright or too dark there, the colour is lost' : ''}
        </Box>
        <Button disabled={disabled} onClick={() => onPick(hex)}>
          Take this colour
        </Button>
      </Box>
      <PalettePicks loaded={loaded} card={card} onPick={onPick} />
      {card && (
        <>
          <ColourField label="Card in life" value={card.colour} onChange={(colour) => onCard({ ...card, colour })} />
          <Button disabled={disabled} onClick={() => onCard(null)}>
            No grey card
          </Button>
        </>
      )}
    </Box>
  );
}

/** The colours the photograph is made of, each to be taken. */
function PalettePicks({ loaded, card, onPick }: { loaded: Loaded; card: Card | null; onPick: (hex: string) => void }) {
  const disabled = !useEditable();
  const [palette, setPalette] = useState<Palette | null>(null);
  useEffect(() => {
    let gone = false;
    void paletteOfPicture(loaded.picture, cardLight(loaded, card)).then((p) => !gone && setPalette(p));
    return () => {
      gone = true;
    };
  }, [loaded, card]);
  return (
    <Box role="group" aria-label="Palette of the photograph" sx={{ fontSize: 13, minHeight: 34 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5 }}>
        {palette?.colours.map((c) => (
          <Box
            component="button"
            type="button"
            key={c.hex}
            disabled={disabled}
            onClick={() => onPick(c.hex)}
            aria-label={`${colourName(c.lab)}, ${Math.round(100 * c.share)} % of the picture`}
            sx={{
              width: 38,
              height: 28,
              bgcolor: c.hex,
              border: 1,
              borderColor: 'text.secondary',
              cursor: 'pointer',
            }}
          />
        ))}
      </Box>
      {palette && palette.clipped > CLIPPED && (
        <Box role="note">
          {Math.round(100 * palette.clipped)} % of the picture is too bright or too dark to tell its colour.
        </Box>
      )}
    </Box>
  );
}

function Mark({ at, says }: { at: readonly [number, number]; says?: string }) {
  return (
    <Box
      aria-hidden
      sx={{
        position: 'absolute',
        left: `${100 * at[0]}%`,
        top: `${100 * at[1]}%`,
        width: 16,
        height: 16,
        ml: '-8px',
        mt: '-8px',
        border: `2px solid ${PLAIN}`,
        outline: `1px solid ${INK_3D}`,
        borderRadius: says ? 0 : '50%',
        pointerEvents: 'none',
      }}
    />
  );
}
