'use client';
/**
 * A handle on a drawing: dragged by mouse or finger, moved by arrows when it has the focus (finely with Shift), called by its name for
 * who hears the screen and, while it is pointed at, held or has the focus, for who sees it. Every handle of the app is one of these.
 * Positions are in the units of the drawing, y downward as drawn.
 */
import Box from '@mui/material/Box';
import { useRef, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import { beginDrag, endGesture } from '@/desk/store';
import { INK, SHEET } from '@/ui/pictures/colours';
import { useEditable } from './Editable';

/** Told how far a handle has been carried from where it was taken. */
export type Carried = (right: number, down: number) => void;

interface HandleProps {
  /** What it is and, after a colon, where it stands now; what comes before the colon is shown. */
  readonly name: string;
  readonly at: readonly [x: number, y: number];
  /** Units of the drawing in a pixel of the screen. */
  readonly px: number;
  /** The mark by which tests and styles know it. */
  readonly mark?: string;
  /** Whether it may be moved; while the piece may be changed where nothing is said. */
  readonly can?: boolean;
  /** Where it is drawn to. */
  readonly onDrag?: (x: number, y: number) => void;
  /** In place of that: taken, it says what carrying it does. Arrows carry it a few pixels. */
  readonly carry?: () => Carried;
  /** An arrow: steps to the right and up; false where this handle has nothing to do with it. */
  readonly onArrow?: (right: number, up: number) => boolean | void;
  readonly onTake?: () => void;
  readonly children: ReactNode;
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};
/** Share of a step with Shift held. */
const FINE = 0.2;
/** Pixels an arrow carries a handle that is only carried. */
const CARRIED_PX = 5;
/** What a mouse and a finger can hit, pixels of the screen whatever the scale of the drawing (WCAG 2.2, 2.5.5). */
const HIT = { mouse: 22, finger: 44 };

const SHOWN = {
  cursor: 'grab',
  touchAction: 'none',
  '& > .called': { display: 'none' },
  '&:hover > .called, &:focus > .called, &:active > .called': { display: 'block' },
  '& > .finger': { display: 'none' },
  '@media (pointer: coarse)': { '& > .finger': { display: 'block' } },
} as const;

/** A place of the screen in the units of a drawing; null while it is not shown. */
export function onDrawing(svg: SVGSVGElement | null, e: { clientX: number; clientY: number }): DOMPoint | null {
  const m = svg?.getScreenCTM();
  return m ? new DOMPoint(e.clientX, e.clientY).matrixTransform(m.inverse()) : null;
}

function Hit({ at: [x, y], wide, className }: { at: readonly [number, number]; wide: number; className?: string }) {
  return (
    <line
      className={className}
      x1={x}
      x2={x}
      y1={y}
      y2={y}
      stroke="transparent"
      strokeWidth={wide}
      strokeLinecap="round"
      vectorEffect="non-scaling-stroke"
      pointerEvents="stroke"
    />
  );
}

export function Handle({ name, at, px, mark, can, onDrag, carry, onArrow, onTake, children }: HandleProps) {
  const editable = useEditable();
  const may = can ?? editable;
  const held = useRef<{ readonly from: DOMPoint; readonly carried: Carried | null } | null>(null);
  const pointOf = (e: PointerEvent) => onDrawing((e.currentTarget as SVGElement).ownerSVGElement, e);
  const letGo = () => {
    if (held.current) endGesture();
    held.current = null;
  };
  const byArrow = (right: number, up: number): boolean | void =>
    onArrow ? onArrow(right, up) : carry?.()(right * CARRIED_PX * px, -up * CARRIED_PX * px);
  return (
    <Box
      component="g"
      role="button"
      aria-label={name}
      tabIndex={may ? 0 : -1}
      {...(mark === undefined ? {} : { 'data-handle': mark })}
      sx={may ? SHOWN : { ...SHOWN, cursor: 'default' }}
      onFocus={onTake}
      onKeyDown={(e: KeyboardEvent) => {
        const to = ARROWS[e.key];
        const step = e.shiftKey ? FINE : 1;
        if (!to || !may || byArrow(to[0] * step, to[1] * step) === false) return;
        e.preventDefault();
        e.stopPropagation();
      }}
      onPointerDown={(e: PointerEvent) => {
        const from = pointOf(e);
        if (!may || !from) return;
        e.stopPropagation();
        e.currentTarget.setPointerCapture(e.pointerId);
        held.current = { from, carried: carry?.() ?? null };
        onTake?.();
      }}
      onPointerMove={(e: PointerEvent) => {
        const to = pointOf(e);
        if (!held.current || !to) return;
        e.stopPropagation();
        beginDrag();
        const { from, carried } = held.current;
        if (carried) carried(to.x - from.x, to.y - from.y);
        else onDrag?.(to.x, to.y);
      }}
      onPointerUp={letGo}
      onPointerCancel={letGo}
    >
      <Hit at={at} wide={HIT.mouse} />
      <Hit at={at} wide={HIT.finger} className="finger" />
      {children}
      <text
        className="called"
        aria-hidden
        x={at[0]}
        y={at[1] - 14 * px}
        textAnchor="middle"
        fontSize={13 * px}
        fill={INK}
        stroke={SHEET}
        strokeWidth={4 * px}
        strokeLinejoin="round"
        paintOrder="stroke"
        pointerEvents="none"
      >
        {name.split(':')[0]}
      </text>
    </Box>
  );
}
