'use client';
/**
 * Handles on the part in hand: a square at its free end makes it longer, a ring at each thickness makes it thicker, a
 * lozenge beyond the end bends it where it is joined. The same can be typed beside the picture.
 */
import Box from '@mui/material/Box';
import { useMemo } from 'react';
import { makeBody, type Stretch } from '@/core/form/body';
import { limits, partLength, setBend, setPartLength, setThickness, thicknessesOf, unitMm } from '@/core/form/shape';
import { jointsOf } from '@/core/form/shape';
import { bodyPlan, BODY_PLANS } from '@/core/form/plans/plans';
import type { Vec3 } from '@/core/geometry/vec';
import type { Joint, Part, Piece } from '@/core/piece/schema';
import { changePiece, useDesk } from '@/desk/store';
import type { View } from '@/desk/view';
import { Handle, type Carried } from '@/ui/parts/Handle';
import { CHOSEN, SHEET } from './colours';
import { across, eye, seenAt, type Size } from './camera';

interface PartHandlesProps {
  readonly centre: readonly number[];
  readonly size: Size;
  readonly perMm: number;
  readonly view: View;
}

const dotOf = (a: readonly number[], b: readonly number[]) => a[0]! * b[0]! + a[1]! * b[1]! + a[2]! * b[2]!;

export function PartHandles({ centre, size, perMm, view }: PartHandlesProps) {
  const piece = useDesk((s) => s.piece);
  const canEdit = useDesk((s) => s.canEdit);
  const form = piece?.form;
  const body = useMemo(() => (form ? makeBody(form) : null), [form]);
  const b = body?.parts.find((p) => p.part.id === view.partId);
  if (!piece || !form || !b || !canEdit || b.part.shape === 'board' || form.scan) return null;
  const { from } = eye(view);
  // Of a pair, the one nearer to the eye.
  const side = b.right && dotOf(b.right[0]!.a, from) > dotOf(b.left[0]!.a, from) ? 'right' : 'left';
  const stretches = (side === 'right' && b.right) || b.left;
  const at = (p: readonly number[]) => seenAt(p, centre, view, size, perMm);
  const ends: Vec3[] = [stretches[0]!.a, ...stretches.map((s) => s.b)];
  const tip = b.part.root === 'start' ? ends[ends.length - 1]! : ends[0]!;
  const root = b.part.root === 'start' ? ends[0]! : ends[ends.length - 1]!;

  const change = (next: (f: Piece['form']) => Piece['form']) => changePiece((p) => ({ ...p, form: next(p.form) }));

  const [tx, ty] = at(tip);
  const [rx, ry] = at(root);
  const planned = plannedPart(piece, b.part);
  const beyond = [tx + 22 * Math.sign(tx - rx || 1), ty + 22 * Math.sign(ty - ry || 1)] as const;
  return (
    <Box
      component="svg"
      role="group"
      aria-label={`Handles of ${b.part.name}`}
      width={size.width}
      height={size.height}
      sx={{
        position: 'absolute',
        inset: 0,
        pointerEvents: 'none',
        color: 'primary.main',
        '& [data-handle]': { pointerEvents: 'auto' },
        '& [data-handle] > .shape': { fill: SHEET, stroke: CHOSEN, strokeWidth: 2 },
      }}
    >
      <polyline
        points={ends.map((p) => at(p).join(',')).join(' ')}
        fill="none"
        stroke="currentColor"
        strokeDasharray="3 4"
      />
      <Handle
        mark="length"
        name={`Length of ${b.part.name}`}
        at={[tx, ty]}
        px={1}
        carry={() => lengthener(form, b.part, planned, [tx - rx, ty - ry], perMm, change)}
      >
        <rect className="shape" x={tx - 7} y={ty - 7} width={14} height={14} />
      </Handle>
      {rings(b.part, stretches).map((r) => {
        const [cx, cy] = at(r.at);
        // The ring sits where the thickness is seen widest.
        const { right, up } = across(view);
        const dirs = [r.top, r.out].map((d) => [dotOf(d, right), -dotOf(d, up)] as const);
        const use = Math.hypot(...dirs[0]!) >= Math.hypot(...dirs[1]!) ? 0 : 1;
        const d = dirs[r.only ?? use]!;
        const l = Math.hypot(d[0], d[1]);
        if (l < 0.3) return null;
        const x = cx + d[0] * r.radius * perMm;
        const y = cy + d[1] * r.radius * perMm;
        return (
          <Handle
            key={r.key}
            mark={`thickness-${r.key}`}
            name={`Across ${thicknessesOf(b.part).find((t) => t.key === r.key)!.says} of ${b.part.name}`}
            at={[x, y]}
            px={1}
            carry={() => thickener(form, b.part, planned, r.key, [d[0] / l, d[1] / l], perMm, change)}
          >
            <circle className="shape" cx={x} cy={y} r={7} />
          </Handle>
        );
      })}
      {b.part.on !== null && (
        <Handle
          mark="bend"
          name={`Bend of ${b.part.name} where it is joined`}
          at={beyond}
          px={1}
          carry={() => bender(form, b.part, side, view, [rx, ry], [tx, ty], change)}
        >
          <rect
            className="shape"
            x={-7}
            y={-7}
            width={14}
            height={14}
            transform={`translate(${beyond[0]} ${beyond[1]}) rotate(45)`}
          />
        </Handle>
      )}
    </Box>
  );
}

