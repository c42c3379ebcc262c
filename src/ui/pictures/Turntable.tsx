'use client';
/**
 * The turntable: the animal in 3D, turned by hand or by keys, with fur, rows, lie or cover laid over it, a scale bar and
 * a millimetre graticule. Everything around the 3D picture works without it; where 3D cannot be drawn it says so.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { setView, useDesk } from '@/desk/store';
import { INSIDES, OVERLAYS, type Inside, type Overlay } from '@/desk/view';
import { StageBoundary } from '@/ui/frame/StageBoundary';
import { figures } from '@/ui/frame/theme';
import { VIEWPOINTS, wrap } from '@/ui/frame/useDeskKeys';
import { useUnits } from '@/ui/parts/useUnits';
import { centreOf, pixelsPerMm, scaleBar, seenFrom, type Size } from './camera';
import { PartHandles } from './PartHandles';
import type { Dot } from './TurntableScene';
import type { Tool } from './useTouch';
import { drawing } from './webgl';
import { COVER } from './colours';

const Scene = dynamic(() => import('./TurntableScene').then((m) => m.TurntableScene), { ssr: false });

const OVERLAY_WORDS: Record<Overlay, string> = {
  fur: 'fur',
  colour: 'colour',
  rows: 'rows',
  lie: 'lie',
  cover: 'base hidden',
  plain: 'plain',
};

const INSIDE_WORDS: Record<Inside, string> = { finished: 'finished', core: 'core', cut: 'cut open' };

interface TurntableProps {
  /** The room that is open, where it says what a press or a drag on the animal does. */
  readonly tool?: Tool;
  /** Row of the selected area to light. */
  readonly litRow?: number | null;
  /** At the bench: rows only, no overlay to choose. */
  readonly compact?: boolean;
  /** Places marked on it, in this colour. */
  readonly dots?: readonly Dot[];
}

function useSize(): [React.RefObject<HTMLDivElement | null>, Size] {
  const ref = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState<Size>({ width: 0, height: 0 });
  useEffect(() => {
    const el = ref.current;
    if (!el) return;
    const watch = new ResizeObserver(([entry]) => {
      const r = entry!.contentRect;
      setSize({ width: r.width, height: r.height });
    });
    watch.observe(el);
    return () => watch.disconnect();
  }, []);
  return [ref, size];
}

const nothing = () => () => undefined;

