'use client';
/** What lies on the picture of the turntable: viewpoints, choices, the scale, the millimetre graticule, the key of colours, what was held. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { setView } from '@/desk/store';
import type { View } from '@/desk/view';
import { clockTime } from '@/ui/parts/clock-time';
import { figures } from '@/ui/frame/theme';
import { VIEWPOINTS, wrap } from '@/ui/frame/useDeskKeys';
import { Panel } from '@/ui/parts/Panel';
import { Patch } from '@/ui/parts/Patch';
import { unseen } from '@/ui/parts/unseen';
import { useUnits } from '@/ui/parts/useUnits';
import { scaleBar, type Size } from './camera';
import { COVER } from './colours';

/** Where it is looked at from. */
export function Viewpoints({ view }: { view: Pick<View, 'yaw' | 'pitch'> }) {
  return (
    <Box
      role="group"
      aria-label="Viewpoint"
      sx={{
        position: 'absolute',
        left: 12,
        bottom: 12,
        // Beside it the scale.
        maxWidth: { xs: 'none', sm: 'calc(100% - 110px)' },
        display: 'flex',
        gap: { xs: 0, sm: 0.5 },
        flexWrap: 'wrap',
      }}
    >
      {VIEWPOINTS.map((v) => {
        const on = Math.abs(wrap(v.yaw - view.yaw)) < 1 && Math.abs(v.pitch - view.pitch) < 1;
        return (
          <Key key={v.key} of={v.key} says={v.name} on={on} onClick={() => setView({ yaw: v.yaw, pitch: v.pitch })} />
        );
      })}
    </Box>
  );
}

interface NearnessProps {
  readonly zoomBy: (times: number) => void;
  readonly frame: () => void;
}

/** Nearer and further, and what is in hand framed: over the scale, and on a phone one above the other. */
export function Nearness({ zoomBy, frame }: NearnessProps) {
  const one = { minWidth: 32, bgcolor: 'background.paper', ...figures };
  return (
    <Box
      role="group"
      aria-label="How near"
      sx={{
        position: 'absolute',
        right: 12,
        bottom: { xs: 104, sm: 46 },
        display: 'flex',
        flexDirection: { xs: 'column', sm: 'row' },
        gap: { xs: 0, sm: 0.5 },
      }}
    >
      <Button aria-label="Nearer" onClick={() => zoomBy(1.25)} sx={one}>
        +
      </Button>
      <Button aria-label="Further" onClick={() => zoomBy(0.8)} sx={one}>
        −
      </Button>
      <Key of="Z" says="frame" onClick={frame} />
    </Box>
  );
}

/** A key and what it does, to be pressed as well; on a phone the key alone is seen. */
function Key({ of, says, on, onClick }: { of: string; says: string; on?: boolean; onClick: () => void }) {
  return (
    <Button
      variant={on ? 'contained' : 'outlined'}
      aria-pressed={on}
      onClick={onClick}
      sx={{ minWidth: 0, px: 1, bgcolor: on ? undefined : 'background.paper' }}
    >
      <Box component="span" sx={figures}>
        {of}
      </Box>
      <Box component="span" sx={WORD}>
        {says}
      </Box>
    </Button>
  );
}

/** A round length as long as it is on the picture. */
export function ScaleBar({ perMm }: { perMm: number }) {
  const { q } = useUnits();
  const bar = scaleBar(perMm, 130);
  return (
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
  );
}

/** What was held, as it was seen then. */
export function AsHeld({ at, picture }: { at: string; picture: string }) {
  const when = clockTime(at);
  return (
    <Panel component="figure" sx={{ m: 0, p: 0, width: 168, bgcolor: 'desk.stage', order: -1, fontSize: 13 }}>
      {/* eslint-disable-next-line @next/next/no-img-element -- made in this window */}
      <img src={picture} alt={`The animal as it was held at ${when}`} style={{ width: '100%', display: 'block' }} />
      <Box component="figcaption" sx={{ px: 0.75, py: 0.25, bgcolor: 'background.paper' }}>
        Held at {when}
      </Box>
    </Panel>
  );
}

/** On a phone the key alone is seen; it is heard with its word. */
const WORD = { ml: 0.75, '@media (max-width: 599px)': unseen } as const;

/** Choices laid on the picture, on a ground of their own. */
export function Choices({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Panel
      role="group"
      aria-label={label}
      sx={{
        display: 'flex',
        flexWrap: { xs: 'nowrap', sm: 'wrap' },
        overflowX: { xs: 'auto', sm: 'visible' },
        maxWidth: '100%',
        gap: 0.75,
        p: 0.5,
        borderRadius: '3px',
      }}
    >
      {children}
    </Panel>
  );
}

export function Choice({ on, onClick, children }: { on: boolean; onClick: () => void; children: ReactNode }) {
  return (
    <Button
      variant={on ? 'contained' : 'text'}
      aria-pressed={on}
      onClick={onClick}
      sx={{ minWidth: 0, px: 1, minHeight: 28, whiteSpace: 'nowrap', flexShrink: 0 }}
    >
      {children}
    </Button>
  );
}

export function CoverKey() {
  return (
    <Panel sx={{ borderRadius: '3px', p: 1, fontSize: 13, display: 'grid', gap: 0.5 }}>
      {(
        [
          [COVER.hidden, 'hidden, 98 % or more'],
          [COVER.nearly, '90 to 98 %'],
          [COVER.shows, 'shows, under 90 %'],
        ] as const
      ).map(([colour, words]) => (
        <Box key={words} sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          <Patch hex={colour} wide={16} high={12} label={null} />
          {words}
        </Box>
      ))}
    </Panel>
  );
}

/** Lines every 10 mm through the middle of the picture, heavier every 50; every millimetre when near enough. */
export function Graticule({ perMm, size }: { perMm: number; size: Size }) {
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
