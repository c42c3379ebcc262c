'use client';
/**
 * Coat: areas on the left, the animal, lay chart and swatch in the middle; on the right, by room, the docket with its
 * controls, the lie, ways compared, the trim plan, the practice swatch.
 */
import { isAbout } from '@/core/ref';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo } from 'react';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { mainLook } from '@/core/shade/layers/look';
import { setView, useDesk } from '@/desk/store';
import { COAT_ROOMS, type CoatRoom } from '@/desk/view';
import { coatRoomOf } from '@/ui/frame/finding-place';
import { RoomBar } from '@/ui/frame/RoomBar';
import { StageBoundary } from '@/ui/frame/StageBoundary';
import { UnderPicture } from '@/ui/frame/UnderPicture';
import { ThreeColumns } from '@/ui/frame/ThreeColumns';
import { Dimmed } from '@/ui/parts/Figures';
import { FindingList } from '@/ui/parts/FindingList';
import { useFindings } from '@/ui/parts/useFindings';
import { LayChartPicture } from '@/ui/pictures/LayChartPicture';
import { SandwichPicture } from '@/ui/pictures/SandwichPicture';
import { SheetPicture } from '@/ui/pictures/SheetPicture';
import { SwatchPicture } from '@/ui/pictures/SwatchPicture';
import { Turntable } from '@/ui/pictures/Turntable';
import { AreaDocket } from './AreaDocket';
import { AreaList } from './AreaList';
import { CoatControls } from './CoatControls';
import { Clumps } from './Clumps';
import { LieRoom } from './LieRoom';
import { LocksShared } from './LocksShared';
import { RowTable } from './RowTable';
import { PracticeRoom } from './PracticeRoom';
import { TrimRoom } from './TrimRoom';
import { WaysRoom } from './WaysRoom';

/** The area looked at: the chosen one, or the first with rows when none is. */
export function useSelectedArea() {
  const plan = useDesk((s) => s.plan);
  const piece = useDesk((s) => s.piece);
  const areaId = useDesk((s) => s.view.areaId);
  const area = plan?.coat.areas.find((a) => a.id === areaId) ?? null;
  const doc = piece?.areas.find((a) => a.id === areaId) ?? null;
  useEffect(() => {
    // An area just made is in the piece before it is in the plan; it stays chosen.
    if (!plan || doc) return;
    const first = plan.coat.areas.find((a) => a.fur) ?? plan.coat.areas[0];
    if (first) setView({ areaId: first.id });
  }, [plan, doc]);
  return { plan, area, doc };
}

const WORDS: Record<CoatRoom, string> = {
  lay: 'Lay',
  lie: 'Lie',
  ways: 'Compare ways',
  trim: 'Trim',
  practice: 'Practice swatch',
};

export function CoatStage() {
  const { plan, area, doc } = useSelectedArea();
  const room = useDesk((s) => s.view.coatRoom);
  const row = useDesk((s) => s.view.row);
  const log = plan?.log.areas.find((a) => a.areaId === area?.id);
  const done = useMemo(() => new Set(log?.rowsDone ?? []), [log]);
  const findings = useFindings().filter(
    (f) =>
      area !== null &&
      ((f.stage === 'coat' && isAbout(f, 'area', area.id)) ||
        (f.stage === 'stock' && (area.fur?.draws ?? []).some((d) => isAbout(f, 'lot', d.lotId)))),
  );
  const shown = room === 'lay' ? findings : room === 'lie' ? findings.filter((f) => coatRoomOf(f) === 'lie') : [];
  const enter = (r: CoatRoom) =>
    setView({
      coatRoom: r,
      brush: 'off',
      ...(r === 'lie' ? { overlay: 'lie' as const } : {}),
      ...(r === 'trim' ? { overlay: 'fur' as const } : { trimStep: null }),
    });
  return (
    <Box sx={{ flex: 1, minHeight: 0, display: 'flex', flexDirection: 'column' }}>
      <RoomBar
        label="Rooms of the coat"
        rooms={COAT_ROOMS.map((r) => ({
          room: r,
          says: WORDS[r],
          findings: r === 'lay' ? findings : [],
        }))}
        open={room}
        onOpen={enter}
      />
      <ThreeColumns
        of={['coat']}
        area={area?.id ?? null}
        list="Areas"
        left={<AreaList />}
        middle={
          <>
            {room === 'lie' ? <Turntable tool="comb" litRow={row} /> : <Turntable litRow={row} />}
            <UnderTurntable area={area} nextRow={log?.nextRow ?? null} done={done} />
          </>
        }
        right={
          area && doc ? (
            <>
              <Typography variant="h2">{area.name}</Typography>
              {room === 'lay' && <AreaDocket area={area} />}
              <FindingList findings={shown} />
              {room === 'lay' && (
                <>
                  <LocksShared area={area} />
                  <Clumps area={area} />
                  <CoatControls area={doc} />
                </>
              )}
              {room === 'lie' && <LieRoom area={area} doc={doc} />}
              {room === 'ways' && <WaysRoom key={area.id} area={area} doc={doc} />}
              {room === 'trim' && <TrimRoom area={area} doc={doc} />}
              {room === 'practice' && <PracticeRoom area={area} doc={doc} />}
            </>
          ) : (
            <Typography sx={{ color: 'text.secondary' }}>
              The docket appears as soon as the animal has been worked out.
            </Typography>
          )
        }
      />
    </Box>
  );
}

