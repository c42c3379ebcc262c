'use client';
/**
 * The turntable: the animal in 3D, turned by hand or by keys, with fur, rows, lie or cover laid over it, a scale bar and
 * a millimetre graticule. Everything around the 3D picture works without it; where 3D cannot be drawn it says so.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { useCallback, useEffect, useMemo, useRef, useSyncExternalStore, type ReactNode } from 'react';
import { setView, useDesk } from '@/desk/store';
import { INSIDES, OVERLAYS, type Inside, type Overlay } from '@/desk/view';
import { StageBoundary } from '@/ui/frame/StageBoundary';
import { clockTime } from '@/ui/parts/clock-time';
import { figures } from '@/ui/frame/theme';
import { VIEWPOINTS, wrap } from '@/ui/frame/useDeskKeys';
import { unseen } from '@/ui/parts/unseen';
import { useUnits } from '@/ui/parts/useUnits';
import { centreOf, pixelsPerMm, scaleBar, seenFrom, type Size } from './camera';
import { AreaNames } from './AreaNames';
import { framed, lookedAt, moved, nearer } from './framing';
import { PartHandles } from './PartHandles';
import type { Dot } from './TurntableScene';
import type { Tool } from './useTouch';
import { useSize } from './useSize';
import { drawing } from './webgl';
import { COVER } from './colours';

const Scene = dynamic(() => import('./TurntableScene').then((m) => m.TurntableScene), { ssr: false });

const OVERLAY_WORDS: Record<Overlay, string> = {
  fur: 'fur',
  colour: 'colour',
  rows: 'rows',
  lie: 'lie',
  cover: 'base hidden',
  areas: 'areas',
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

const nothing = () => () => undefined;

export function Turntable({ litRow = null, compact = false, tool, dots = [] }: TurntableProps) {
  const [ref, size, shown] = useSize();
  const can = useSyncExternalStore(nothing, drawing, () => null);
  const plan = useDesk((s) => s.plan);
  const few = useDesk((s) => s.settings.picture === 'plain');
  const chosen = useDesk((s) => s.view);
  const held = useDesk((s) => s.held);
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
  const middle = useMemo(() => (plan ? centreOf(plan.form.skin.positions) : null), [plan]);
  const centre = middle && lookedAt(middle, view);
  const name = useDesk((s) => s.piece?.name ?? '');
  const { q } = useUnits();
  const fingers = useRef(new Map<number, [number, number]>());
  const drag = useRef<{ x: number; y: number; moved: boolean } | null>(null);

  /** Nearer or further, the place under a point of the screen left where it is. */
  const zoomAt = useCallback(
    (times: number, [x, y]: readonly [number, number]) => {
      const box = ref.current?.getBoundingClientRect();
      const { view: now, plan: is } = useDesk.getState();
      if (!box || !is) return;
      const at = [x - box.left - box.width / 2, box.top + box.height / 2 - y] as const;
      setView(nearer(now, times, at, pixelsPerMm(box, is.form, now.zoom)));
    },
    [ref],
  );
  useEffect(() => {
    const el = ref.current;
    if (!el) return;
    const onWheel = (e: WheelEvent) => {
      e.preventDefault();
      zoomAt(Math.exp(-e.deltaY * 0.0015), [e.clientX, e.clientY]);
    };
    el.addEventListener('wheel', onWheel, { passive: false });
    return () => el.removeEventListener('wheel', onWheel);
  }, [ref, zoomAt]);

  const perMm = plan && size.width > 0 ? pixelsPerMm(size, plan.form, view.zoom) : 0;
  const bar = perMm > 0 ? scaleBar(perMm, 130) : null;
  const zoomBy = (times: number) => setView(nearer(view, times, [0, 0], perMm));
  const of = tool === undefined || tool === 'areas' || tool === 'comb' || tool === 'shade' ? 'area' : 'part';
  const frame = () => {
    const piece = useDesk.getState().piece;
    const seen = plan && piece && framed(plan, piece, view, size, of);
    if (seen) setView(seen);
  };

  useEffect(() => {
    document.addEventListener('fond-badger:frame', frame);
    return () => document.removeEventListener('fond-badger:frame', frame);
  });

  return (
    <Box sx={{ position: 'relative', flex: 1, minHeight: 0, bgcolor: 'desk.stage', overflow: 'hidden' }}>
      {view.graticule && perMm > 0 && <Graticule perMm={perMm} size={size} />}
      <Box
        ref={ref}
        role="img"
        data-picture=""
        aria-busy={can !== 'none' && shown}
        aria-label={`${name} seen from ${seenFrom(view)}, showing ${OVERLAY_WORDS[view.overlay]}`}
        sx={{ position: 'absolute', inset: 0, touchAction: 'none', cursor: 'grab', '&:active': { cursor: 'grabbing' } }}
        onContextMenu={(e) => e.preventDefault()}
        onPointerDown={(e) => {
          fingers.current.set(e.pointerId, [e.clientX, e.clientY]);
          drag.current = { x: e.clientX, y: e.clientY, moved: false };
        }}
        onPointerMove={(e) => {
          const d = drag.current;
          if (!d || e.buttons === 0 || paintingRef.current) return;
          const held = fingers.current;
          if (held.size === 2 && held.has(e.pointerId)) {
            // Two fingers move and near it together.
            const was = [...held.values()] as [number, number][];
            held.set(e.pointerId, [e.clientX, e.clientY]);
            const is = [...held.values()] as [number, number][];
            const mid = (p: [number, number][]) => [(p[0]![0] + p[1]![0]) / 2, (p[0]![1] + p[1]![1]) / 2] as const;
            const far = (p: [number, number][]) => Math.hypot(p[0]![0] - p[1]![0], p[0]![1] - p[1]![1]);
            const [a, b] = [mid(was), mid(is)];
            setView(moved(useDesk.getState().view, [b[0] - a[0], a[1] - b[1]], perMm));
            if (far(was) > 1) zoomAt(far(is) / far(was), b);
            drag.current = { x: e.clientX, y: e.clientY, moved: true };
            return;
          }
          const dx = e.clientX - d.x;
          const dy = e.clientY - d.y;
          if (!d.moved && Math.hypot(dx, dy) < 4) return;
          if (!d.moved) e.currentTarget.setPointerCapture(e.pointerId);
          drag.current = { x: e.clientX, y: e.clientY, moved: true };
          const now = useDesk.getState().view;
          // The right button, or Shift, moves it instead of turning it.
          if (e.buttons === 2 || e.shiftKey) return setView(moved(now, [dx, -dy], perMm));
          setView({ yaw: wrap(now.yaw - dx * 0.45), pitch: Math.max(-90, Math.min(90, now.pitch + dy * 0.45)) });
        }}
        onPointerUp={(e) => {
          fingers.current.delete(e.pointerId);
          drag.current = null;
        }}
        onPointerCancel={(e) => {
          fingers.current.delete(e.pointerId);
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
      {view.overlay === 'areas' && view.named && view.inside === 'finished' && plan && centre && perMm > 0 && (
        <AreaNames plan={plan} centre={centre} size={size} perMm={perMm} view={view} />
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
      <Box
        sx={{
          position: 'absolute',
          inset: '12px 12px auto',
          display: 'flex',
          flexWrap: 'wrap',
          alignItems: 'flex-start',
          gap: 0.75,
          pointerEvents: 'none',
          '& > *': { pointerEvents: 'auto' },
        }}
      >
        {held?.picture && <AsHeld at={held.at} picture={held.picture} />}
        {tool !== undefined && tool !== 'areas' && tool !== 'comb' && tool !== 'shade' && tool !== 'needle' && (
          <OnPicture label="Inside">
            {INSIDES.map((i) => (
              <Choice key={i} on={view.inside === i} onClick={() => setView({ inside: i })}>
                {INSIDE_WORDS[i]}
              </Choice>
            ))}
          </OnPicture>
        )}
        {!compact && tool !== 'areas' && view.inside === 'finished' && (
          <Box sx={{ ml: 'auto', display: 'grid', justifyItems: 'end', gap: 0.75 }}>
            <OnPicture label="Overlay">
              {OVERLAYS.map((o) => (
                <Choice key={o} on={view.overlay === o} onClick={() => setView({ overlay: o })}>
                  {OVERLAY_WORDS[o]}
                </Choice>
              ))}
            </OnPicture>
            {view.overlay === 'cover' && <CoverKey />}
            {view.overlay === 'areas' && (
              <OnPicture label="Names">
                <Choice on={view.named} onClick={() => setView({ named: !view.named })}>
                  names
                </Choice>
              </OnPicture>
            )}
          </Box>
        )}
      </Box>
      <Box
        sx={{
          position: 'absolute',
          left: 12,
          bottom: 12,
          // Beside it the scale.
          maxWidth: { xs: 'none', sm: 'calc(100% - 170px)' },
          display: 'flex',
          gap: { xs: 0, sm: 0.75 },
          flexWrap: 'wrap',
        }}
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
              <Box component="span" sx={figures}>
                {v.key}
              </Box>
              <Box component="span" sx={WORD}>
                {v.name}
              </Box>
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
        <Button onClick={frame} sx={{ minWidth: 0, px: 1, bgcolor: 'background.paper' }}>
          <Box component="span" sx={figures}>
            Z
          </Box>
          <Box component="span" sx={WORD}>
            frame
          </Box>
        </Button>
      </Box>
      {bar && (
        <Box
          sx={{
            position: 'absolute',
            right: 16,
            bottom: { xs: 66, sm: 14 },
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

/** What was held, as it was seen then. */
function AsHeld({ at, picture }: { at: string; picture: string }) {
  const when = clockTime(at);
  return (
    <Box
      component="figure"
      sx={{ m: 0, width: 168, bgcolor: 'desk.stage', border: 1, borderColor: 'divider', order: -1, fontSize: 13 }}
    >
      {/* eslint-disable-next-line @next/next/no-img-element -- made in this window */}
      <img src={picture} alt={`The animal as it was held at ${when}`} style={{ width: '100%', display: 'block' }} />
      <Box component="figcaption" sx={{ px: 0.75, py: 0.25, bgcolor: 'background.paper' }}>
        Held at {when}
      </Box>
    </Box>
  );
}

/** On a phone the key alone is seen; it is heard with its word. */
const WORD = { ml: 0.75, '@media (max-width: 599px)': unseen } as const;

/** Choices laid on the picture, on a ground of their own. */
function OnPicture({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Box
      role="group"
      aria-label={label}
      sx={{
        display: 'flex',
        flexWrap: { xs: 'nowrap', sm: 'wrap' },
        overflowX: { xs: 'auto', sm: 'visible' },
        maxWidth: '100%',
        gap: 0.75,
        p: 0.5,
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'divider',
        borderRadius: '3px',
      }}
    >
      {children}
    </Box>
  );
}

function Choice({ on, onClick, children }: { on: boolean; onClick: () => void; children: ReactNode }) {
  return (
    <Button
      variant={on ? 'contained' : 'text'}
      aria-pressed={on}
      onClick={onClick}
      sx={{ minWidth: 0, px: 1, minHeight: 28 }}
    >
      {children}
    </Button>
  );
}

function CoverKey() {
  return (
    <Box
      sx={{
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
