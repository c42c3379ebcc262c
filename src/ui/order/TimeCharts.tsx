'use client';
/** Where time goes: minutes left by kind of work in every sitting, and by area. Each chart has its figures in words beside it. */
import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import Typography from '@mui/material/Typography';
import { BarElement, CategoryScale, Chart, Legend, LinearScale, Tooltip } from 'chart.js';
import { Bar } from 'react-chartjs-2';
import type { Plan } from '@/core/plan';
import type { Operation } from '@/core/stage';
import { SmallTable } from '@/ui/parts/SmallTable';
import { useUnits } from '@/ui/parts/useUnits';
import { placeName } from './order-store';
import { SHADES } from '@/ui/pictures/colours';

Chart.register(BarElement, CategoryScale, LinearScale, Tooltip, Legend);

const GROUPS = [
  ['wire and core', (o: Operation) => o.stage === 'form'],
  ['laying', (o: Operation) => o.kind === 'lay' || o.kind === 'make' || o.kind === 'cut' || o.kind === 'blend'],
  ['colour', (o: Operation) => o.stage === 'shade'],
  ['face', (o: Operation) => o.stage === 'face'],
  ['trimming and finish', () => true],
] as const;
/** Shades told apart by lightness, and by their place in the legend. */

const groupOf = (o: Operation): number => GROUPS.findIndex(([, is]) => is(o));

export function TimeCharts({ plan }: { plan: Plan }) {
  const theme = useTheme();
  const { q } = useUnits();
  const ink = theme.palette.text.primary;
  const rule = theme.palette.divider;
  const byId = new Map(plan.work.steps.map((s) => [s.operation.id, s.operation]));
  const { sittings } = plan.work;
  const bySitting = GROUPS.map((_, g) =>
    sittings.map((s) => s.stints.reduce((m, x) => m + (groupOf(byId.get(x.id)!) === g ? x.minutes : 0), 0)),
  );
  const totals = GROUPS.map(([name], g) => ({ name, minutes: bySitting[g]!.reduce((a, b) => a + b, 0) }));
  const byArea = new Map<string, number>();
  for (const s of sittings)
    for (const x of s.stints) {
      const name = placeName(plan, byId.get(x.id)!);
      byArea.set(name, (byArea.get(name) ?? 0) + x.minutes);
    }
  const areas = [...byArea].sort((a, b) => b[1] - a[1]).slice(0, 14);
  const scale = { ticks: { color: ink }, grid: { color: rule } };
  const common = {
    responsive: true,
    maintainAspectRatio: false,
    animation: false as const,
    plugins: { legend: { labels: { color: ink, boxWidth: 14 } } },
  };
  const title = (text: string) => ({ display: true, text, color: ink });
  return (
    <>
      <Typography variant="h3" component="h2">
        Every sitting
      </Typography>
      <Box sx={{ height: 240, my: 1 }}>
        <Bar
          aria-label="Minutes of every sitting by kind of work"
          role="img"
          data={{
            labels: sittings.map((s) => String(s.number)),
            datasets: GROUPS.map(([label], g) => ({
              label,
              data: bySitting[g]!.map((m) => Math.round(m)),
              backgroundColor: SHADES[g]!,
            })),
          }}
          options={{
            ...common,
            scales: {
              x: { ...scale, stacked: true, title: title('sitting') },
              y: { ...scale, stacked: true, title: title('minutes') },
            },
          }}
        />
      </Box>
      <SmallTable
        label="Time left by kind of work"
        head={['Kind of work', 'time', 'share']}
        rows={totals.map((t) => [
          t.name,
          q({ kind: 'time', value: t.minutes }),
          q({ kind: 'share', value: t.minutes / (plan.work.minutesLeft || 1) }),
        ])}
      />
      <Typography variant="h3" component="h2" sx={{ mt: 2 }}>
        By area and part
      </Typography>
      <Box sx={{ height: 40 + 24 * areas.length, my: 1 }}>
        <Bar
          aria-label="Minutes left by area and part"
          role="img"
          data={{
            labels: areas.map(([n]) => n),
            datasets: [
              { label: 'minutes left', data: areas.map(([, m]) => Math.round(m)), backgroundColor: SHADES[1]! },
            ],
          }}
          options={{
            ...common,
            indexAxis: 'y',
            scales: { x: scale, y: { ...scale, ticks: { color: ink, autoSkip: false } } },
          }}
        />
      </Box>
    </>
  );
}
