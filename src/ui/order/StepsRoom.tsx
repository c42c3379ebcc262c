'use client';
/** The steps grouped by sitting: filtered, dragged earlier or later, ticked off; on the right the step in hand. */
import { areaOf } from '@/core/ref';
import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { massOf, woolIn } from '@/core/materials';
import type { Judged } from '@/core/known-findings';
import type { Step } from '@/core/order/order';
import type { Sitting } from '@/core/order/work';
import { stepDone, stepUndone } from '@/desk/bench';
import { setView, useDesk } from '@/desk/store';
import { ThreeColumns } from '@/ui/frame/ThreeColumns';
import { figures } from '@/ui/frame/theme';
import { FindingList } from '@/ui/parts/FindingList';
import { PickField } from '@/ui/parts/PickField';
import { Ticket, Tickets } from '@/ui/parts/Ticket';
import { timeSpan } from '@/units/units';
import { useUnits } from '@/ui/parts/useUnits';
import { woolWords } from '@/units/wool-words';
import { dateWords, isDone, moveOnto, placeName, progressOf, soonest, useStep, weekdayName } from './order-store';
import { StepDocket } from './StepDocket';
import { StockTable } from './StockTable';
import { Sentence } from '@/ui/parts/Figures';

interface Filter {
  readonly area: string;
  readonly needle: string;
  readonly wool: string;
}
const ALL = 'all';

export function StepsRoom({ findings }: { findings: readonly Judged[] }) {
  const [filter, setFilter] = useState<Filter>({ area: ALL, needle: ALL, wool: ALL });
  const inHand = useStep();
  return (
    <ThreeColumns
      of={['work']}
      list="Filter"
      left={<Filters filter={filter} onChange={setFilter} />}
      middle={<StepList filter={filter} findings={findings} />}
      right={inHand ? <StepDocket key={inHand.step.operation.id} /> : <Typography>Nothing to do yet.</Typography>}
    />
  );
}

function Filters({ filter, onChange }: { filter: Filter; onChange: (f: Filter) => void }) {
  const plan = useDesk((s) => s.plan)!;
  const { needles, lots } = useDesk((s) => s.cupboard);
  const { q } = useUnits();
  const areas = [...new Set(plan.work.steps.map((s) => placeName(plan, s.operation)))];
  const used = new Set(plan.needles.use.map((u) => u.needleId));
  const wools = new Set(plan.work.steps.flatMap((s) => woolIn(s.operation).map((w) => w.lotId)));
  const all = (says: string) => ({ value: ALL, says });
  return (
    <>
      <Box role="group" aria-label="Show only" sx={{ p: 1.5, borderBottom: 1, borderColor: 'divider' }}>
        <PickField
          label="Area"
          value={filter.area}
          options={[all('all'), ...areas.map((name) => ({ value: name, says: name }))]}
          onChange={(area) => onChange({ ...filter, area })}
        />
        <PickField
          label="Needle"
          value={filter.needle}
          options={[all('all'), ...needles.filter((n) => used.has(n.id)).map((n) => ({ value: n.id, says: n.name }))]}
          onChange={(needle) => onChange({ ...filter, needle })}
        />
        <PickField
          label="Wool"
          value={filter.wool}
          options={[all('all'), ...lots.filter((l) => wools.has(l.id)).map((l) => ({ value: l.id, says: l.name }))]}
          onChange={(wool) => onChange({ ...filter, wool })}
        />
      </Box>
      <Tickets label="Sittings" of={plan.work.sittings.map((s) => ({ ...s, id: String(s.number) }))}>
        {(s) => (
          <Ticket
            on={false}
            then="picture"
            onClick={() => document.getElementById(`sitting-${s.number}`)?.scrollIntoView({ block: 'start' })}
            name={`Sitting ${s.number}`}
            words={s.date ? dateWords(s.date) : weekdayName(s.weekday)}
            figure={q({ kind: 'time', value: s.minutes })}
          />
        )}
      </Tickets>
    </>
  );
}

interface Row {
  readonly key: string;
  readonly step: Step;
  readonly from: number;
  readonly to: number;
  readonly minutes: number;
}

