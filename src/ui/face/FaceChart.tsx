'use client';
/**
 * The face chart: front and profile of the head side by side on one millimetre scale, the other half mirrored live. Every
 * feature is a handle that stays on the skin: dragged by mouse or finger, or moved by arrows, half a millimetre a press.
 */
import Box from '@mui/material/Box';
import { useMemo, type ReactNode } from 'react';
import { makeBody } from '@/core/form/body';
import { mirrorPlace, pointOf } from '@/core/form/places';
import { earAt } from '@/core/face/features/ears';
import { faceDrawing, type FaceDrawing } from '@/core/face/drawing/face-drawing';
import { moveFeature, onChart, underChart, type ChartSide, type Movable } from '@/core/face/face-edits';
import { intoHead } from '@/core/face/head/head';
import type { Vec3 } from '@/core/geometry/vec';
import type { Place } from '@/core/piece/schema';
import { editPiece, setView, useDesk } from '@/desk/store';
import type { FaceFeature } from '@/desk/view';
import { figures } from '@/ui/frame/theme';
import { Handle, onDrawing } from '@/ui/parts/Handle';
import { useUnits } from '@/ui/parts/useUnits';
import { useFace, useEyeDrawing, useSmallHex } from './face-store';
import { LaidPhoto } from './LaidPhoto';
import { CHOSEN, HARM, INK, SHEET, UNCHOSEN } from '@/ui/pictures/colours';

interface Handle {
  readonly what: Movable;
  readonly feature: FaceFeature;
  readonly name: string;
  readonly at: Vec3 | null;
  readonly whiskersId?: string;
}

/** Between the front and the profile, mm. */
const GAP = 10;

export function useFaceDrawings(): { readonly front: FaceDrawing; readonly profile: FaceDrawing } | null {
  const f = useFace();
  const eye = useEyeDrawing();
  const nose = useSmallHex('nose');
  const lots = useDesk((s) => s.cupboard.lots);
  const feature = useDesk((s) => s.view.feature);
  return useMemo(() => {
    if (!f?.plan || !eye) return null;
    const { plan, face } = f;
    const draw = (side: ChartSide) =>
      faceDrawing(plan, face, side, {
        eyes: eye.eyes,
        noseHex: nose ?? UNCHOSEN.nose,
        browHex: lots.find((l) => l.id === face.brows?.lotId)?.colour ?? UNCHOSEN.brow,
        whiskers: true,
        threads: feature === 'whiskers',
        stems: feature === 'eyes',
        clear: feature === 'eyes',
      });
    const [front, profile] = [draw('front'), draw('profile')];
    // One height for both, so that they stand on one level.
    const low = Math.min(front.min[1], profile.min[1]);
    const high = Math.max(front.max[1], profile.max[1]);
    const level = (d: FaceDrawing): FaceDrawing => ({ ...d, min: [d.min[0], low], max: [d.max[0], high] });
    return { front: level(front), profile: level(profile) };
  }, [f, eye, nose, lots, feature]);
}

interface FaceChartProps {
  /** A press on the head, where it is to be picked from; handles rest meanwhile. */
  readonly onPick?: (point: Vec3) => void;
  /** A place marked on it. */
  readonly dot?: Vec3 | null;
}

