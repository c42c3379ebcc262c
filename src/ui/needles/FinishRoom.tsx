'use client';
/** Finish: marks every needle leaves on short fur, passes that close them, where fluff is wanted, and the fine places of the face. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { UNNOTICED } from '@/core/needle/marks';
import { setView, useDesk } from '@/desk/store';
import { ThreeColumns } from '@/ui/frame/ThreeColumns';
import { UnderPicture } from '@/ui/frame/UnderPicture';
import { SmallTable } from '@/ui/parts/SmallTable';
import { Ticket, Tickets } from '@/ui/parts/Ticket';
import { useUnits } from '@/ui/parts/useUnits';
import { Turntable } from '@/ui/pictures/Turntable';
import type { Dot } from '@/ui/pictures/TurntableScene';
import { MARK } from '@/ui/pictures/colours';
import { Sentence } from '@/ui/parts/Figures';

export function FinishRoom() {
  const plan = useDesk((s) => s.plan);
  const areaId = useDesk((s) => s.view.areaId);
  const { q, t } = useUnits();
  if (!plan) return <Box sx={{ flex: 1, bgcolor: 'desk.stage' }} />;
  const { areas, places } = plan.needles.finish;
  const area = areas.find((a) => a.areaId === areaId) ?? areas.find((a) => a.fluff === null) ?? areas[0] ?? null;
  const dots = places.flatMap((p): Dot[] => {
    const where = plan.work.steps.find((s) => s.operation.id === p.operationId)?.operation.needlework?.where;
    return where?.on === 'places'
      ? where.places.map((at) => ({ at, colour: MARK, radiusMm: Math.max(0.6, plan.form.lengthMm / 160) }))
      : [];
  });
  const most = Math.max(0.08, ...(area?.leaves ?? []).map((l) => l.share));
  return (
    <ThreeColumns
      of={['needles']}
      list="Rack"
      left={
        <Tickets label="Areas and their finish" of={areas.map((a) => ({ ...a, id: a.areaId }))}>
          {(a) => (
            <Ticket
              on={a.areaId === area?.areaId}
              onClick={() => setView({ areaId: a.areaId })}
              name={a.name}
              words={
                a.fluff
                  ? 'fluff wanted'
                  : a.passes.length === 0
                    ? 'no pass needed'
                    : `${a.passes.length} ${a.passes.length === 1 ? 'pass' : 'passes'}`
              }
            />
          )}
        </Tickets>
      }
      middle={
        <>
          <Turntable dots={dots} />
          <UnderPicture label="Marks every needle leaves">
            {area && area.fluff === null ? (
              <Box
                component="ul"
                sx={{ listStyle: 'none', m: 0, p: 0, width: '100%', fontSize: 13, overflow: 'auto' }}
                tabIndex={0}
              >
                {area.leaves.map((l) => (
                  <Box
                    component="li"
                    key={l.needleId}
                    sx={{
                      display: 'grid',
                      gridTemplateColumns: '120px 1fr 60px',
                      gap: 1,
                      alignItems: 'center',
                      mb: 0.4,
                    }}
                  >
                    <span>{l.name}</span>
                    <Box sx={{ position: 'relative', height: 14, bgcolor: 'action.hover' }}>
                      <Box
                        sx={{
                          position: 'absolute',
                          inset: 0,
                          width: `${(100 * l.share) / most}%`,
                          bgcolor: l.share <= UNNOTICED ? 'success.main' : 'warning.main',
                        }}
                      />
                      <Box
                        sx={{
                          position: 'absolute',
                          top: -2,
                          bottom: -2,
                          left: `${(100 * UNNOTICED) / most}%`,
                          borderLeft: 2,
                          borderColor: 'text.primary',
                        }}
                      />
                    </Box>
                    <span>{q({ kind: 'share', value: l.share })}</span>
                  </Box>
                ))}
                <li>
                  Share of the surface left open by one usual pass; what lies left of the line is not noticed at arm’s
                  length.
                </li>
              </Box>
            ) : (
              <Box sx={{ fontSize: 13 }}>Marks are shown here for short fur and felt that stays in sight.</Box>
            )}
          </UnderPicture>
        </>
      }
      right={
        <>
          <Typography variant="h2">{area?.name ?? 'Finish'}</Typography>
          {area ? (
            <Sentence>
              {area.fluff ? (
                t(area.fluff)
              ) : area.passes.length === 0 ? (
                <>
                  The planned passes leave <b>{q({ kind: 'share', value: area.now })}</b> in open marks: not noticed, no
                  pass needed.
                </>
              ) : (
                <>
                  The planned passes leave <b>{q({ kind: 'share', value: area.now })}</b> in open marks.{' '}
                  {area.passes.length === 1 ? 'One more pass' : `${area.passes.length} more passes`} bring it to{' '}
                  <b>{q({ kind: 'share', value: area.then })}</b>
                  {area.short ? ', the least your needles can do; a finer one would close more.' : '.'}
                </>
              )}
            </Sentence>
          ) : (
            <Typography sx={{ my: 1 }}>No area is laid yet.</Typography>
          )}
          {area && area.passes.length > 0 && (
            <SmallTable
              label="Passes that close the marks"
              head={['Pass', 'stabs/cm²', 'stroke', 'time', 'marks after']}
              rows={area.passes.map((p) => [
                p.name,
                p.perCm2,
                q({ kind: 'fine', value: p.strokeMm }),
                q({ kind: 'time', value: p.minutes }),
                q({ kind: 'share', value: p.marksAfter }),
              ])}
            />
          )}
          <Typography variant="h3" sx={{ mt: 2 }}>
            Fine places
          </Typography>
          {places.length === 0 ? (
            <Box sx={{ fontSize: 13 }}>Muzzle, lips, lids and brows appear here once the face is begun.</Box>
          ) : (
            <Box component="ul" sx={{ pl: 2.25, my: 0.5, fontSize: 13, '& li': { mb: 0.75 } }}>
              {places.map((p) => (
                <li key={p.operationId}>
                  <b>{p.name}</b>: {t(p.says)}; {q({ kind: 'share', value: p.marks })} in marks after a pass.
                </li>
              ))}
            </Box>
          )}
          <Box sx={{ fontSize: 13, color: 'text.secondary', mt: 1 }}>
            Deep before shallow, coarse before fine. Stop where the surface is closed: every further stab takes fluff
            away.
          </Box>
        </>
      }
    />
  );
}