function StepList({ filter, findings }: { filter: Filter; findings: readonly Judged[] }) {
  const plan = useDesk((s) => s.plan)!;
  const canEdit = useDesk((s) => s.canEdit);
  const inHand = useStep()?.step.operation.id;
  const { q, span } = useUnits();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const { steps, sittings } = plan.work;
  const byId = useMemo(() => new Map(steps.map((s) => [s.operation.id, s])), [steps]);
  const needlesOf = (id: string) =>
    plan.needles.steps.find((n) => n.operationId === id)?.phases.map((p) => p.needleId) ?? [];
  const shown = (s: Step) =>
    (filter.area === ALL || placeName(plan, s.operation) === filter.area) &&
    (filter.wool === ALL || woolIn(s.operation).some((w) => w.lotId === filter.wool)) &&
    (filter.needle === ALL || needlesOf(s.operation.id).includes(filter.needle));
  const done = steps.filter((s) => isDone(plan, s.operation.id) && shown(s));
  const groups = sittings.map((sitting) => ({
    sitting,
    rows: sitting.stints.flatMap((x): Row[] => {
      const step = byId.get(x.id)!;
      return shown(step)
        ? [{ key: `${sitting.number}:${x.id}`, step, from: x.from, to: x.to, minutes: x.minutes }]
        : [];
    }),
  }));
  const keys = groups.flatMap((g) => g.rows.map((r) => r.key));
  const ofKey = new Map(groups.flatMap((g) => g.rows.map((r) => [r.key, r.step.operation.id] as const)));
  const idOf = (key: string | number) => ofKey.get(String(key)) ?? '';
  const numberOf = (key: string | number) => byId.get(idOf(key))?.number ?? 0;
  return (
    <Box
      sx={{ flex: 1, minHeight: 0, overflow: 'auto', bgcolor: 'background.paper', px: 2, py: 1.5 }}
      tabIndex={0}
      role="region"
      aria-label="Steps by sitting"
    >
      <Sentence>
        {steps.length === 0 ? (
          'Nothing to do yet: give an area a way of laying first.'
        ) : (
          <>
            <b>{steps.length} steps</b>, <b>{timeSpan(plan.work.spanLeft)}</b> left in <b>{sittings.length} sittings</b>
            {plan.work.finishDate && (
              <>
                , done on <b>{dateWords(plan.work.finishDate)}</b>
              </>
            )}
            . {soonest(plan)} <b>{q({ kind: 'mass', value: plan.stock.needG })}</b> of wool (
            {span(plan.stock.span, 'mass')})
            {plan.stock.cost > 0 ? (
              <>
                {' '}
                for <b>{q({ kind: 'money', value: plan.stock.cost })}</b>
              </>
            ) : null}
            .
          </>
        )}
      </Sentence>
      <FindingList findings={findings} />
      {done.length > 0 && (
        <Box component="section" aria-label="Done" sx={{ mb: 2 }}>
          <Typography variant="h3" sx={{ mb: 0.5 }}>
            Done
          </Typography>
          <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
            {done.map((s) => (
              <Line
                key={s.operation.id}
                row={{ key: s.operation.id, step: s, from: 0, to: 1, minutes: s.operation.minutes }}
                on={s.operation.id === inHand}
                still
              />
            ))}
          </Box>
        </Box>
      )}
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={({ active, over }) => {
          if (over && active.id !== over.id) moveOnto(idOf(active.id), idOf(over.id));
        }}
        accessibility={{
          screenReaderInstructions: {
            draggable: 'Space lifts a step, arrows move it, Space puts it down, Escape puts it back.',
          },
          announcements: {
            onDragStart: ({ active }) => `Lifted step ${numberOf(active.id)}.`,
            onDragOver: ({ over }) => (over ? `At step ${numberOf(over.id)}.` : 'Beside the list.'),
            onDragEnd: ({ over }) => (over ? `Put down at step ${numberOf(over.id)}.` : 'Put back.'),
            onDragCancel: () => 'Put back.',
          },
        }}
      >
        <SortableContext items={keys} strategy={verticalListSortingStrategy} disabled={!canEdit}>
          {groups.map(({ sitting, rows }) =>
            rows.length === 0 ? null : (
              <Box
                component="section"
                key={sitting.number}
                id={`sitting-${sitting.number}`}
                aria-label={`Sitting ${sitting.number}`}
                sx={{ mb: 2 }}
              >
                <SittingHead sitting={sitting} />
                <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
                  {rows.map((r) => (
                    <Sortable key={r.key} row={r} on={r.step.operation.id === inHand} />
                  ))}
                </Box>
                <SittingEnd sitting={sitting} />
              </Box>
            ),
          )}
        </SortableContext>
      </DndContext>
      <StockTable />
    </Box>
  );
}

function SittingHead({ sitting: s }: { sitting: Sitting }) {
  const { needles, lots } = useDesk((x) => x.cupboard);
  const { q, t, weighed } = useUnits();
  const out = [
    ...woolWords(s.wool, lots, weighed),
    ...s.needles.map((id) => needles.find((n) => n.id === id)?.name ?? id),
    ...s.things.map((w) => t(w)),
  ];
  return (
    <Box sx={{ borderBottom: 2, borderColor: 'text.primary', pb: 0.5, mb: 0.25 }}>
      <Typography variant="h3" component="h2">
        Sitting {s.number}
        <Box component="span" sx={{ fontWeight: 400, ml: 1 }}>
          {s.date ? dateWords(s.date) : weekdayName(s.weekday)}, {q({ kind: 'time', value: s.minutes })}
          {s.idleMinutes > 1 ? `, ${q({ kind: 'time', value: s.idleMinutes })} waiting` : ''}
        </Box>
      </Typography>
      <Box sx={{ fontSize: 13 }}>
        <Box component="span" sx={{ color: 'text.secondary' }}>
          Take out:{' '}
        </Box>
        {out.join(', ') || 'nothing'}
      </Box>
      {s.softAtStart.map((w, i) => (
        <Box key={i} sx={{ fontSize: 13, color: 'warning.main' }}>
          {t(w)}
        </Box>
      ))}
    </Box>
  );
}