export function FaceChart({ onPick, dot = null }: FaceChartProps = {}) {
  const f = useFace();
  const drawings = useFaceDrawings();
  const piece = useDesk((s) => s.piece);
  const skin = useDesk((s) => s.plan?.form.skin);
  const feature = useDesk((s) => s.view.feature);
  const { q } = useUnits();
  const form = piece?.form;
  const body = useMemo(() => (form ? makeBody(form) : null), [form]);
  if (!f?.plan || !drawings || !body || !piece || !skin) {
    return (
      <Box sx={{ flex: 1, display: 'grid', placeItems: 'center', bgcolor: 'desk.stage', fontSize: 13 }}>
        The chart appears when the head has been worked out.
      </Box>
    );
  }
  const { plan, face } = f;
  const { front, profile } = drawings;
  const shift = { front: [0, 0] as const, profile: [front.max[0] + GAP - profile.min[0], 0] as const };
  const lo = [front.min[0], Math.min(front.min[1], profile.min[1])] as const;
  const hi = [shift.profile[0] + profile.max[0], Math.max(front.max[1], profile.max[1])] as const;
  const box = { x: lo[0], y: -hi[1], w: hi[0] - lo[0], h: hi[1] - lo[1] };
  const px = Math.max(box.w / 640, box.h / 380);

  const ear = earAt({ body }, face);
  const on = (place: Place) => pointOf(body, place);
  const handles: Handle[] = [
    { what: 'nose', feature: 'nose', name: 'Tip of the nose', at: on(face.nose.at) },
    { what: 'eye-left', feature: 'eyes', name: plan.oneSided ? 'Eye' : 'Left eye', at: on(face.eyes.at) },
    ...(plan.oneSided
      ? []
      : [
          {
            what: 'eye-right' as const,
            feature: 'eyes' as const,
            name: 'Right eye',
            at: on(face.eyes.other ?? mirrorPlace(face.eyes.at)),
          },
        ]),
    ...(ear
      ? [{ what: 'ear-left' as const, feature: 'ears' as const, name: plan.oneSided ? 'Ear' : 'Left ear', at: ear }]
      : []),
    ...face.whiskers.map((w): Handle => ({
      what: `whiskers-${w.id}`,
      feature: 'whiskers',
      name: `First root of ${w.name.toLowerCase()}`,
      at: on(w.at),
      whiskersId: w.id,
    })),
  ];
  const take = (h: Handle) => setView({ feature: h.feature, ...(h.whiskersId ? { whiskersId: h.whiskersId } : {}) });
  const move = (h: Handle, side: ChartSide, at: readonly [number, number]) => {
    if (!h.at) return;
    const point = underChart(skin, plan.frame, at, side, h.at, plan.headLengthMm);
    const next = moveFeature(piece, body, h.what, point);
    editPiece((d) => {
      d.face = next.face;
      d.form = next.form;
      d.areas = next.areas;
    });
  };

  const panel = (side: ChartSide, drawing: FaceDrawing): ReactNode => (
    <g transform={`translate(${shift[side][0]} 0)`}>
      <Grid min={drawing.min} max={[drawing.max[0], drawing.max[1]]} px={px} />
      <LaidPhoto side={side} />
      <Drawn drawing={drawing} px={px} />
      <text x={drawing.min[0] + 1} y={-drawing.max[1] + 11 * px} fontSize={11 * px} fill="currentColor">
        {side === 'front' ? 'front' : 'profile, from its left'}
      </text>
      {side === 'front' && (
        <g fontSize={11 * px} fill="currentColor">
          <text x={drawing.min[0] + 1} y={-drawing.min[1] - 3 * px}>
            its right
          </text>
          <text x={drawing.max[0] - 1} y={-drawing.min[1] - 3 * px} textAnchor="end">
            its left
          </text>
        </g>
      )}
      {onPick && (
        <rect
          data-pick={side}
          x={drawing.min[0]}
          y={-drawing.max[1]}
          width={drawing.max[0] - drawing.min[0]}
          height={drawing.max[1] - drawing.min[1]}
          fill="transparent"
          style={{ cursor: 'crosshair' }}
          onClick={(e) => {
            const p = onDrawing(e.currentTarget.ownerSVGElement, e);
            const nose = pointOf(body, face.nose.at);
            if (p && nose)
              onPick(underChart(skin, plan.frame, [p.x - shift[side][0], -p.y], side, nose, plan.headLengthMm));
          }}
        />
      )}
      {dot && (
        <circle
          cx={onChart(intoHead(plan.frame, dot), side)[0]}
          cy={-onChart(intoHead(plan.frame, dot), side)[1]}
          r={4 * px}
          fill={HARM}
          aria-hidden
        />
      )}
      <Numbers side={side} px={px} drawing={drawing} />
      {(onPick ? [] : handles).map((h) => {
        const p = h.at;
        if (!p || (side === 'profile' && h.what === 'eye-right')) return null;
        const [x, y] = onChart(intoHead(plan.frame, p), side);
        const on = h.feature === feature;
        const name = `${h.name}, ${side}`;
        return (
          <Handle
            key={h.what}
            mark={`${h.what}-${side}`}
            name={`${name}: ${q({ kind: 'fine', value: Math.abs(x) })} ${side === 'front' ? 'from the midline' : 'behind the nose'}, ${q({ kind: 'fine', value: y })} above it`}
            at={[x, -y]}
            px={px}
            onTake={() => take(h)}
            onArrow={(right, up) => move(h, side, [x + right / 2, y + up / 2])}
            onDrag={(toX, toY) => move(h, side, [toX - shift[side][0], -toY])}
          >
            <circle
              cx={x}
              cy={-y}
              r={(on ? 5 : 4) * px}
              fill={on ? CHOSEN : SHEET}
              stroke={on ? SHEET : CHOSEN}
              strokeWidth={1.4 * px}
            />
          </Handle>
        );
      })}
    </g>
  );
  return (
    <Box sx={{ position: 'relative', flex: 1, minHeight: 0, bgcolor: 'desk.stage' }}>
      <Box
        component="svg"
        viewBox={`${box.x} ${box.y} ${box.w} ${box.h}`}
        role="group"
        aria-label="Face chart, front and profile at one scale"
        sx={{
          position: 'absolute',
          inset: 0,
          width: '100%',
          height: '100%',
          color: 'text.primary',
          overflow: 'hidden',
        }}
      >
        {panel('front', front)}
        {panel('profile', profile)}
      </Box>
    </Box>
  );
}

