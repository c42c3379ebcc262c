'use client';
/**
 * Face: features on the left, front and profile of the head on one scale in the middle with three pictures of it below; on
 * the right the answer, what needs a decision and the controls, by room.
 */
import { faceTime } from '@/core/face/face-step';
import { isAbout } from '@/core/ref';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { beginFace } from '@/core/face/head/begin-face';
import { EYE_SPECS } from '@/core/face/eyes/eye-kinds';
import type { Judged } from '@/core/known-findings';
import { changePiece, say, setView, useDesk } from '@/desk/store';
import { FACE_ROOMS, type FaceRoom } from '@/desk/view';
import { faceRoomOf } from '@/ui/frame/finding-place';
import { RoomBar } from '@/ui/frame/RoomBar';
import { ThreeColumns } from '@/ui/frame/ThreeColumns';
import { UnderPicture } from '@/ui/frame/UnderPicture';
import { FindingList } from '@/ui/parts/FindingList';
import { useFindings } from '@/ui/parts/useFindings';
import { useUnits } from '@/ui/parts/useUnits';
import { Turntable } from '@/ui/pictures/Turntable';
import { BrowControls } from './BrowControls';
import { EarControls } from './EarControls';
import { MouthControls } from './MouthControls';
import { NoseControls } from './NoseControls';
import { useWhiskers, WhiskerControls } from './WhiskerControls';
import { EyeControls } from './EyeControls';
import { EyePicture } from './EyePicture';
import { EyeRoom } from './EyeRoom';
import { FaceChart } from './FaceChart';
import { useFace } from './face-store';
import { FeatureList } from './FeatureList';
import { HeadViews } from './HeadViews';
import { LevelHistory, LevelRoom } from './LevelRoom';
import { LevelPicture } from './LevelPicture';
import { MeasureTable } from './MeasureTable';
import { PhotoList, usePhoto } from './PhotoList';
import { PhotoPins, PinControls } from './PhotoPins';
import { SetRoom } from './SetRoom';
import { HoleGauge, SettingPicture } from './SettingPicture';
import { SizesCompared } from './SizesCompared';
import { EditButton } from '@/ui/parts/Editable';
import { Sentence } from '@/ui/parts/Figures';

const WORDS: Record<FaceRoom, string> = {
  chart: 'Chart',
  eye: 'Eye builder',
  set: 'Setting',
  level: 'Is it level?',
};

export function FaceStage() {
  const f = useFace();
  const room = useDesk((s) => s.view.faceRoom);
  const all = useFindings();
  if (!f) return <Begin />;
  const findings = all.filter((x) => x.stage === 'face');
  const of = (r: FaceRoom) => findings.filter((x) => faceRoomOf(x) === r);
  return (
    <Box sx={{ flex: 1, minHeight: 0, display: 'flex', flexDirection: 'column' }}>
      <RoomBar
        label="Rooms of the face"
        rooms={FACE_ROOMS.map((r) => ({
          room: r,
          says: WORDS[r],
          findings: of(r),
        }))}
        open={room}
        onOpen={(r) =>
          setView({
            faceRoom: r,
            pinning: false,
            faceMark: null,
            ...(r === 'level' ? {} : { feature: 'eyes' }),
          })
        }
      />
      {room === 'chart' && <ChartRoom findings={of('chart')} />}
      {room === 'eye' && (
        <ThreeColumns
          of={['face']}
          list="Features"
          left={<FeatureList />}
          middle={
            <>
              <EyePicture />
              <UnderPicture label="Sizes of the eye compared">
                <SizesCompared />
              </UnderPicture>
            </>
          }
          right={
            <>
              <Typography variant="h2">Eye builder</Typography>
              <FindingList findings={of('eye')} />
              <EyeRoom />
            </>
          }
        />
      )}
      {room === 'set' && (
        <ThreeColumns
          of={['face']}
          list="Features"
          left={<FeatureList />}
          middle={
            <>
              <SettingPicture />
              <UnderPicture label="Hole angles">
                <HoleGauge />
              </UnderPicture>
            </>
          }
          right={
            <>
              <Typography variant="h2">{EYE_SPECS[f.face.eyes.kind].title}</Typography>
              <FindingList findings={of('set')} />
              <SetRoom />
            </>
          }
        />
      )}
      {room === 'level' && (
        <ThreeColumns
          of={['face']}
          list="Features"
          left={<PhotoList of="piece" />}
          middle={
            <>
              <LevelPicture />
              <UnderPicture label="Measures taken">
                <LevelHistory />
              </UnderPicture>
            </>
          }
          right={
            <>
              <Typography variant="h2">Is it level?</Typography>
              <LevelRoom />
            </>
          }
        />
      )}
    </Box>
  );
}