function SittingEnd({ sitting: s }: { sitting: Sitting }) {
  const { t } = useUnits();
  return (
    <Box sx={{ fontSize: 13, py: 0.5 }}>
      <b>{t(s.stopsAt)}.</b>
      {s.softAtEnd.map((w, i) => (
        <Box key={i} sx={{ color: 'warning.main' }}>
          {t(w)}
        </Box>
      ))}
    </Box>
  );
}

function Sortable({ row, on }: { row: Row; on: boolean }) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: row.key });
  return (
    <Line
      row={row}
      on={on}
      nodeRef={setNodeRef}
      style={{ transform: transform ? `translate3d(0, ${Math.round(transform.y)}px, 0)` : undefined, transition }}
      handle={{ ...attributes, ...listeners }}
    />
  );
}

interface LineProps {
  readonly row: Row;
  readonly on: boolean;
  readonly still?: boolean;
  readonly nodeRef?: (el: HTMLElement | null) => void;
  readonly style?: React.CSSProperties;
  readonly handle?: object;
}

const rowsWords = (from: number, to: number, of: number): string =>
  from >= to ? `row ${to} of ${of}` : `rows ${from} to ${to} of ${of}`;

function Line({ row, on, still = false, nodeRef, style, handle }: LineProps) {
  const plan = useDesk((s) => s.plan)!;
  const canEdit = useDesk((s) => s.canEdit);
  const moved = useDesk((s) => s.piece!.work.moves.some((m) => m.operation === row.step.operation.id));
  const { q, t } = useUnits();
  const o = row.step.operation;
  const p = progressOf(plan, o.id);
  const done = p.share >= 1;
  const part =
    row.to - row.from < 0.999 && o.rows > 1
      ? rowsWords(Math.round(row.from * o.rows) + 1, Math.round(row.to * o.rows), o.rows)
      : row.to - row.from < 0.999
        ? row.from > 0
          ? 'the rest'
          : 'a part'
        : null;
  const needle = plan.needles.steps.find((n) => n.operationId === o.id)?.phases.map((x) => x.name);
  return (
    <Box
      component="li"
      ref={nodeRef}
      style={style}
      sx={{
        display: 'grid',
        gridTemplateColumns: '22px 34px 30px minmax(0,1fr) auto',
        alignItems: 'center',
        columnGap: 0.75,
        borderBottom: 1,
        borderColor: 'divider',
        bgcolor: on ? 'action.selected' : 'background.paper',
      }}
    >
      {still ? (
        <span />
      ) : (
        <Box
          component="button"
          type="button"
          {...handle}
          aria-label={`Move step ${row.step.number}`}
          disabled={!canEdit}
          sx={{
            border: 0,
            bgcolor: 'transparent',
            color: 'text.secondary',
            cursor: 'grab',
            touchAction: 'none',
            font: 'inherit',
            height: 30,
          }}
        >
          ⋮⋮
        </Box>
      )}
      <Checkbox
        size="small"
        checked={done}
        indeterminate={!done && p.share > 0}
        disabled={!canEdit || p.implied}
        slotProps={{ input: { 'aria-label': `Step ${row.step.number} done` } }}
        onChange={(e) => (e.target.checked ? stepDone(o.id) : stepUndone(o.id))}
        sx={{ p: 0.5 }}
      />
      <Box sx={{ ...figures, fontSize: 13, textAlign: 'right' }}>{row.step.number}</Box>
      <Box
        component="button"
        type="button"
        aria-pressed={on}
        onClick={() => setView({ stepId: o.id, ...(areaOf(o) === null ? {} : { areaId: areaOf(o) }) })}
        sx={{
          border: 0,
          bgcolor: 'transparent',
          color: 'inherit',
          font: 'inherit',
          textAlign: 'left',
          py: 0.6,
          cursor: 'pointer',
          minWidth: 0,
        }}
      >
        <Box sx={{ fontSize: 15, fontWeight: o.kind === 'lay' ? 700 : 400 }}>{t(o.does)}</Box>
        <Box sx={{ fontSize: 13, color: 'text.secondary' }}>
          {[
            part,
            needle && [...new Set(needle)].join(', then '),
            woolIn(o).length > 0 ? q({ kind: 'mass', value: massOf(woolIn(o)) }) : null,
            p.implied ? 'taken as done' : null,
            moved ? 'moved by you' : null,
            p.changed.length > 0 ? 'changed since' : null,
          ]
            .filter(Boolean)
            .join(' · ')}
        </Box>
      </Box>
      <Box sx={{ ...figures, fontSize: 13, textAlign: 'right', whiteSpace: 'nowrap' }}>
        {q({ kind: 'time', value: row.minutes })}
      </Box>
    </Box>
  );
}
