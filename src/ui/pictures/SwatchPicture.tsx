'use client';
/**
 * A swatch of an area's fur fibre by fibre, at true scale on a screen of 96 dots to the inch or enlarged, with the base
 * showing between. As many fibres as truly lie there; what shows is what the cover figure says.
 */
import Box from '@mui/material/Box';
import { useEffect, useRef } from 'react';
import { swatchFibres } from '@/core/coat/picture/swatch-fibres';
import type { Pile } from '@/core/coat/picture/pile';
import { hexOf } from '@/core/colour/rgb';
import type { Look } from '@/core/shade/layers/look';
import { pickStrand } from '@/core/shade/layers/strand-colour';
import { useDesk } from '@/desk/store';
import { BARE } from './colours';

/** CSS pixels on a millimetre. */
const PER_MM = 96 / 25.4;
/** More strokes than this are thinned: the picture would take longer than a blink. */
const MOST = { whole: 60_000, plain: 6_000 } as const;

interface SwatchPictureProps {
  readonly label: string;
  readonly pile: Pile;
  readonly lotId: string;
  readonly arealMgCm2: number;
  readonly spacingMm: number;
  readonly widePx: number;
  readonly highPx: number;
  /** What its strands are seen as; without it they have the colour of their wool. */
  readonly look?: Look | undefined;
  /** Colour of what shows between. */
  readonly groundHex?: string | undefined;
  /** How many times life size. */
  readonly times?: number;
}

export function SwatchPicture(p: SwatchPictureProps) {
  const ref = useRef<HTMLCanvasElement>(null);
  const lot = useDesk((s) => s.cupboard.lots.find((l) => l.id === p.lotId));
  const hand = useDesk((s) => s.hand);
  const seed = useDesk((s) => s.piece?.seed ?? 1);
  const most = useDesk((s) => MOST[s.settings.picture]);
  const times = p.times ?? 1;
  useEffect(() => {
    const canvas = ref.current;
    const g = canvas?.getContext('2d');
    if (!canvas || !g || !lot) return;
    const dots = Math.min(2, window.devicePixelRatio || 1);
    canvas.width = Math.round(p.widePx * dots);
    canvas.height = Math.round(p.highPx * dots);
    const scale = PER_MM * times * dots;
    g.fillStyle = p.groundHex ?? BARE;
    g.fillRect(0, 0, canvas.width, canvas.height);
    const s = swatchFibres(
      {
        pile: p.pile,
        arealMgCm2: p.arealMgCm2,
        spacingMm: p.spacingMm,
        finenessUm: lot.finenessUm,
        finenessCv: lot.finenessCv,
        unevenness: hand.unevenness,
        seed,
      },
      canvas.width / scale,
      canvas.height / scale,
    );
    const every = Math.max(1, Math.ceil(s.count / most));
    const colours = [p.pile.colour, p.pile.tipColour ?? p.pile.colour, p.pile.marking?.colour ?? p.pile.colour];
    // Fibres drawn fewer are drawn wider, so that as much is hidden.
    g.lineWidth = Math.max(0.02, s.widthMm * scale * every);
    for (let i = 0; i < s.count; i += every) {
      // Each a little lighter or darker than the next, as fibres are.
      g.globalAlpha = 1;
      const strand = p.look && s.colour[i] !== 2 ? pickStrand(p.look, (s.of[i]! * 0.6180339887) % 1) : null;
      const hex = strand ? hexOf(s.colour[i] === 1 && strand.tip ? strand.tip : strand.root) : colours[s.colour[i]!]!;
      g.strokeStyle = shaded(hex, s.tone ? s.tone[i]! : 0.82 + 0.3 * ((i * 0.618) % 1));
      g.beginPath();
      const y = canvas.height;
      g.moveTo(s.strokes[4 * i]! * scale, y - s.strokes[4 * i + 1]! * scale);
      g.lineTo(s.strokes[4 * i + 2]! * scale, y - s.strokes[4 * i + 3]! * scale);
      g.stroke();
    }
  }, [p.pile, p.arealMgCm2, p.spacingMm, p.widePx, p.highPx, times, lot, hand, seed, p.look, p.groundHex, most]);
  return (
    <Box
      component="canvas"
      ref={ref}
      role="img"
      aria-label={p.label}
      sx={{ width: p.widePx, height: p.highPx, display: 'block', border: 1, borderColor: 'divider' }}
    />
  );
}

const SHADES = 12;
const table = new Map<string, string[]>();

/** A screen colour made lighter or darker, from a short table. */
function shaded(hex: string, by: number): string {
  let list = table.get(hex);
  if (!list) {
    list = Array.from({ length: SHADES }, (_, i) => {
      const k = 0.82 + (0.3 * i) / (SHADES - 1);
      return `rgb(${[1, 3, 5].map((j) => Math.min(255, Math.round(parseInt(hex.slice(j, j + 2), 16) * k))).join(' ')})`;
    });
    table.set(hex, list);
  }
  return list[Math.max(0, Math.min(SHADES - 1, Math.round(((by - 0.82) / 0.3) * (SHADES - 1))))]!;
}