function ChartRoom({ findings }: { findings: readonly Judged[] }) {
  const { face, plan } = useFace()!;
  const feature = useDesk((s) => s.view.feature);
  const pinning = useDesk((s) => s.view.pinning);
  const photo = usePhoto('animal');
  const whiskers = useWhiskers();
  const { q } = useUnits();
  const mm = (value: number) => q({ kind: 'fine', value });
  const own = findings.filter(
    (x) =>
      isAbout(x, 'feature', feature) ||
      (feature === 'whiskers' && x.about?.kind === 'whiskers' && (!whiskers || x.about.id === whiskers.id)),
  );
  const rest = findings.filter((x) => x.about === null);
  const pins = pinning && photo !== null;
  return (
    <ThreeColumns
      of={['face']}
      list="Features"
      left={<FeatureList />}
      middle={
        <>
          {pins ? <PhotoPins photo={photo} /> : <FaceChart />}
          <UnderPicture label="The head from three sides">
            <HeadViews />
          </UnderPicture>
        </>
      }
      right={
        <>
          {photo && (
            <Box sx={{ mb: 1 }}>
              <Button
                variant={pins ? 'contained' : 'outlined'}
                aria-pressed={pins}
                onClick={() => setView({ pinning: !pins, faceMark: null })}
              >
                {pins ? 'Back to the chart' : `Pin landmarks on ${photo.name}`}
              </Button>
            </Box>
          )}
          {pins ? (
            <>
              <Typography variant="h2">{photo.name}</Typography>
              <PinControls photo={photo} />
            </>
          ) : (
            <>
              <Typography variant="h2">
                {feature === 'whiskers'
                  ? (whiskers?.name ?? 'Whiskers')
                  : feature === 'nose' && face.nose.kind === 'beak'
                    ? 'Beak'
                    : `${feature[0]!.toUpperCase()}${feature.slice(1)}`}
              </Typography>
              {plan && (
                <Sentence>
                  <OfFeature />
                </Sentence>
              )}
              <FindingList findings={[...rest, ...own]} />
              {feature === 'nose' && <NoseControls face={face} />}
              {feature === 'mouth' && <MouthControls face={face} />}
              {feature === 'eyes' && <EyeControls />}
              {feature === 'ears' && <EarControls face={face} />}
              {feature === 'brows' &&
                (face.brows ? (
                  <BrowControls face={face} />
                ) : (
                  <Box sx={{ fontSize: 13 }}>No brows yet. Add them on the left.</Box>
                ))}
              {feature === 'whiskers' && <WhiskerControls />}
              <MeasureTable />
              {plan && (
                <Box sx={{ fontSize: 13 }}>
                  Head {mm(plan.headWidthMm)} wide, {mm(plan.headHeightMm)} high, {mm(plan.headLengthMm)} from the nose
                  to the back.
                </Box>
              )}
              <EditButton
                sx={{ mt: 1.5 }}
                onClick={() => {
                  changePiece((p) => ({ ...p, face: null }));
                  say('The face is taken away. Undo brings it back.');
                }}
              >
                Take the face away
              </EditButton>
            </>
          )}
        </>
      }
    />
  );
}

