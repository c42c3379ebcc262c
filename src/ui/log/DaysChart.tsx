'use client';
/** The days of the piece: work done so far beside what was planned for it, and what was left by each day's plan; with what it says about the end. */
import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import Typography from '@mui/material/Typography';
import { CategoryScale, Chart, Legend, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js';
import { Line } from 'react-chartjs-2';
import { daysOf } from '@/core/log/days';
import type { LogEntry } from '@/core/piece/log-entry';
import { dayOf } from '@/desk/settings';
import { useDesk } from '@/desk/store';
import { SmallTable } from '@/ui/parts/SmallTable';
import { useUnits } from '@/ui/parts/useUnits';
import { SHADES } from '@/ui/pictures/colours';

Chart.register(LineElement, PointElement, CategoryScale, LinearScale, Tooltip, Legend);

const localDate = (at: string): string => dayOf(new Date(at)).date;
const read = (date: string): string =>
  new Date(`${date}T12:00:00`).toLocaleDateString([], { day: 'numeric', month: 'short' });

export function DaysChart({ log }: { log: readonly LogEntry[] }) {
  const theme = useTheme();
  const finish = useDesk((s) => s.plan?.work.finishDate ?? null);
  const left = useDesk((s) => s.plan?.work.spanLeft.likely ?? 0);
  const { q } = useUnits();
  const days = daysOf(log, localDate);
  if (days.length < 2) return null;
  const ink = theme.palette.text.primary;
  const scale = { ticks: { color: ink }, grid: { color: theme.palette.divider } };
  const hours = (minutes: number) => Math.round((minutes / 60) * 100) / 100;
  const time = (minutes: number) => q({ kind: 'time', value: minutes });
  const last = days[days.length - 1]!;
  const all = { took: last.tookSoFar, planned: last.plannedSoFar };
  const times = all.planned > 0 ? all.took / all.planned : 1;
  const first = days.find((d) => d.doneOn !== null)?.doneOn ?? null;
  return (
    <Box sx={{ mt: 2 }}>
      <Typography variant="h3" component="h3">
        Day by day
      </Typography>
      <Typography sx={{ my: 0.5 }}>
        {time(all.took)} done where {time(all.planned)} were planned, {Math.round(times * 100) / 100} times as long.{' '}
        {left > 0 ? `${time(left)} are left` : 'Nothing is left'}
        {left > 0 && finish ? `, done on ${read(finish)}` : ''}
        {left > 0 && finish && first && first !== finish ? `; ${read(first)} was said as it began` : ''}.
      </Typography>
      <Box sx={{ height: 220, my: 1 }}>
        <Line
          role="img"
          aria-label="Hours done and planned, day by day"
          data={{
            labels: days.map((d) => read(d.date)),
            datasets: [
              {
                label: 'done',
                data: days.map((d) => hours(d.tookSoFar)),
                borderColor: SHADES[0]!,
                backgroundColor: SHADES[0]!,
                borderWidth: 2,
              },
              {
                label: 'planned for it',
                data: days.map((d) => hours(d.plannedSoFar)),
                borderColor: SHADES[2]!,
                backgroundColor: SHADES[2]!,
                borderDash: [6, 4],
                pointStyle: 'rect',
              },
              {
                label: 'all of it, as was said that day',
                data: days.map((d) => (d.comesTo === null ? null : hours(d.comesTo))),
                borderColor: SHADES[3]!,
                backgroundColor: SHADES[3]!,
                borderDash: [2, 3],
                pointStyle: 'triangle',
                spanGaps: true,
              },
            ],
          }}
          options={{
            responsive: true,
            maintainAspectRatio: false,
            animation: false,
            plugins: { legend: { labels: { color: ink, usePointStyle: true } } },
            scales: {
              x: scale,
              y: { ...scale, beginAtZero: true, title: { display: true, text: 'hours', color: ink } },
            },
          }}
        />
      </Box>
      <SmallTable
        label="Day by day"
        head={['Day', 'done', 'planned for it', 'left as it began']}
        rows={days.map((d) => [read(d.date), time(d.took), time(d.planned), d.left === null ? '' : time(d.left)])}
      />
    </Box>
  );
}
