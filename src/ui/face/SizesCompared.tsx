'use client';
/** The eyes of the cupboard, this eye and life size, each on the same head from the front, side by side. */
import Box from '@mui/material/Box';
import { useMemo } from 'react';
import { onChart } from '@/core/face/face-edits';
import { styleOf } from '@/core/face/eyes/eyes';
import { useDesk } from '@/desk/store';
import { useUnits } from '@/ui/parts/useUnits';
import { useFaceDrawings, Drawn } from './FaceChart';
import { useFace } from './face-store';
import { UNCHOSEN } from '@/ui/pictures/colours';

const MOST = 6;

export function SizesCompared() {
  const f = useFace();
  const drawings = useFaceDrawings();
  const stockId = useDesk((s) => s.piece?.face?.eyes.stockId);
  const { q } = useUnits();
  const sizes = useMemo(() => {
    if (!f?.plan) return [];
    const { eyes } = f.plan;
    const list = [
      { id: 'now', name: 'this eye', mm: f.face.eyes.sizeMm },
      ...(eyes.lifeMm !== null ? [{ id: 'life', name: 'life size', mm: eyes.lifeMm }] : []),
      ...eyes.sizes
        .filter((s) => s.eye.id !== stockId)
        .map((s) => ({ id: s.eye.id, name: s.eye.name, mm: s.eye.diameterMm })),
    ];
    return list.slice(0, MOST);
  }, [f, stockId]);
  if (!f?.plan || !drawings) return null;
  // A relief is looked at from its side.
  const side = f.plan.oneSided ? 'profile' : 'front';
  const front = drawings[side];
  const { lifeMm } = f.plan.eyes;
  const [w, h] = [front.max[0] - front.min[0], front.max[1] - front.min[1]];
  const middles = f.plan.measured.filter((m) => m.mark === 'eye-left' || m.mark === 'eye-right');
  // Without the planned eyes, which are drawn anew at each size.
  const bare = {
    ...front,
    items: front.items.filter(
      (i) => i.what !== 'eye' && i.what !== 'clear' && i.what !== 'stem' && i.what !== 'whisker',
    ),
  };
  return (
    <Box
      sx={{ display: 'flex', gap: 1.5, overflow: 'auto', flex: 1, minWidth: 0 }}
      tabIndex={0}
      role="group"
      aria-label="Sizes of the eye compared"
    >
      {sizes.map((s) => (
        <Box key={s.id} sx={{ width: 128, flexShrink: 0, fontSize: 13, lineHeight: 1.25 }}>
          <Box
            component="svg"
            viewBox={`${front.min[0]} ${-front.max[1]} ${w} ${h}`}
            role="img"
            aria-label={`The head with eyes of ${q({ kind: 'fine', value: s.mm })}`}
            sx={{ width: 128, height: 128, bgcolor: 'desk.stage', display: 'block', color: 'text.primary' }}
          >
            <Drawn drawing={bare} px={w / 128} />
            {middles.map((m) => {
              const e = f.plan!.eyes.places[m.mark === 'eye-left' ? 0 : 1];
              const facing = e
                ? Math.max(0.15, Math.cos((((side === 'front' ? 0 : 90) - e.sideDeg) * Math.PI) / 180))
                : 1;
              const [cx, cy] = onChart(m.inHead, side);
              return (
                <g key={m.mark}>
                  <ellipse cx={cx} cy={-cy} rx={(s.mm / 2) * facing} ry={s.mm / 2} fill={UNCHOSEN.eye} />
                  <circle
                    cx={cx - 0.18 * s.mm * facing}
                    cy={-cy - 0.2 * s.mm}
                    r={Math.max(0.2, 0.08 * s.mm)}
                    fill="#fff"
                  />
                </g>
              );
            })}
          </Box>
          <b>{q({ kind: 'fine', value: s.mm })}</b> {s.name}
          {lifeMm !== null && `, ${styleOf(s.mm / lifeMm)}`}
        </Box>
      ))}
    </Box>
  );
}