export function Turntable({ litRow = null, compact = false, tool, dots = [] }: TurntableProps) {
  const [ref, size] = useSize();
  const can = useSyncExternalStore(nothing, drawing, () => null);
  const plan = useDesk((s) => s.plan);
  const few = useDesk((s) => s.settings.picture === 'plain');
  const chosen = useDesk((s) => s.view);
  const view = useMemo(
    () => ({
      ...chosen,
      ...(compact ? { overlay: 'rows' as const } : {}),
      // The inside, the brush and plain areas belong to the Form.
      ...(tool === undefined ? { inside: 'finished' as const, brush: 'off' as const } : {}),
      ...(tool === 'comb' || tool === 'shade' || tool === 'needle' ? { inside: 'finished' as const } : {}),
      ...(tool === 'needle' ? { brush: 'off' as const } : {}),
      ...(tool === 'areas' ? { overlay: 'plain' as const } : {}),
    }),
    [chosen, compact, tool],
  );
  const paintingRef = useRef(false);
  const centre = useMemo(() => (plan ? centreOf(plan.form.skin.positions) : null), [plan]);
  const name = useDesk((s) => s.piece?.name ?? '');
  const { q } = useUnits();
  const drag = useRef<{ x: number; y: number; moved: boolean } | null>(null);

  useEffect(() => {
    const el = ref.current;
    if (!el) return;
    const onWheel = (e: WheelEvent) => {
      e.preventDefault();
      const zoom = useDesk.getState().view.zoom * Math.exp(-e.deltaY * 0.0015);
      setView({ zoom: Math.max(0.5, Math.min(8, zoom)) });
    };
    el.addEventListener('wheel', onWheel, { passive: false });
    return () => el.removeEventListener('wheel', onWheel);
  }, [ref]);

  const perMm = plan && size.width > 0 ? pixelsPerMm(size, plan.form, view.zoom) : 0;
  const bar = perMm > 0 ? scaleBar(perMm, 130) : null;
  const zoomBy = (k: number) => setView({ zoom: Math.max(0.5, Math.min(8, view.zoom * k)) });

  return (
    <Box sx={{ position: 'relative', flex: 1, minHeight: 0, bgcolor: 'desk.stage', overflow: 'hidden' }}>
      {view.graticule && perMm > 0 && <Graticule perMm={perMm} size={size} />}
      <Box
        ref={ref}
        role="img"
        data-picture=""
        aria-busy={can !== 'none'}
        aria-label={`${name} seen from ${seenFrom(view)}, showing ${OVERLAY_WORDS[view.overlay]}`}
        sx={{ position: 'absolute', inset: 0, touchAction: 'none', cursor: 'grab', '&:active': { cursor: 'grabbing' } }}
        onPointerDown={(e) => {
          drag.current = { x: e.clientX, y: e.clientY, moved: false };
        }}
        onPointerMove={(e) => {
          const d = drag.current;
          if (!d || e.buttons === 0 || paintingRef.current) return;
          const dx = e.clientX - d.x;
          const dy = e.clientY - d.y;
          if (!d.moved && Math.hypot(dx, dy) < 4) return;
          if (!d.moved) e.currentTarget.setPointerCapture(e.pointerId);
          drag.current = { x: e.clientX, y: e.clientY, moved: true };
          const now = useDesk.getState().view;
          setView({ yaw: wrap(now.yaw - dx * 0.45), pitch: Math.max(-90, Math.min(90, now.pitch + dy * 0.45)) });
        }}
        onPointerUp={() => {
          drag.current = null;
        }}
      >
        {can !== null && can !== 'none' && plan && size.width > 0 && (
          <StageBoundary
            what="The 3D picture"
            resetKey={plan}
            onFail={() => ref.current?.setAttribute('aria-busy', 'false')}
          >
            <Scene
              plan={plan}
              view={view}
              perMm={perMm}
              litRow={litRow}
              software={can === 'software'}
              few={few}
              tool={tool}
              dots={dots}
              paintingRef={paintingRef}
            />
          </StageBoundary>
        )}
      </Box>
      {tool === 'shape' && plan && centre && perMm > 0 && (
        <PartHandles centre={centre} size={size} perMm={perMm} view={view} />
      )}
      {can === 'none' && (
        <Box
          role="note"
          sx={{ position: 'absolute', inset: 0, display: 'grid', placeItems: 'center', p: 4, pointerEvents: 'none' }}
        >
          <Typography
            sx={{ bgcolor: 'background.paper', p: 2, border: 1, borderColor: 'divider', maxWidth: 420, fontSize: 13 }}
          >
            The turntable stands still: this browser cannot draw in 3D (WebGL is missing or switched off). All figures,
            charts and printed sheets work without it.
          </Typography>
        </Box>
      )}
      {tool !== undefined && tool !== 'areas' && tool !== 'comb' && tool !== 'shade' && tool !== 'needle' && (
        <Insides inside={view.inside} />
      )}
      {!compact && tool !== 'areas' && view.inside === 'finished' && (
        <Box
          sx={{
            position: 'absolute',
            right: 12,
            top: 12,
            display: 'flex',
            gap: 0.75,
            bgcolor: 'background.paper',
            border: 1,
            borderColor: 'divider',
            borderRadius: '3px',
            p: 0.5,
            alignItems: 'center',
          }}
          role="group"
          aria-label="Overlay"
        >
          {OVERLAYS.map((o) => (
            <Button
              key={o}
              variant={view.overlay === o ? 'contained' : 'text'}
              aria-pressed={view.overlay === o}
              onClick={() => setView({ overlay: o })}
              sx={{ minWidth: 0, px: 1, minHeight: 28 }}
            >
              {OVERLAY_WORDS[o]}
            </Button>
          ))}
        </Box>
      )}
      {!compact && view.overlay === 'cover' && <CoverKey />}
      <Box
        sx={{ position: 'absolute', left: 12, bottom: 12, display: 'flex', gap: 0.75, flexWrap: 'wrap' }}
        role="group"
        aria-label="Viewpoint"
      >
        {VIEWPOINTS.map((v) => {
          const on = Math.abs(wrap(v.yaw - view.yaw)) < 1 && Math.abs(v.pitch - view.pitch) < 1;
          return (
            <Button
              key={v.key}
              variant={on ? 'contained' : 'outlined'}
              aria-pressed={on}
              onClick={() => setView({ yaw: v.yaw, pitch: v.pitch })}
              sx={{ minWidth: 0, px: 1, bgcolor: on ? undefined : 'background.paper' }}
            >
              <Box component="span" sx={{ ...figures, mr: 0.75 }}>
                {v.key}
              </Box>
              {v.name}
            </Button>
          );
        })}
        <Button
          aria-label="Nearer"
          onClick={() => zoomBy(1.25)}
          sx={{ minWidth: 32, bgcolor: 'background.paper', ...figures }}
        >
          +
        </Button>
        <Button
          aria-label="Further"
          onClick={() => zoomBy(0.8)}
          sx={{ minWidth: 32, bgcolor: 'background.paper', ...figures }}
        >
          −
        </Button>
      </Box>
      {bar && (
        <Box
          sx={{
            position: 'absolute',
            right: 16,
            bottom: 14,
            textAlign: 'right',
            ...figures,
            fontSize: 13,
            pointerEvents: 'none',
          }}
          aria-hidden
        >
          <Box sx={{ width: bar.px, height: 8, border: '1.5px solid', borderTop: 0, borderColor: 'text.primary' }} />
          {q({ kind: 'length', value: bar.mm })}
        </Box>
      )}
    </Box>
  );
}