/** Millimetre paper behind a panel: a line every 5 mm, heavier every 10. */
function Grid({ min, max, px }: { min: readonly [number, number]; max: readonly [number, number]; px: number }) {
  let fine = '';
  let bold = '';
  for (let x = Math.ceil(min[0] / 5) * 5; x <= max[0]; x += 5) {
    const d = `M${x} ${-max[1]}V${-min[1]}`;
    if (x % 10 === 0) bold += d;
    else fine += d;
  }
  for (let y = Math.ceil(min[1] / 5) * 5; y <= max[1]; y += 5) {
    const d = `M${min[0]} ${-y}H${max[0]}`;
    if (y % 10 === 0) bold += d;
    else fine += d;
  }
  return (
    <g stroke="currentColor" fill="none" aria-hidden>
      <path d={fine} strokeWidth={0.5 * px} opacity={0.12} />
      <path d={bold} strokeWidth={0.7 * px} opacity={0.24} />
    </g>
  );
}

/** The lines and filled outlines of a drawing. */
export function Drawn({ drawing, px }: { drawing: FaceDrawing; px: number }) {
  return (
    <g aria-hidden>
      {drawing.items.map((it, i) =>
        it.kind === 'area' ? (
          <polygon key={i} points={it.ring.map(([x, y]) => `${x},${-y}`).join(' ')} fill={it.hex} />
        ) : (
          <polyline
            data-what={it.what}
            key={i}
            points={it.points.map(([x, y]) => `${x},${-y}`).join(' ')}
            fill="none"
            stroke={it.what === 'stem' ? CHOSEN : 'currentColor'}
            strokeOpacity={it.what === 'whisker' ? 0.55 : it.what === 'stem' ? 0.45 : 1}
            strokeWidth={it.what === 'head' ? 1.6 * px : Math.max(it.thickMm, 0.7 * px)}
            strokeLinecap="round"
            strokeDasharray={it.dashed ? `${4 * px} ${3 * px}` : undefined}
          />
        ),
      )}
    </g>
  );
}

const MARKS_OF: Record<FaceFeature, readonly string[]> = {
  nose: ['nose'],
  mouth: ['mouth-left', 'chin'],
  eyes: ['eye-left'],
  ears: ['ear-left'],
  brows: ['eye-left'],
  whiskers: [],
};

/** Measures of the feature in hand, beside it: calliper and thread to the nose, to its twin, over the ear line. */
function Numbers({ side, px, drawing }: { side: ChartSide; px: number; drawing: FaceDrawing }) {
  const f = useFace();
  const feature = useDesk((s) => s.view.feature);
  const { q } = useUnits();
  if (!f?.plan) return null;
  const mm = (value: number) => q({ kind: 'fine', value });
  const size = 11 * px;
  return (
    <g
      aria-hidden
      fontSize={size}
      fill="currentColor"
      pointerEvents="none"
      style={{ fontFamily: figures.fontFamily as string }}
    >
      {f.plan.measured
        .filter((m) => MARKS_OF[feature].includes(m.mark) && m.mark !== 'nose')
        .map((m) => {
          const [x, y] = onChart(m.inHead, side);
          const lines =
            side === 'front'
              ? [
                  ...(m.twinStraightMm !== null ? [`apart ${mm(m.twinStraightMm)}`] : []),
                  ...(m.twinOverMm !== null ? [`thread ${mm(m.twinOverMm)}`] : []),
                ]
              : [
                  `nose ${mm(m.noseStraightMm)}`,
                  ...(m.noseOverMm !== null ? [`thread ${mm(m.noseOverMm)}`] : []),
                  ...(m.aboveEarLineMm !== null ? [`ear line ${mm(m.aboveEarLineMm)}`] : []),
                ];
          const wide = Math.max(...lines.map((l) => l.length), 0) * size * 0.63;
          const right = x + 14 * px + wide < drawing.max[0] + 8;
          const tx = right ? x + 14 * px : x - 14 * px - wide;
          return (
            <g key={m.mark}>
              {lines.length > 0 && (
                <rect
                  x={tx - 3 * px}
                  y={-y - size * 1.1}
                  width={wide + 6 * px}
                  height={lines.length * size * 1.25 + 3 * px}
                  fill={SHEET}
                  opacity={0.86}
                />
              )}
              {lines.map((l, i) => (
                <text key={i} x={tx} y={-y + i * size * 1.25} fill={INK}>
                  {l}
                </text>
              ))}
            </g>
          );
        })}
    </g>
  );
}
