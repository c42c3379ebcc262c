'use client';
/** Small things: what it wears, carries, stands on or hangs in; measured off the animal, with patterns and what they weigh. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { beginThing, THING_WORDS } from '@/core/build/things/begin-thing';
import type { ThingPlan } from '@/core/build/things/thing-plan';
import { shrinks, USUAL_SHRINK } from '@/core/rates/shrunk';
import type { Part } from '@/core/piece/schema';
import { isWorn, THING_KINDS, thingSchema, type Thing, type ThingKind } from '@/core/piece/things';
import { changePiece, setView, useDesk } from '@/desk/store';
import { EditButton } from '@/ui/parts/Editable';
import { KindFields } from '@/ui/parts/Fields';
import { FigureGrid } from '@/ui/parts/FigureGrid';
import { Sentence } from '@/ui/parts/Figures';
import { OpenedFigure } from '@/ui/parts/Opened';
import { SmallTable } from '@/ui/parts/SmallTable';
import { Ticket, Tickets, UnderTickets } from '@/ui/parts/Ticket';
import { useMoved } from '@/ui/parts/useMoved';
import { useUnits } from '@/ui/parts/useUnits';
import { PanelPicture } from '@/ui/pictures/PanelPicture';

/** What has a place on an animal that stands, and on a relief. */
const OFFERED = {
  stands: THING_KINDS.filter((k) => k !== 'frame'),
  hangs: ['frame'],
} as const satisfies Record<string, readonly ThingKind[]>;

/** The small thing in hand. */
function useThing(): Thing | null {
  const things = useDesk((s) => s.piece?.things);
  const id = useDesk((s) => s.view.thingId);
  return things?.find((t) => t.id === id) ?? things?.[0] ?? null;
}

const NO_PARTS: readonly Part[] = [];

/** What does not matter as it is: the side of a part there is only one of, where a twig lies that its feet stand on. */
const unasked = (t: Thing, parts: readonly Part[]): string[] => [
  ...(isWorn(t) && !parts.find((p) => p.id === t.on)?.mirrored ? ['side'] : []),
  ...(t.kind === 'twig' && t.under ? ['leftMm', 'forwardMm'] : []),
];

const changeThing = (now: Thing): void =>
  changePiece((p) => ({ ...p, things: p.things.map((t) => (t.id === now.id ? now : t)) }));

export function ThingList() {
  const piece = useDesk((s) => s.piece);
  const plan = useDesk((s) => s.plan);
  const chosen = useThing();
  const { q } = useUnits();
  if (!piece) return null;
  const add = (kind: ThingKind) => {
    if (!plan) return;
    // As it shrinks in this maker's hands, once that is known.
    const t = beginThing(kind, piece, plan, shrinks(plan.hand)?.share ?? USUAL_SHRINK);
    changePiece((p) => ({ ...p, things: [...p.things, t] }));
    setView({ thingId: t.id, pane: 'docket' });
  };
  const kinds = plan?.stands.case === 'hangs' ? OFFERED.hangs : OFFERED.stands;
  return (
    <Box>
      <Tickets label="Small things" of={piece.things}>
        {(t) => {
          const p = plan?.things.find((x) => x.id === t.id);
          return (
            <Ticket
              on={t.id === chosen?.id}
              onClick={() => setView({ thingId: t.id })}
              name={t.name}
              words={p?.girthMm ? `${t.kind}, round ${q({ kind: 'length', value: p.girthMm })}` : t.kind}
              figure={p && q({ kind: 'mass', value: p.massG })}
            />
          );
        }}
      </Tickets>
      <UnderTickets>
        <Box role="group" aria-label="Add a small thing" sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75 }}>
          {kinds.map((k) => (
            <EditButton key={k} size="small" disabled={!plan || piece.things.length >= 20} onClick={() => add(k)}>
              Add a {THING_WORDS[k].toLowerCase()}
            </EditButton>
          ))}
        </Box>
        <EditButton
          disabled={!chosen}
          onClick={() => changePiece((p) => ({ ...p, things: p.things.filter((t) => t.id !== chosen!.id) }))}
        >
          Take away
        </EditButton>
      </UnderTickets>
    </Box>
  );
}

