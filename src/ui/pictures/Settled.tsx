'use client';
/**
 * Says on the element round a 3D picture whether it shows what was asked for: `aria-busy` is true from the moment
 * anything drawn changes until a frame has been drawn since and nothing more is being fetched.
 */
import { useFrame, useThree } from '@react-three/fiber';
import { useEffect, useRef } from 'react';

/** What is being fetched for one picture. */
export class Awaited {
  #open = 0;
  #tell: () => void = () => undefined;
  begin(): () => void {
    this.#open++;
    let ended = false;
    return () => {
      if (ended) return;
      ended = true;
      this.#open--;
      this.#tell();
    };
  }
  get none(): boolean {
    return this.#open === 0;
  }
  whenNone(tell: () => void): void {
    this.#tell = tell;
  }
}

/** Stands last in a scene, so that what the others began to fetch is known; drawn anew with everything that changes. */
export function Settled({ awaited }: { awaited: Awaited }) {
  const canvas = useThree((s) => s.gl.domElement);
  const invalidate = useThree((s) => s.invalidate);
  const owed = useRef(true);
  useEffect(() => awaited.whenNone(invalidate), [awaited, invalidate]);
  useEffect(() => {
    owed.current = true;
    canvas.closest('[data-picture]')?.setAttribute('aria-busy', 'true');
    invalidate();
  });
  useFrame(() => {
    if (!owed.current || !awaited.none) return;
    owed.current = false;
    // The frame itself is drawn right after this.
    requestAnimationFrame(() => {
      if (!owed.current) canvas.closest('[data-picture]')?.setAttribute('aria-busy', 'false');
    });
  });
  return null;
}
