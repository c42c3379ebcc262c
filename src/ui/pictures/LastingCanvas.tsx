'use client';
/** A canvas for three.js that says so when the graphics card lets go of it, and can be drawn again. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Canvas, type CanvasProps } from '@react-three/fiber';
import { useEffect, useRef, useState } from 'react';

/** All pictures alike: drawn when asked, coarse where it is drawn in software or few strands are wanted. */
export function LastingCanvas({
  coarse,
  onCreated,
  children,
}: Pick<CanvasProps, 'onCreated' | 'children'> & { readonly coarse: boolean }) {
  const [round, setRound] = useState(0);
  const [lost, setLost] = useState(false);
  /** The canvas that is shown; one taken away lets go of its card as well, and that is nothing to be said. */
  const shown = useRef<HTMLCanvasElement | null>(null);
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (lost) box.current?.closest('[data-picture]')?.setAttribute('aria-busy', 'false');
    return () => {
      shown.current = null;
    };
  }, [lost]);
  if (lost) {
    return (
      <Box
        ref={box}
        role="status"
        sx={{
          position: 'absolute',
          inset: 0,
          display: 'grid',
          placeContent: 'center',
          gap: 1.5,
          justifyItems: 'center',
          p: 2,
        }}
      >
        <span>The graphics card has let go of the 3D picture. All figures are as they were.</span>
        <Button
          sx={{ bgcolor: 'background.paper' }}
          onClick={() => {
            setRound((n) => n + 1);
            setLost(false);
          }}
        >
          Draw it again
        </Button>
      </Box>
    );
  }
  return (
    <Canvas
      key={round}
      orthographic
      flat
      frameloop="demand"
      dpr={coarse ? 1 : [1, 2]}
      gl={{ antialias: !coarse, alpha: true, powerPreference: 'low-power' }}
      camera={{ near: 0.1, far: 10_000 }}
      style={{ position: 'absolute', inset: 0 }}
      onCreated={(state) => {
        const canvas = state.gl.domElement;
        shown.current = canvas;
        canvas.addEventListener('webglcontextlost', (e) => {
          e.preventDefault();
          if (shown.current === canvas) setLost(true);
        });
        onCreated?.(state);
      }}
    >
      {children}
    </Canvas>
  );
}
