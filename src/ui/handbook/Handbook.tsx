'use client';
/** The handbook: every formula the plan uses, with its letters, units and source. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { methods } from '@/core/methods';
import { PlainPage } from '@/ui/frame/PlainPage';
import { Working } from '@/ui/parts/Opened';

export function Handbook() {
  return (
    <PlainPage title="Handbook">
      <Typography sx={{ mb: 2, maxWidth: 720 }}>
        How every figure is worked out. Open a figure on a docket to see the same formula with the numbers of your
        piece. Millimetres, grams, degrees and minutes throughout.
      </Typography>
      <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' }, alignItems: 'start' }}>
        {methods.map((m) => (
          <Box
            component="section"
            key={m.id}
            id={m.id}
            aria-labelledby={`t-${m.id}`}
            sx={{ bgcolor: 'background.paper', border: 1, borderColor: 'divider', p: 2 }}
          >
            <Typography id={`t-${m.id}`} variant="h2" sx={{ mb: 1 }}>
              {m.title}
            </Typography>
            <Working method={m.id} />
          </Box>
        ))}
      </Box>
      <Typography sx={{ mt: 3, maxWidth: 720 }}>
        Felting needles are barbed and break: eyes on the point, fingers flat or guarded, count them, never leave one in
        the piece. Raw fleece carries dirt and germs: gloves, outdoors, wash hands. A realistic piece is a display
        piece, not a toy for a small child; what may be sold as a toy is decided by the toy-safety rules where it is
        sold.
      </Typography>
    </PlainPage>
  );
}
