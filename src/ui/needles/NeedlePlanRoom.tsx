'use client';
/** For every step: needle, angle, stroke and its window, passes, stabs, minutes and the reason; changes of needle marked. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { ANGLES } from '@/core/needle/fit';
import { limitWords } from '@/core/needle/needle-plan';
import { phaseInFull, stabsWords } from '@/core/needle/words';
import type { Judged } from '@/core/known-findings';
import { setView, useDesk } from '@/desk/store';
import { ThreeColumns } from '@/ui/frame/ThreeColumns';
import { FigureGrid } from '@/ui/parts/FigureGrid';
import { FindingList } from '@/ui/parts/FindingList';
import { OpenedFigure } from '@/ui/parts/Opened';
import { OpenMark } from '@/ui/parts/OpenMark';
import { SmallTable } from '@/ui/parts/SmallTable';
import { PickField } from '@/ui/parts/PickField';
import { useUnits } from '@/ui/parts/useUnits';
import { figures } from '@/ui/frame/theme';
import { chooseFor, useNeedledStep } from './needle-store';
import { DepthPicture } from './DepthPicture';
import { RackList } from './RackList';
import { Sentence } from '@/ui/parts/Figures';
import { Ruled } from '@/ui/parts/Panel';

export function NeedlePlanRoom({ findings }: { findings: readonly Judged[] }) {
  const inHand = useNeedledStep();
  const general = findings.filter((f) => f.about === null);
  return (
    <ThreeColumns
      of={['needles']}
      list="Rack"
      left={<RackList />}
      middle={<StepTable findings={findings} />}
      right={
        inHand ? (
          <StepDocket key={inHand.step.operationId} findings={findings} general={general} />
        ) : (
          <Typography>Nothing is needled yet: build a core or lay an area first.</Typography>
        )
      }
    />
  );
}

const of = (findings: readonly Judged[], id: string) => findings.filter((f) => f.step === id);

function StepTable({ findings }: { findings: readonly Judged[] }) {
  const plan = useDesk((s) => s.plan);
  const only = useDesk((s) => s.view.needleId);
  const inHand = useNeedledStep();
  const { t, q } = useUnits();
  if (!plan) return <Box sx={{ flex: 1, bgcolor: 'desk.stage' }} />;
  const { changes } = plan.needles;
  const hours = plan.needles.steps.flatMap((s) => s.phases).reduce((s, p) => s + p.minutes, 0);
  const numbered = plan.needles.steps.flatMap((s) => {
    const step = plan.work.steps.find((x) => x.operation.id === s.operationId);
    return step ? [{ s, step }] : [];
  });
  const last: { id: string | null } = { id: null };
  return (
    <Box
      sx={{ flex: 1, minHeight: 0, overflow: 'auto', bgcolor: 'background.paper', p: 2 }}
      tabIndex={0}
      role="region"
      aria-label="Needle for every step"
    >
      <Sentence>
        <b>{numbered.length} steps</b> with the needle, about <b>{q({ kind: 'time', value: hours })}</b> of stabbing,{' '}
        <b>{changes.length}</b> {changes.length === 1 ? 'change' : 'changes'} of needle.
      </Sentence>
      <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {numbered.map(({ s, step }) => {
          const on = s.operationId === inHand?.step.operationId;
          const faint = only !== null && s.phases.length > 0 && !s.phases.some((p) => p.needleId === only);
          return (
            <Box
              component="li"
              key={s.operationId}
              sx={{
                borderBottom: 1,
                borderColor: 'divider',
                bgcolor: on ? 'action.selected' : undefined,
                borderLeft: 4,
                borderLeftColor: on ? 'primary.main' : 'transparent',
              }}
            >
              <Box
                component="button"
                type="button"
                aria-pressed={on}
                onClick={() => setView({ stepId: s.operationId })}
                sx={{
                  display: 'grid',
                  gridTemplateColumns: '34px minmax(0,1fr)',
                  gap: 1,
                  width: '100%',
                  textAlign: 'left',
                  font: 'inherit',
                  color: faint ? 'text.secondary' : 'inherit',
                  bgcolor: 'transparent',
                  border: 0,
                  py: 0.7,
                  px: 1,
                  cursor: 'pointer',
                }}
              >
                <Box sx={{ ...figures, fontSize: 13, textAlign: 'right' }}>{step.number}</Box>
                <Box sx={{ minWidth: 0 }}>
                  <Box sx={{ fontSize: 13, lineHeight: 1.3, color: 'text.secondary' }}>
                    <OpenMark findings={of(findings, s.operationId)} /> {t(step.operation.does)}
                  </Box>
                  {s.phases.length === 0 && (
                    <Box sx={{ color: 'error.main', fontSize: 15 }}>No needle in the rack can do it</Box>
                  )}
                  {s.phases.map((p, i) => {
                    const changed = last.id !== null && last.id !== p.needleId;
                    last.id = p.needleId;
                    return (
                      <Box
                        key={i}
                        sx={{
                          display: { xs: 'flex', sm: 'grid' },
                          flexWrap: 'wrap',
                          gridTemplateColumns: '18px 132px 46px 70px 96px 62px',
                          columnGap: 1,
                          fontSize: 15,
                          alignItems: 'baseline',
                        }}
                      >
                        <Box
                          component="span"
                          title={changed ? 'change of needle' : undefined}
                          sx={{ color: 'primary.main', fontWeight: 700 }}
                        >
                          {changed ? '↻' : ''}
                        </Box>
                        <b>{p.name}</b>
                        <Box sx={{ ...figures, fontSize: 13 }}>{p.angleDeg}°</Box>
                        <Box sx={{ ...figures, fontSize: 15, fontWeight: 700 }}>
                          {q({ kind: 'fine', value: p.strokeMm })}
                        </Box>
                        <Box sx={{ ...figures, fontSize: 13, color: 'text.secondary' }}>
                          {p.leastMm.toFixed(1)} to {p.mostMm.toFixed(1)}
                        </Box>
                        <Box sx={{ ...figures, fontSize: 13, textAlign: 'right' }}>
                          {q({ kind: 'time', value: p.minutes })}
                        </Box>
                      </Box>
                    );
                  })}
                </Box>
              </Box>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}

function StepDocket({ findings, general }: { findings: readonly Judged[]; general: readonly Judged[] }) {
  const { step, work } = useNeedledStep()!;
  const needles = useDesk((s) => s.cupboard.needles);
  const chosen = useDesk((s) => s.piece!.work.chosen.find((c) => c.operation === step.operationId));
  const { q, t } = useUnits();
  const usable = needles.filter((n) => n.count > 0 && (n.section === 'reverse') === (step.kind === 'raise'));
  return (
    <>
      <Typography variant="h2" sx={{ fontSize: 18 }}>
        Step {work.number}
      </Typography>
      <Typography sx={{ fontSize: 15, my: 0.5 }}>{t(work.operation.does)}</Typography>
      <FindingList findings={of(findings, step.operationId)} />
      {step.phases.map((p, i) => {
        const needle = needles.find((n) => n.id === p.needleId);
        return (
          <Box key={i} sx={{ mb: 1.5 }}>
            <Typography component="p" sx={{ fontSize: 18, lineHeight: 1.45, my: 0.75 }}>
              {t(phaseInFull(p))}.
            </Typography>
            {needle && <DepthPicture phase={p} needle={needle} layerMm={step.kind === 'through' ? 0 : step.layerMm} />}
            <FigureGrid
              columns={3}
              list={[
                { label: 'along the needle', value: q({ kind: 'fine', value: p.strokeMm }) },
                { label: 'below the surface', value: <OpenedFigure figure={p.figures.depth} /> },
                { label: 'barbs at work', value: String(p.barbs) },
                {
                  label: t(stabsWords(p)).replace(/^.* in /, 'in '),
                  value: q({ kind: 'count', value: Math.max(10, Math.round(p.stabs / 10) * 10) }),
                },
                { label: 'time', value: <OpenedFigure figure={p.figures.time} /> },
                ...(p.figures.marks ? [{ label: 'in marks', value: <OpenedFigure figure={p.figures.marks} /> }] : []),
                { label: 'open at', value: q({ kind: 'share', value: p.openShare }) },
              ]}
            />
            <Box sx={{ fontSize: 13, mt: 0.75 }}>
              No deeper than {q({ kind: 'fine', value: p.mostMm })}: {limitWords(p.limit)}.
            </Box>
            {p.tight.map((words, k) => (
              <Box key={k} sx={{ fontSize: 13, mt: 0.5 }}>
                {t(words)}.
              </Box>
            ))}
          </Box>
        );
      })}
      <Ruled aria-label="Chosen by hand">
        <PickField
          label="Needle"
          value={chosen?.needleId ?? 'plan'}
          options={[{ value: 'plan', says: 'by the plan' }, ...usable.map((n) => ({ value: n.id, says: n.name }))]}
          onChange={(v) => chooseFor(step.operationId, { needleId: v === 'plan' ? null : v })}
        />
        <PickField
          label="Angle"
          value={chosen?.angleDeg ? String(chosen.angleDeg) : 'plan'}
          options={[
            { value: 'plan', says: 'by the plan' },
            ...[...ANGLES[step.kind]]
              .sort((a, b) => b - a)
              .map((a) => ({ value: String(a), says: a === 90 ? 'straight in' : `${a}° to the skin` })),
          ]}
          onChange={(v) => chooseFor(step.operationId, { angleDeg: v === 'plan' ? null : Number(v) })}
        />
      </Ruled>
      {work.operation.caution && (
        <Box sx={{ fontSize: 13, color: 'warning.main', mt: 1 }}>{t(work.operation.caution)}</Box>
      )}
      <Box sx={{ fontSize: 13, color: 'warning.main', mt: 0.5 }}>
        Eyes on the point, fingers flat and out of its way. A needle that meets wire, glass or bone-hard felt breaks: in
        and out on one line, and find the point.
      </Box>
      <FindingList findings={general} />
      <Changes />
    </>
  );
}

/** Where the needle is changed, in the order of the work. */
function Changes() {
  const plan = useDesk((s) => s.plan)!;
  const needles = useDesk((s) => s.cupboard.needles);
  const { changes } = plan.needles;
  if (changes.length === 0) return null;
  const name = (id: string) => needles.find((n) => n.id === id)?.name ?? id;
  return (
    <SmallTable
      label="Changes of needle"
      head={['At step', 'from', 'to']}
      rows={changes.map((c) => [
        plan.work.steps.find((s) => s.operation.id === c.operationId)?.number ?? '',
        name(c.from),
        name(c.to),
      ])}
    />
  );
}
