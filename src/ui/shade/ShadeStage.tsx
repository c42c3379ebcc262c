'use client';
/**
 * Shade: areas on the left in the colour they are seen in, the animal and the section through its layers in the middle; on
 * the right, by room, the stack, the blend card, recipes for a colour, markings, and the whole judged.
 */
import { isAbout } from '@/core/ref';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { mainLook } from '@/core/shade/layers/look';
import { colourName, comparedTo, VANISHES } from '@/core/shade/words';
import type { ShadedArea } from '@/core/shade/layers/area-shade';
import { setView, useDesk } from '@/desk/store';
import { SHADE_ROOMS, type ShadeRoom } from '@/desk/view';
import { useSelectedArea } from '@/ui/coat/CoatStage';
import { shadeRoomOf } from '@/ui/frame/finding-place';
import { RoomBar } from '@/ui/frame/RoomBar';
import { ThreeColumns } from '@/ui/frame/ThreeColumns';
import { UnderPicture } from '@/ui/frame/UnderPicture';
import { AreaTicket } from '@/ui/parts/AreaTicket';
import { Tickets } from '@/ui/parts/Ticket';
import { FindingList } from '@/ui/parts/FindingList';
import { useFindings } from '@/ui/parts/useFindings';
import { useUnits } from '@/ui/parts/useUnits';
import { LayerSection } from '@/ui/pictures/LayerSection';
import { SwatchPicture } from '@/ui/pictures/SwatchPicture';
import { Turntable } from '@/ui/pictures/Turntable';
import { BlendRoom } from './BlendRoom';
import { JudgeRoom, PaletteStrip } from './JudgeRoom';
import { MarkingList, MarkingsRoom, useMarking } from './MarkingsRoom';
import { MatchRoom } from './MatchRoom';
import { StackRoom } from './StackRoom';
import { Sentence } from '@/ui/parts/Figures';

const WORDS: Record<ShadeRoom, string> = {
  stack: 'Stack',
  blend: 'Blend card',
  match: 'Match a colour',
  markings: 'Markings',
  judge: 'Judge',
};

const SWATCH = 116;

export function ShadeStage() {
  const { plan, area, doc } = useSelectedArea();
  const room = useDesk((s) => s.view.shadeRoom);
  const shaded = plan?.shade.areas.find((a) => a.id === doc?.id) ?? null;
  const findings = useFindings().filter((f) => f.stage === 'shade');
  const own = findings.filter((f) => doc && isAbout(f, 'area', doc.id));
  const of = (r: ShadeRoom) => findings.filter((f) => shadeRoomOf(f) === r);
  const enter = (r: ShadeRoom) => setView({ shadeRoom: r, brush: 'off', trimStep: null });
  return (
    <Box sx={{ flex: 1, minHeight: 0, display: 'flex', flexDirection: 'column' }}>
      <RoomBar
        label="Rooms of the shade"
        rooms={SHADE_ROOMS.map((r) => ({ room: r, says: WORDS[r], findings: r === 'stack' ? own : of(r) }))}
        open={room}
        onOpen={enter}
      />
      <ThreeColumns
        of={['shade']}
        area={room === 'judge' || room === 'markings' ? null : (doc?.id ?? null)}
        list={room === 'markings' ? 'Markings' : 'Areas'}
        left={room === 'markings' ? <MarkingList /> : <ShadeList />}
        middle={
          <>
            <Turntable tool="shade" litRow={null} />
            <Under shaded={shaded} room={room} />
          </>
        }
        right={
          room === 'judge' ? (
            <>
              <Typography variant="h2">The whole judged</Typography>
              <JudgeRoom />
            </>
          ) : room === 'markings' ? (
            <MarkingsRoom />
          ) : shaded && doc && area ? (
            <>
              <Typography variant="h2">{doc.name}</Typography>
              {room === 'stack' && (
                <>
                  <Docket shaded={shaded} />
                  <FindingList findings={own} />
                  <StackRoom key={doc.id} shaded={shaded} doc={doc} />
                </>
              )}
              {room === 'blend' && <BlendRoom key={doc.id} doc={doc} areaMm2={area.areaMm2} />}
              {room === 'match' && <MatchRoom key={doc.id} doc={doc} />}
            </>
          ) : (
            <Typography sx={{ color: 'text.secondary' }}>
              The colours appear as soon as the animal has been worked out.
            </Typography>
          )
        }
      />
    </Box>
  );
}