export function ThingsRoom({ findings }: { findings: ReactNode }) {
  const t = useThing();
  const plan = useDesk((s) => s.plan);
  const parts = useDesk((s) => s.piece?.form.parts ?? NO_PARTS);
  const p = plan?.things.find((x) => x.id === t?.id);
  if (!t) {
    return (
      <>
        <Typography sx={{ my: 1 }}>
          A collar, scarf or bow, a basket beside it, a twig or a base under its feet, a frame round a relief. Add one:
          it is measured off the animal as it will be, and weighed with it.
        </Typography>
        {findings}
      </>
    );
  }
  return (
    <>
      {p && <Measured key={t.id} p={p} />}
      {findings}
      <Box role="group" aria-label={`How ${t.name} is made`} sx={{ mt: 1 }}>
        <KindFields of={thingSchema} value={t} except={unasked(t, parts)} onChange={changeThing} />
      </Box>
      {p && <Panels p={p} />}
    </>
  );
}

function Measured({ p }: { p: ThingPlan }) {
  const { q } = useUnits();
  const moved = useMoved();
  const of = (value: number, kind: 'length' | 'mass' = 'length') => q({ kind, value });
  const was = (pick: (x: ThingPlan) => number | null, kind: 'length' | 'mass', value: number) =>
    moved({ kind, value }, (plan) => {
      const before = plan.things.find((x) => x.id === p.id);
      const v = before ? pick(before) : null;
      return v === null ? null : { kind, value: v };
    });
  return (
    <>
      <Sentence>
        {p.girthMm !== null ? (
          <>
            A thread round the finished coat there is <b>{of(p.girthMm)}</b> long.
          </>
        ) : p.cuts.length > 0 ? (
          <>
            Saw{' '}
            <b>
              {p.cuts
                .map((c) => `${c.count > 1 ? `${c.count} × ` : ''}${of(c.longMm)} × ${of(c.wideMm)} × ${of(c.thickMm)}`)
                .join(', ')}
            </b>
            .
          </>
        ) : (
          <>It is cut from {p.panels.length} pieces of felt.</>
        )}
      </Sentence>
      <FigureGrid
        columns={2}
        list={[
          ...p.lengths.map((l) => ({ label: l.says, value: <OpenedFigure figure={l.figure} /> })),
          {
            label: p.wood ? 'it weighs' : 'wool',
            value: p.wood ? <OpenedFigure figure={p.wood} /> : of(p.massG, 'mass'),
            moved: was((x) => x.massG, 'mass', p.massG),
          },
          ...(p.pattern ? [{ label: 'pattern, times as large', value: <OpenedFigure figure={p.pattern} /> }] : []),
          ...(p.beyondMm !== null
            ? [
                {
                  label: p.beyondMm > 0 ? 'stands out of the frame by' : 'stays behind its front by',
                  value: of(Math.abs(p.beyondMm)),
                },
              ]
            : []),
        ]}
      />
    </>
  );
}

/** What it is cut from. */
function Panels({ p }: { p: ThingPlan }) {
  const { q } = useUnits();
  if (p.panels.length === 0) return null;
  return (
    <>
      <PanelPicture p={p} />
      <SmallTable
        label={`Pieces of ${p.name}`}
        head={['Piece', 'Area', 'Wool']}
        rows={p.panels.map((x) => [
          x.count > 1 ? `${x.name}, ${x.count}` : x.name,
          q({ kind: 'area', value: x.areaMm2 }),
          q(x.mass),
        ])}
      />
      <Typography variant="body2" sx={{ color: 'text.secondary', mt: 1 }}>
        Its patterns are printed at true size with the build sheets.
      </Typography>
    </>
  );
}
