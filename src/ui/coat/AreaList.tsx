'use client';
/** The areas as tickets: wool, number, name, way of laying, grams, and a mark where something is to be decided. */
import Box from '@mui/material/Box';
import { setView, useDesk } from '@/desk/store';
import { figures } from '@/ui/frame/theme';
import { OpenMark } from '@/ui/parts/OpenMark';
import { Ticket } from '@/ui/parts/Ticket';
import { useUnits } from '@/ui/parts/useUnits';

export function AreaList({ onlyFur = false }: { onlyFur?: boolean }) {
  const plan = useDesk((s) => s.plan);
  const selected = useDesk((s) => s.view.areaId);
  const { q } = useUnits();
  if (!plan) return <Box sx={{ p: 2, fontSize: 13 }}>The areas appear when the animal has been worked out.</Box>;
  return (
    <Box component="ul" aria-label="Areas" sx={{ listStyle: 'none', m: 0, py: 1, px: 0 }}>
      {plan.coat.areas.map((a, i) => {
        if (onlyFur && !a.fur) return null;
        const on = a.id === selected;
        return (
          <li key={a.id}>
            <Ticket on={on} onClick={() => setView({ areaId: a.id })} columns="34px 1fr auto">
              <Box
                sx={{
                  width: 34,
                  height: 30,
                  bgcolor: a.colour ?? 'transparent',
                  border: 1,
                  borderStyle: a.colour ? 'solid' : 'dashed',
                  borderColor: 'text.secondary',
                }}
              />
              <Box sx={{ minWidth: 0 }}>
                <Box sx={{ fontWeight: 700, lineHeight: 1.25 }}>
                  <Box component="span" sx={{ ...figures, fontSize: 13, fontWeight: 400, mr: 0.75 }}>
                    {i + 1}
                  </Box>
                  {a.name}
                  <OpenMark findings={plan.findings.filter((f) => f.about === a.id)} />
                </Box>
                <Box sx={{ fontSize: 13, color: 'text.secondary' }}>
                  {a.fur ? `${a.fur.figures.rows.value} rows, folded` : 'bare'}
                </Box>
              </Box>
              <Box sx={{ ...figures, fontSize: 13 }}>{a.fur ? q(a.fur.figures.mass) : ''}</Box>
            </Ticket>
          </li>
        );
      })}
    </Box>
  );
}