/** The answer for one area: what is seen, in how many layers, of how much wool. */
function Docket({ shaded }: { shaded: ShadedArea }) {
  const { q } = useUnits();
  const layers = shaded.layers.filter((l) => l.says !== 'coat');
  const massG = layers.reduce((s, l) => s + (l.mass?.value ?? 0), 0);
  const minutes = layers.reduce((s, l) => s + (l.minutes?.value ?? 0), 0);
  return (
    <Sentence>
      {shaded.oneColour ? 'Seen as ' : 'Not of one colour; on average seen as '}
      <b>{colourName(shaded.meanLab)}</b>
      {shaded.offWords ? (
        <>
          , <b>{comparedTo('wanted', shaded.offWords)}</b>
        </>
      ) : null}
      .{' '}
      {layers.length === 0 ? (
        'No layers beside the coat.'
      ) : (
        <>
          {layers.length === 1 ? 'One layer' : `${layers.length} layers`} beside the coat,{' '}
          <b>{q({ kind: 'mass', value: massG })}</b>, about <b>{q({ kind: 'time', value: minutes })}</b>.
        </>
      )}
    </Sentence>
  );
}

/** The areas as tickets, each in the colour it is seen in. */
function ShadeList() {
  const plan = useDesk((s) => s.plan);
  const selected = useDesk((s) => s.view.areaId);
  const findings = useFindings();
  const { q } = useUnits();
  if (!plan) return <Box sx={{ p: 2, fontSize: 13 }}>The areas appear when the animal has been worked out.</Box>;
  return (
    <Tickets label="Areas" of={plan.shade.areas}>
      {(a, i) => {
        const layers = a.layers.filter((l) => l.says !== 'coat');
        const massG = layers.reduce((s, l) => s + (l.mass?.value ?? 0), 0);
        return (
          <AreaTicket
            area={a.id}
            of="shade"
            number={i + 1}
            name={a.name}
            on={a.id === selected}
            onClick={() => setView({ areaId: a.id, layerId: null })}
            hex={a.meanHex}
            words={`${colourName(a.meanLab)}${layers.length > 0 ? `, ${layers.length} ${layers.length === 1 ? 'layer' : 'layers'}` : ''}`}
            grams={massG > 0 ? q({ kind: 'mass', value: massG }) : ''}
            findings={findings.filter((f) => f.stage === 'shade' && isAbout(f, 'area', a.id))}
          />
        );
      }}
    </Tickets>
  );
}

function Under({ shaded, room }: { shaded: ShadedArea | null; room: ShadeRoom }) {
  const area = useDesk((s) => s.plan?.coat.areas.find((a) => a.id === shaded?.id));
  const marking = useMarking();
  const fur = area?.fur ?? null;
  const title =
    room === 'judge'
      ? 'Palette, under three daylights'
      : room === 'markings'
        ? 'Layers of the area in hand'
        : `Section through the layers${shaded ? `, ${shaded.name.toLowerCase()}` : ''}`;
  return (
    <UnderPicture label={title}>
      <Box sx={{ flex: 1, minWidth: 0, display: 'flex', flexDirection: 'column' }}>
        <Typography variant="h3" component="h2" sx={{ mb: 0.75 }}>
          {room === 'markings' && marking.doc ? `${marking.doc.name} on its ground` : title}
        </Typography>
        <Box sx={{ flex: 1, minHeight: 0 }}>
          {room === 'judge' ? (
            <PaletteStrip />
          ) : room === 'markings' ? (
            <MarkingGround />
          ) : (
            shaded && <LayerSection shaded={shaded} />
          )}
        </Box>
      </Box>
      {fur && shaded?.field && room !== 'judge' && room !== 'markings' && (
        <Box sx={{ width: SWATCH, flexShrink: 0 }}>
          <Box sx={{ fontSize: 13, mb: 0.5, whiteSpace: 'nowrap' }}>Swatch, life size</Box>
          <SwatchPicture
            label={`Swatch of ${shaded.name} at life size, seen as ${colourName(shaded.meanLab)}`}
            pile={fur.pile}
            lotId={fur.lotId}
            arealMgCm2={fur.figures.areal.value}
            spacingMm={fur.rows.meanSpacingMm}
            look={shaded.field.looks[mainLook(shaded.field)]}
            groundHex={shaded.groundHex}
            widePx={SWATCH}
            highPx={158}
          />
        </Box>
      )}
    </UnderPicture>
  );
}

/** The marking beside what it lies on, at arm's length. */
function MarkingGround() {
  const { plan } = useMarking();
  if (!plan?.seenHex || !plan.hostHex) return <Box sx={{ fontSize: 13 }}>It shows here once it lies on an area.</Box>;
  return (
    <Box sx={{ display: 'flex', gap: 2, fontSize: 13, alignItems: 'flex-start' }}>
      <Box sx={{ width: 260, height: 120, bgcolor: plan.hostHex, display: 'grid', placeItems: 'center' }}>
        <Box
          sx={{ width: 120, height: 44, bgcolor: plan.seenHex }}
          role="img"
          aria-label={`${plan.name} on its ground`}
        />
      </Box>
      <Box>
        Contrast {plan.contrast!.toFixed(0)}:{' '}
        {plan.contrast! < VANISHES ? 'it runs into its ground at arm’s length.' : 'it stands apart at arm’s length.'}
      </Box>
    </Box>
  );
}