/** Under the turntable: the lay chart (or the sheet), the section of a marking, and the swatch at true scale. */
function UnderTurntable({
  area,
  nextRow,
  done,
}: {
  area: AreaPlan | null;
  nextRow: number | null;
  done: ReadonlySet<number>;
}) {
  const fur = area?.fur ?? null;
  const shaded = useDesk((s) => s.plan?.shade.areas.find((a) => a.id === area?.id));
  const rowsAs = useDesk((s) => s.view.rowsAs);
  const row = useDesk((s) => s.view.row);
  const n = fur?.rows.rows.length ?? 0;
  const unit = fur?.chart.dress.unit;
  const what = fur?.sheet ? 'Sheet' : 'Lay chart';
  return (
    <UnderPicture label={what}>
      <Box sx={{ flex: 1, minWidth: 0, display: 'flex', flexDirection: 'column' }}>
        <Box sx={{ display: 'flex', justifyContent: 'space-between', fontSize: 13, gap: 1 }}>
          <Typography variant="h3" component="h2">
            {what}
            {area && fur && unit
              ? fur.sheet
                ? `, ${area.name.toLowerCase()}`
                : `, ${area.name.toLowerCase()}: ${n} ${n === 1 ? unit.one : unit.many}, hem at the bottom`
              : ''}
          </Typography>
          {area && fur && !fur.sheet ? (
            <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.5, mt: -0.5 }} role="group" aria-label="Rows as">
              {(['chart', 'table'] as const).map((as) => (
                <Button
                  key={as}
                  variant={rowsAs === as ? 'contained' : 'text'}
                  aria-pressed={rowsAs === as}
                  onClick={() => setView({ rowsAs: as })}
                  sx={{ minWidth: 0, px: 1, minHeight: 24, py: 0 }}
                >
                  {as}
                </Button>
              ))}
            </Box>
          ) : (
            <Box sx={{ color: 'text.secondary', whiteSpace: 'nowrap' }}>1 : 1 on paper</Box>
          )}
        </Box>
        <Box sx={{ flex: 1, minHeight: 0 }}>
          {area && fur && (
            <StageBoundary what="The lay chart" resetKey={area}>
              {fur.sheet ? (
                <SheetPicture sheet={fur.sheet} name={area.name} />
              ) : rowsAs === 'table' ? (
                <RowTable area={area} />
              ) : (
                <Dimmed>
                  <LayChartPicture
                    area={area}
                    nextRow={nextRow}
                    row={row}
                    done={done}
                    onRow={(n) => setView({ row: n })}
                  />
                </Dimmed>
              )}
            </StageBoundary>
          )}
        </Box>
      </Box>
      {area && fur?.sandwich && (
        <Box sx={{ width: 168, display: 'flex', flexDirection: 'column' }}>
          <Box sx={{ fontSize: 13 }}>Section of a {fur.sandwich.kind}</Box>
          <Box sx={{ flex: 1, minHeight: 0 }}>
            <SandwichPicture sandwich={fur.sandwich} name={area.name} />
          </Box>
        </Box>
      )}
      {area && fur && (
        <Box sx={{ width: SWATCH, flexShrink: 0 }}>
          <Box sx={{ fontSize: 13, mb: 0.5, whiteSpace: 'nowrap' }}>Swatch, life size</Box>
          <SwatchPicture
            label={`Swatch of ${area.name} at life size: ${Math.round(fur.figures.cover.value * 1000) / 10} % of the base hidden`}
            pile={fur.pile}
            look={shaded?.field?.looks[mainLook(shaded.field)]}
            groundHex={shaded?.groundHex}
            lotId={fur.lotId}
            arealMgCm2={fur.figures.areal.value}
            spacingMm={fur.rows.meanSpacingMm}
            widePx={SWATCH}
            highPx={168}
          />
        </Box>
      )}
    </UnderPicture>
  );
}

/** About 30 mm. */
const SWATCH = 116;