/** The answer for the feature in hand, in one sentence with figures. */
function OfFeature() {
  const hand = useDesk((s) => s.hand);
  const { face, plan } = useFace()!;
  const feature = useDesk((s) => s.view.feature);
  const whiskers = useWhiskers();
  const { q } = useUnits();
  if (!plan) return null;
  const mm = (value: number) => <b>{q({ kind: 'fine', value })}</b>;
  const at = (mark: string) => plan.measured.find((m) => m.mark === mark);
  const eye = at('eye-left');
  if (feature === 'nose') {
    return (
      <>
        {mm(face.nose.widthMm)} wide, {mm(face.nose.highMm)} high, {mm(face.nose.philtrumMm)} left under it for the
        mouth.
      </>
    );
  }
  if (feature === 'mouth') {
    const corner = at('mouth-left');
    return corner ? (
      <>
        From the middle {mm(face.mouth.sideMm)} to each side over the skin; the corner {mm(corner.noseStraightMm)} from
        the nose by callipers.
      </>
    ) : (
      <>No mouth is felted.</>
    );
  }
  if (feature === 'ears') {
    const ear = at('ear-left');
    return ear ? (
      <>
        {mm(ear.noseStraightMm)} from the nose by callipers
        {ear.noseOverMm !== null && <>, {mm(ear.noseOverMm)} by thread</>}
        {ear.twinStraightMm !== null && <>; {mm(ear.twinStraightMm)} between them</>}.
      </>
    ) : (
      <>No ear is drawn on this animal.</>
    );
  }
  if (feature === 'whiskers') {
    const w = plan.whiskers.find((x) => x.id === whiskers?.id);
    return w ? (
      <>
        <b>{w.ways.length}</b> threads cut to <b>{q({ kind: 'length', value: w.cut.mostMm })}</b>, together{' '}
        <b>{q({ kind: 'rowLength', value: w.need.value })}</b>, about{' '}
        <b>{q({ kind: 'time', value: faceTime(hand, w.work).minutes })}</b>. Up to{' '}
        <b>{q({ kind: 'length', value: w.shows.mostMm })}</b> show on each side.
      </>
    ) : (
      <>No whiskers yet.</>
    );
  }
  if (feature === 'brows' && face.brows) {
    return (
      <>
        {mm(face.brows.lengthMm)} long, {mm(face.brows.aboveMm)} above the eye. It looks <b>{plan.eyes.look.says}</b>.
      </>
    );
  }
  return eye ? (
    <>
      {mm(face.eyes.sizeMm)} across, {mm(eye.noseStraightMm)} from the nose by callipers
      {eye.noseOverMm !== null && <>, {mm(eye.noseOverMm)} by thread</>}
      {eye.twinStraightMm !== null && <>; {mm(eye.twinStraightMm)} between the two</>}.
    </>
  ) : null;
}

/** Before there is a face: the animal, and one press to begin. */
function Begin() {
  const piece = useDesk((s) => s.piece);
  return (
    <ThreeColumns
      of={['face']}
      list="Features"
      left={<Box sx={{ p: 2, fontSize: 13 }}>Nose, mouth, eyes, ears, brows and whiskers appear here.</Box>}
      middle={<Turntable />}
      right={
        <>
          <Typography variant="h2">Face</Typography>
          <Sentence>No face yet.</Sentence>
          <Typography sx={{ fontSize: 13, mb: 1.5 }}>
            It begins with nose, mouth and eyes where the head has them, in proportions that suit its size. Then every
            feature is moved on the chart, sized, checked and printed to be transferred with pins and callipers.
          </Typography>
          <EditButton
            variant="contained"
            disabled={!piece}
            onClick={() => {
              const face = piece && beginFace(piece);
              if (!face) return say('This animal has no part a face could sit on.');
              changePiece((p) => ({ ...p, face }));
              setView({ faceRoom: 'chart', feature: 'eyes' });
            }}
          >
            Begin the face
          </EditButton>
        </>
      }
    />
  );
}
