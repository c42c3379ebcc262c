'use client';
/**
 * The turntable: the animal in 3D, turned by hand or by keys, with fur, rows, lie or cover laid over it, a scale bar and
 * a millimetre graticule. Everything around the 3D picture works without it; where 3D cannot be drawn it says so.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { setView, useDesk } from '@/desk/store';
import { INSIDES, OVERLAYS, type Inside, type Overlay } from '@/desk/view';
import { StageBoundary } from '@/ui/frame/StageBoundary';
import { wholeOf } from '@/core/picture/whole';
import { pixelsPerMm, seenFrom } from './camera';
import { AreaNames } from './AreaNames';
import { framed, lookedAt, nearer } from './framing';
import { AsHeld, Choice, Choices, CoverKey, Graticule, Nearness, ScaleBar, Viewpoints } from './OnTurntable';
import { PartHandles } from './PartHandles';
import { Refined, OVER_REFINED } from './Refined';
import { StillDialog } from './StillDialog';
import type { Dot } from './TurntableScene';
import type { Tool } from './useTouch';
import { useTurning } from './useTurning';
import { useSize } from './useSize';
import { drawing } from './webgl';
import { InsteadOfPicture } from '@/ui/parts/Panel';

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
  const [picturing, setPicturing] = useState(false);
  const paintingRef = useRef(false);
  const middle = useMemo(() => (plan ? wholeOf(plan).middle : null), [plan]);
  const centre = middle && lookedAt(middle, view);
  const name = useDesk((s) => s.piece?.name ?? '');
  const perMm = plan && size.width > 0 ? pixelsPerMm(size, wholeOf(plan), view.zoom) : 0;
  const turning = useTurning(ref, perMm, paintingRef);
  const zoomBy = (times: number) => setView(nearer(view, times, [0, 0], perMm));
  const of = tool === undefined || tool === 'areas' || tool === 'comb' || tool === 'shade' ? 'area' : 'part';
  // What is pointed out or painted is seen on the quick picture only.
  const finished =
    view.overlay === 'fur' && view.inside === 'finished' && view.brush === 'off' && dots.length === 0 && !few && shown;
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
        sx={{
          position: 'absolute',
          inset: 0,
          touchAction: 'none',
          cursor: 'grab',
          '&:active': { cursor: 'grabbing' },
          ...OVER_REFINED,
        }}
        onContextMenu={(e) => e.preventDefault()}
        {...turning}
      >
        {finished && can !== null && centre && perMm > 0 && (
          <Refined
            view={view}
            centre={centre}
            perMm={perMm}
            size={size}
            trimStep={view.trimStep}
            litRow={litRow}
            pointedOut={view.areaId}
          />
        )}
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
          sx={{
            position: 'absolute',
            ...(finished ? { inset: 'auto 0 48px' } : { inset: 0 }),
            display: 'grid',
            placeItems: 'center',
            p: finished ? 1 : 4,
            pointerEvents: 'none',
          }}
        >
          <InsteadOfPicture sx={{ fontSize: 13 }}>
            {finished
              ? 'This browser cannot draw in 3D (WebGL is missing or switched off): the animal is drawn anew when it has been turned, and that takes a while.'
              : 'The turntable stands still: this browser cannot draw in 3D (WebGL is missing or switched off). All figures, charts and printed sheets work without it.'}
          </InsteadOfPicture>
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
        {!compact && view.inside === 'finished' && plan && (
          <Button onClick={() => setPicturing(true)} sx={{ bgcolor: 'background.paper' }}>
            Picture
          </Button>
        )}
        {held?.picture && <AsHeld at={held.at} picture={held.picture} />}
        {tool !== undefined && tool !== 'areas' && tool !== 'comb' && tool !== 'shade' && tool !== 'needle' && (
          <Choices label="Inside">
            {INSIDES.map((i) => (
              <Choice key={i} on={view.inside === i} onClick={() => setView({ inside: i })}>
                {INSIDE_WORDS[i]}
              </Choice>
            ))}
          </Choices>
        )}
        {!compact && tool !== 'areas' && view.inside === 'finished' && (
          <Box sx={{ ml: 'auto', display: 'grid', justifyItems: 'end', gap: 0.75 }}>
            <Choices label="Overlay">
              {OVERLAYS.map((o) => (
                <Choice key={o} on={view.overlay === o} onClick={() => setView({ overlay: o })}>
                  {OVERLAY_WORDS[o]}
                </Choice>
              ))}
            </Choices>
            {view.overlay === 'cover' && <CoverKey />}
            {view.overlay === 'areas' && (
              <Choices label="Names">
                <Choice on={view.named} onClick={() => setView({ named: !view.named })}>
                  names
                </Choice>
              </Choices>
            )}
          </Box>
        )}
      </Box>
      {picturing && <StillDialog view={view} onClose={() => setPicturing(false)} />}
      <Viewpoints view={view} />
      <Nearness zoomBy={zoomBy} frame={frame} />
      {perMm > 0 && <ScaleBar perMm={perMm} />}
    </Box>
  );
}
