'use client';
/**
 * Handles on the part in hand: a square at its free end makes it longer, a ring at each thickness makes it thicker, a
 * lozenge beyond the end bends it where it is joined; by a target the end is carried to a place, and the limb follows; by an eye
 * a head is turned to where it looks. All but the last two can be typed beside the picture.
 */
import Box from '@mui/material/Box';
import { useMemo } from 'react';
import { bent, carriedEnd, carriedLook, lengthened, lookedAt, ringsOf, thickened } from '@/core/form/by-hand';
import { makeBody } from '@/core/form/body';
import { canReach } from '@/core/form/reach';
import { thicknessesOf, unitMm } from '@/core/form/shape';
import { scale, type Vec3 } from '@/core/geometry/vec';
import { changePiece, useDesk } from '@/desk/store';
import type { View } from '@/desk/view';
import { Handle, type Carried } from '@/ui/parts/Handle';
import { Plumb } from './Plumb';
import { CHOSEN, SHEET } from './colours';
import { across, eye, seenAt, type Size } from './camera';

interface PartHandlesProps {
  readonly centre: readonly number[];
  readonly size: Size;
  readonly perMm: number;
  readonly view: View;
}

const dotOf = (a: readonly number[], b: readonly number[]) => a[0]! * b[0]! + a[1]! * b[1]! + a[2]! * b[2]!;

type OnPicture = readonly [number, number];
/** Handles nearer to each other than this cover each other, pixels. */
const COVERS = 26;

/** A handle moved on, away from what it belongs to, until it covers none of the others. */
function clearOf(at: OnPicture, others: readonly OnPicture[], from: OnPicture): OnPicture {
  const away = Math.hypot(at[0] - from[0], at[1] - from[1]);
  const [x, y] = away > 1 ? [(at[0] - from[0]) / away, (at[1] - from[1]) / away] : [0, -1];
  let [px, py] = at;
  for (let k = 0; k < 8 && others.some((o) => Math.hypot(px - o[0], py - o[1]) < COVERS); k++) {
    px += 8 * x;
    py += 8 * y;
  }
  return [px, py];
}

export function PartHandles({ centre, size, perMm, view }: PartHandlesProps) {
  const piece = useDesk((s) => s.piece);
  const canEdit = useDesk((s) => s.canEdit);
  const form = piece?.form;
  const body = useMemo(() => (form ? makeBody(form) : null), [form]);
  const b = body?.parts.find((p) => p.part.id === view.partId);
  if (!piece || !form || !b || !canEdit || b.part.shape === 'board' || form.scan) return null;
  const { from } = eye(view);
  // Of a pair, the one that is bent alone, else the one nearer to the eye.
  const alone = b.right && view.poseSide !== 'both' ? view.poseSide : null;
  const side = alone ?? (b.right && dotOf(b.right[0]!.a, from) > dotOf(b.left[0]!.a, from) ? 'right' : 'left');
  const stretches = (side === 'right' && b.right) || b.left;
  const at = (p: readonly number[]) => seenAt(p, centre, view, size, perMm);
  const ends: Vec3[] = [stretches[0]!.a, ...stretches.map((s) => s.b)];
  const tip = b.part.root === 'start' ? ends[ends.length - 1]! : ends[0]!;
  const root = b.part.root === 'start' ? ends[0]! : ends[ends.length - 1]!;

  const carried =
    (carry: ReturnType<typeof bent>): Carried =>
    (right, down) =>
      changePiece((p) => ({ ...p, form: carry(right, down)(p.form) }));

  const [tx, ty] = at(tip);
  const [rx, ry] = at(root);
  const away = [tx - 24 * Math.sign(tx - rx || 1), ty + 24 * Math.sign(ty - ry || 1)] as const;
  const beyond = [tx + 22 * Math.sign(tx - rx || 1), ty + 22 * Math.sign(ty - ry || 1)] as const;
  const looksAt = lookedAt(form, b.part);
  const look = looksAt && clearOf(at(scale(looksAt, unitMm(form))), [beyond, [tx, ty]], [tx, ty]);
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
      {body && canReach(form, b.part) && <Plumb body={body} at={at} />}
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
        carry={() => carried(lengthened(form, b.part, [tx - rx, ty - ry], perMm))}
      >
        <rect className="shape" x={tx - 7} y={ty - 7} width={14} height={14} />
      </Handle>
      {ringsOf(b.part, stretches).map((r) => {
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
            carry={() => carried(thickened(form, b.part, r.key, [d[0] / l, d[1] / l], perMm))}
          >
            <circle className="shape" cx={x} cy={y} r={7} />
          </Handle>
        );
      })}
      {canReach(form, b.part) && (
        <Handle
          mark="end"
          name={`Where ${b.part.name} ends, the limb follows`}
          at={away}
          px={1}
          carry={() => carried(carriedEnd(form, b.part, side, alone !== null, across(view), perMm))}
        >
          <circle className="shape" cx={away[0]} cy={away[1]} r={8} />
          <circle cx={away[0]} cy={away[1]} r={3} fill={CHOSEN} />
        </Handle>
      )}
      {look && (
        <Handle
          mark="look"
          name={`Where ${b.part.name} looks`}
          at={look}
          px={1}
          carry={() => carried(carriedLook(form, b.part, across(view), perMm))}
        >
          <line x1={tx} y1={ty} x2={look[0]} y2={look[1]} stroke="currentColor" strokeDasharray="1 4" />
          <ellipse className="shape" cx={look[0]} cy={look[1]} rx={11} ry={7} />
          <circle cx={look[0]} cy={look[1]} r={3} fill={CHOSEN} />
        </Handle>
      )}
      {b.part.on !== null && (
        <Handle
          mark="bend"
          name={`Bend of ${b.part.name} where it is joined`}
          at={beyond}
          px={1}
          carry={() => carried(bent(form, b.part, side, from, [rx, ry], [tx, ty]))}
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