/** How much of the inside is shown. */
function Insides({ inside }: { inside: Inside }) {
  return (
    <Box
      role="group"
      aria-label="Inside"
      sx={{
        position: 'absolute',
        left: 12,
        top: 12,
        display: 'flex',
        gap: 0.75,
        p: 0.5,
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'divider',
        borderRadius: '3px',
      }}
    >
      {INSIDES.map((i) => (
        <Button
          key={i}
          variant={inside === i ? 'contained' : 'text'}
          aria-pressed={inside === i}
          onClick={() => setView({ inside: i })}
          sx={{ minWidth: 0, px: 1, minHeight: 28 }}
        >
          {INSIDE_WORDS[i]}
        </Button>
      ))}
    </Box>
  );
}

function CoverKey() {
  return (
    <Box
      sx={{
        position: 'absolute',
        right: 12,
        top: 56,
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'divider',
        borderRadius: '3px',
        p: 1,
        fontSize: 13,
        display: 'grid',
        gap: 0.5,
      }}
    >
      {(
        [
          [COVER.hidden, 'hidden, 98 % or more'],
          [COVER.nearly, '90 to 98 %'],
          [COVER.shows, 'shows, under 90 %'],
        ] as const
      ).map(([colour, words]) => (
        <Box key={words} sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          <Box sx={{ width: 16, height: 12, bgcolor: colour, border: 1, borderColor: 'divider' }} />
          {words}
        </Box>
      ))}
    </Box>
  );
}

/** Lines every 10 mm through the middle of the picture, heavier every 50; every millimetre when near enough. */
function Graticule({ perMm, size }: { perMm: number; size: Size }) {
  const fine = perMm >= 6;
  const step = (mm: number, width: number, opacity: number) => {
    const d = mm * perMm;
    const n = Math.ceil(Math.max(size.width, size.height) / 2 / d);
    let path = '';
    for (let i = -n; i <= n; i++) {
      path += `M${size.width / 2 + i * d} 0V${size.height}M0 ${size.height / 2 + i * d}H${size.width}`;
    }
    return <path d={path} stroke="currentColor" strokeWidth={width} opacity={opacity} fill="none" />;
  };
  return (
    <Box
      component="svg"
      width={size.width}
      height={size.height}
      sx={{ position: 'absolute', inset: 0, color: 'text.primary' }}
      aria-hidden
    >
      {fine && step(1, 0.5, 0.12)}
      {step(10, 0.6, 0.28)}
      {step(50, 1, 0.45)}
    </Box>
  );
}
