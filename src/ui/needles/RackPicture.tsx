'use client';
/** The needles standing side by side, thickness and barbs to scale; the one for the next step is raised. */
import Box from '@mui/material/Box';
import { useDesk } from '@/desk/store';
import { setView } from '@/desk/store';
import { figures } from '@/ui/frame/theme';
import { useUnits } from '@/ui/parts/useUnits';
import { NeedleShape } from './NeedleShape';
import { useNeedledStep, useRack } from './needle-store';
import { CHOSEN, STEEL } from '@/ui/pictures/colours';

/** Between needles, mm. */
const APART = 9;
/** The one to pick stands higher by this, mm. */
const RAISED = 4;

export function RackPicture() {
  const { needles, inHand } = useRack();
  const next = useNeedledStep()?.step.phases[0]?.needleId ?? null;
  const dim = useDesk((s) => s.view.needleId);
  const { q } = useUnits();
  const sorted = [...needles].sort(
    (a, b) =>
      Number(a.section === 'reverse') - Number(b.section === 'reverse') ||
      a.gauge - b.gauge ||
      a.section.localeCompare(b.section),
  );
  if (sorted.length === 0) {
    return (
      <Box sx={{ flex: 1, display: 'grid', placeItems: 'center', bgcolor: 'desk.stage', fontSize: 13 }}>
        No needles yet. Add those you own; the plan chooses among them.
      </Box>
    );
  }
  const firstReverse = sorted.findIndex((n) => n.section === 'reverse');
  const xOf = (i: number) => APART * (i + 0.5) + (firstReverse >= 0 && i >= firstReverse ? APART * 0.8 : 0);
  const tall = Math.max(...sorted.map((n) => n.bladeMm)) + 14;
  const w = xOf(sorted.length - 1) + APART * 0.8 + 8;
  const h = tall + RAISED + 12;
  const px = Math.max(w / 640, h / 400);
  return (
    <Box sx={{ position: 'relative', flex: 1, minHeight: 0, bgcolor: 'desk.stage' }}>
      <Box
        component="svg"
        viewBox={`-8 ${-tall - RAISED - 1} ${w + 8} ${h}`}
        role="group"
        aria-label="The rack, to scale"
        sx={{
          position: 'absolute',
          inset: 0,
          width: '100%',
          height: '100%',
          color: 'text.primary',
          overflow: 'hidden',
        }}
      >
        {Array.from({ length: Math.floor(tall / 5) + 1 }, (_, i) => (
          <g key={i} aria-hidden>
            <line
              x1={0}
              x2={w - 8}
              y1={-5 * i}
              y2={-5 * i}
              stroke="currentColor"
              strokeWidth={(i % 2 === 0 ? 0.7 : 0.4) * px}
              opacity={i % 2 === 0 ? 0.25 : 0.14}
            />
            {i % 2 === 0 && (
              <text
                x={-1}
                y={-5 * i + 3.5 * px}
                fontSize={11 * px}
                textAnchor="end"
                fill="currentColor"
                style={{ fontFamily: figures.fontFamily as string }}
              >
                {5 * i}
              </text>
            )}
          </g>
        ))}
        {sorted.map((n, i) => {
          const up = n.id === next ? RAISED : 0;
          const on = n.id === inHand?.id && dim !== null;
          return (
            <g
              key={n.id}
              role="button"
              tabIndex={0}
              aria-pressed={n.id === inHand?.id}
              aria-label={`${n.name}: ${q({ kind: 'fine', value: n.thickMm })} thick, first barb ${q({ kind: 'fine', value: n.tipMm })} from the point, ${n.count} owned${n.id === next ? ', for the next step' : ''}`}
              onClick={() => setView({ needleId: n.id })}
              onKeyDown={(e) => {
                if (e.key !== 'Enter' && e.key !== ' ') return;
                e.preventDefault();
                setView({ needleId: n.id });
              }}
              style={{ cursor: 'pointer', opacity: n.count === 0 ? 0.35 : 1 }}
            >
              <rect
                x={xOf(i) - APART * 0.5}
                y={-tall - RAISED}
                width={APART}
                height={tall + RAISED + 9}
                fill={on ? CHOSEN : 'transparent'}
                fillOpacity={0.1}
              />
              <g transform={`translate(${xOf(i)} ${-up})`}>
                <NeedleShape needle={n} px={px} fill={n.id === next ? CHOSEN : STEEL} />
              </g>
              <text
                x={xOf(i)}
                y={4.2}
                fontSize={11 * px}
                textAnchor="middle"
                fill="currentColor"
                fontWeight={n.id === inHand?.id ? 700 : 400}
              >
                {n.gauge}
              </text>
              <text x={xOf(i)} y={4.2 + 13 * px} fontSize={10.5 * px} textAnchor="middle" fill="currentColor">
                {n.section}
              </text>
            </g>
          );
        })}
      </Box>
      <Box sx={{ position: 'absolute', left: 12, top: 8, fontSize: 13 }}>
        Points down, millimetres from the point. {next ? 'The raised one is for the next step.' : ''}
      </Box>
    </Box>
  );
}
