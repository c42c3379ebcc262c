'use client';
/** What went wrong over all pieces of this hand, by reason, and what the plan does about it. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { handSchema } from '@/core/piece/hand';
import { boundsOf } from '@/core/piece/fields';
import { everythingDone } from '@/core/rates/records';
import { wrongsOver, type Wrong } from '@/core/rates/wrongs';
import { editHand, useDesk } from '@/desk/store';
import { EditButton } from '@/ui/parts/Editable';
import { SmallTable } from '@/ui/parts/SmallTable';

/** So often it is no accident. Ours. */
const OFTEN = 3;
const PASSES = boundsOf(handSchema.shape.passesLine);

/** Wool laid otherwise than meant is learned from weighing; all else by the minutes it costs. */
const byWeight = (why: Wrong['why']) => why === 'too thick' || why === 'too thin';

export function WrongOverAll() {
  const hand = useDesk((s) => s.hand);
  const piece = useDesk((s) => s.piece);
  const laying = useDesk((s) => s.plan?.hand.laying);
  if (!piece) return null;
  const over = wrongsOver(everythingDone(hand, piece));
  if (over.length === 0) return null;
  const weighed = Object.values(laying ?? {}).some((l) => l.wool);
  const loose = over.find((w) => w.why === 'came loose');
  const does = (w: Wrong): string =>
    byWeight(w.why)
      ? weighed
        ? 'asks for as much wool as you lay'
        : 'learns your wool once areas are weighed'
      : w.pulledOff > 0
        ? 'reckons rows with what was laid again'
        : 'keeps it for you';
  return (
    <Box sx={{ mt: 2 }}>
      <Typography variant="h3" component="h3">
        Gone wrong, over all your pieces
      </Typography>
      <SmallTable
        label="Gone wrong, over all your pieces"
        head={['What', 'times', 'pieces', 'pulled off', 'the plan']}
        rows={over.map((w) => [w.why, String(w.times), String(w.pieces), String(w.pulledOff), does(w)])}
      />
      {loose && loose.times >= OFTEN && hand.passesLine < PASSES.most && (
        <EditButton onClick={() => editHand((d) => void d.passesLine++)}>
          Felt every line one pass more: {hand.passesLine + 1} in place of {hand.passesLine}
        </EditButton>
      )}
    </Box>
  );
}