type Change = (next: (f: Piece['form']) => Piece['form']) => void;

const plannedPart = (piece: Piece, part: Part): Part | undefined =>
  BODY_PLANS.some((p) => p.id === piece.form.plan)
    ? bodyPlan(piece.form.plan).parts.find((p) => p.id === part.id)
    : undefined;

const within = (x: number, l: { min: number; max: number }) => Math.max(l.min, Math.min(l.max, x));

function lengthener(
  form: Piece['form'],
  part: Part,
  planned: Part | undefined,
  axis: readonly [number, number],
  perMm: number,
  change: Change,
): Carried {
  const mm = partLength(part) * unitMm(form);
  const seen = Math.hypot(axis[0], axis[1]) || 1;
  // A part seen end on would jump; it lengthens as if seen at least a third of its length.
  const perLength = Math.max(seen, (mm * perMm) / 3) / mm;
  const l = limits(form, partLength(part), planned && partLength(planned));
  return (dx, dy) => {
    const along = (dx * axis[0] + dy * axis[1]) / seen;
    change((f) => setPartLength(f, part.id, within(mm + along / perLength, l)));
  };
}

function thickener(
  form: Piece['form'],
  part: Part,
  planned: Part | undefined,
  key: string,
  dir: readonly [number, number],
  perMm: number,
  change: Change,
): Carried {
  const t = thicknessesOf(part).find((x) => x.key === key)!;
  const mm = t.across * unitMm(form);
  const l = limits(form, t.across, planned && thicknessesOf(planned).find((x) => x.key === key)?.across);
  return (dx, dy) => {
    const out = (dx * dir[0] + dy * dir[1]) / perMm;
    change((f) => setThickness(f, part.id, key, within(mm + 2 * out, l)));
  };
}

/** Turns the part about its joint in the plane of the picture, about whichever axis is seen most end on. */
function bender(
  form: Piece['form'],
  part: Part,
  side: 'left' | 'right',
  view: View,
  root: readonly [number, number],
  tip: readonly [number, number],
  change: Change,
): Carried {
  const { from } = eye(view);
  const most = [0, 1, 2].reduce((a, k) => (Math.abs(from[k]!) > Math.abs(from[a]!) ? k : a), 0);
  const key = (['nodDeg', 'turnDeg', 'tiltDeg'] as const)[most]!;
  const mirrored = side === 'right' && most > 0 ? -1 : 1;
  const sign = Math.sign(from[most]! || 1) * mirrored;
  const node = jointsOf(part)[0] ?? 0;
  const was = form.pose.find((j) => j.part === part.id && j.node === node && j.side === 'both');
  const start: Pick<Joint, 'nodDeg' | 'turnDeg' | 'tiltDeg'> = {
    nodDeg: was?.nodDeg ?? 0,
    turnDeg: was?.turnDeg ?? 0,
    tiltDeg: was?.tiltDeg ?? 0,
  };
  const angle = (x: number, y: number) => (Math.atan2(-(y - root[1]), x - root[0]) * 180) / Math.PI;
  const zero = angle(tip[0], tip[1]);
  const limit = key === 'tiltDeg' ? 90 : 160;
  return (dx, dy) => {
    let turn = angle(tip[0] + dx, tip[1] + dy) - zero;
    turn = ((((turn + 180) % 360) + 360) % 360) - 180;
    const deg = Math.round(within(start[key] + sign * turn, { min: -limit, max: limit }));
    change((f) => setBend(f, { part: part.id, node, side: 'both' }, { ...start, [key]: deg }));
  };
}

interface Ring {
  readonly key: string;
  readonly at: Vec3;
  readonly radius: number;
  readonly top: Vec3;
  readonly out: Vec3;
  /** Which way it may be pulled: 0 up, 1 outward; either when not said. */
  readonly only?: 0 | 1;
}

function rings(part: Part, stretches: readonly Stretch[]): Ring[] {
  if (part.shape === 'pad') {
    const s = stretches[0]!;
    const middle = [0, 1, 2].map((k) => (s.a[k]! + s.b[k]!) / 2) as unknown as Vec3;
    const mm = s.ra / ((part.halfWidth + part.halfHeight) / 2);
    const common = { at: middle, top: s.top, out: s.out };
    return [
      { ...common, key: 'width', radius: part.halfWidth * mm, only: 1 },
      { ...common, key: 'height', radius: part.halfHeight * mm, only: 0 },
    ];
  }
  const last = stretches.length;
  return Array.from({ length: last + 1 }, (_, i): Ring => {
    const s = stretches[Math.min(i, last - 1)]!;
    const end = i === last ? s.b : s.a;
    const radius = i === last ? s.rb : s.ra;
    // The ends of a limb lie on its skin; the thickness belongs to the place one radius further in.
    const inward = i === 0 ? 1 : i === last ? -1 : 0;
    const at = [0, 1, 2].map((k) => end[k]! + (inward * radius * (s.b[k]! - s.a[k]!)) / s.length) as unknown as Vec3;
    return { key: String(i), at, radius, top: s.top, out: s.out };
  });
}
